import { describe, expect, it } from 'vitest';
import { context, curlew, sheetOf, stopped, told } from '../../../../tests/support/check-bench';

const heron = context([stopped(14)], sheetOf('qh-22-heron'));
const minibus = context([stopped(14)], curlew);

describe('what is told of a needle', () => {
  it.each([
    [
      { needlePct: 50, scanC: 84, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says 77 °C to 91 °C, and the engine is there, at 84 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | in words: Needle 50 %, scan 84 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: { celsius: 85, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'pass (allAgree): The needle says 77 °C to 91 °C, and the engine is there, at 85 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Thermometer: 85 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 85, air null | sensor: 84 for 85 ± 0.8, both, at engine | in words: Needle 50 %, scan 84 °C, thermometer 85 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: null,
        thermometer: { celsius: 85, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'pass (needleAgrees): The needle says 77 °C to 91 °C, and the engine is there, at 85 °C | Needle at 50 %: 77 °C to 91 °C | Thermometer: 85 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 85, air null | in words: Needle 50 %, thermometer 85 °C'
    ],
    [
      { needlePct: 20, scanC: 84, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 51 °C to 66 °C; the engine is at 84 °C: the gauge, its sender or their wire | Needle at 20 %: 51 °C to 66 °C | Scan value: 84 °C | in words: Needle 20 %, scan 84 °C'
    ],
    [
      { needlePct: 80, scanC: 84, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 99 °C to 113 °C; the engine is at 84 °C: the gauge, its sender or their wire | Needle at 80 %: 99 °C to 113 °C | Scan value: 84 °C | in words: Needle 80 %, scan 84 °C'
    ],
    [
      { needlePct: 0, scanC: 30, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says below 48 °C, and the engine is there, at 30 °C | Needle at 0 %: below 48 °C | Scan value: 30 °C | in words: Needle 0 %, scan 30 °C'
    ],
    [
      { needlePct: 0, scanC: 60, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says below 48 °C; the engine is at 60 °C: the gauge, its sender or their wire | Needle at 0 %: below 48 °C | Scan value: 60 °C | in words: Needle 0 %, scan 60 °C'
    ],
    [
      { needlePct: 100, scanC: 125, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says above 115 °C, and the engine is there, at 125 °C | Needle at 100 %: above 115 °C | Scan value: 125 °C | in words: Needle 100 %, scan 125 °C'
    ],
    [
      { needlePct: 100, scanC: 100, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says above 115 °C; the engine is at 100 °C: the gauge, its sender or their wire | Needle at 100 %: above 115 °C | Scan value: 100 °C | in words: Needle 100 %, scan 100 °C'
    ],
    [
      { needlePct: 20, scanC: 84, thermometer: null, others: 'right', sender: null },
      'fail (needle): The needle says 51 °C to 66 °C; the engine is at 84 °C: the gauge, its sender or their wire. The other needles are right: its sender or its wire first | Needle at 20 %: 51 °C to 66 °C | Scan value: 84 °C | in words: Needle 20 %, scan 84 °C'
    ],
    [
      { needlePct: 20, scanC: 84, thermometer: null, others: 'lazy', sender: null },
      'fail (needle): The needle says 51 °C to 66 °C; the engine is at 84 °C: the gauge, its sender or their wire. Other needles are lazy too: what the gauges share, the supply or the ground of the cluster, before the sender | Needle at 20 %: 51 °C to 66 °C | Scan value: 84 °C | in words: Needle 20 %, scan 84 °C'
    ],
    [
      { needlePct: 50, scanC: 84, thermometer: null, others: 'lazy', sender: null },
      'pass (needleAgrees): The needle says 77 °C to 91 °C, and the engine is there, at 84 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | but: Other needles are lazy: look at what the gauges share, the supply or the ground of the cluster, before the sender | in words: Needle 50 %, scan 84 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: { celsius: 95, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (cold): The scan value is 11 °C below the thermometer: sensor or its place, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Thermometer: 95 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 95, air null | sensor: 84 for 95 ± 0.8, both, at engine | in words: Needle 50 %, scan 84 °C, thermometer 95 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 95,
        thermometer: { celsius: 84, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (hot): The scan value is 11 °C above the thermometer: sensor or its place, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: 95 °C | Thermometer: 84 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | sensor: 95 for 84 ± 0.8, both, at engine | in words: Needle 50 %, scan 95 °C, thermometer 84 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: { celsius: 90, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'pass (allAgree): The needle says 77 °C to 91 °C, and the engine is there, at 90 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Thermometer: 90 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 84 for 90 ± 0.8, both, at engine | in words: Needle 50 %, scan 84 °C, thermometer 90 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: { celsius: 91, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (cold): The scan value is 7 °C below the thermometer: sensor or its place, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Thermometer: 91 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 91, air null | sensor: 84 for 91 ± 0.8, both, at engine | in words: Needle 50 %, scan 84 °C, thermometer 91 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: -25,
        thermometer: { celsius: 84, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (coldest): The scan value is 109 °C below the thermometer: sensor or its place, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: −25 °C | Thermometer: 84 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | sensor: -25 for 84 ± 0.8, both, at engine | in words: Needle 50 %, scan −25 °C, thermometer 84 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: -40,
        thermometer: { celsius: 84, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (open): The scan value is −40 °C, the default of an open sensor circuit, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: −40 °C | Thermometer: 84 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | sensor: -40 for 84 ± 0.8, both, at engine | in words: Needle 50 %, scan −40 °C, thermometer 84 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: 140,
        thermometer: { celsius: 84, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (short): The scan value is 140 °C, the default of a shorted sensor circuit, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: 140 °C | Thermometer: 84 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | sensor: 140 for 84 ± 0.8, both, at engine | in words: Needle 50 %, scan 140 °C, thermometer 84 °C'
    ],
    [
      { needlePct: 4, scanC: 40, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says below 51 °C, and the engine is there, at 40 °C | Needle at 4 %: below 51 °C | Scan value: 40 °C | in words: Needle 4 %, scan 40 °C'
    ],
    [
      { needlePct: 96, scanC: 118, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says above 112 °C, and the engine is there, at 118 °C | Needle at 96 %: above 112 °C | Scan value: 118 °C | in words: Needle 96 %, scan 118 °C'
    ],
    [
      { needlePct: 5, scanC: 40, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says 37 °C to 52 °C, and the engine is there, at 40 °C | Needle at 5 %: 37 °C to 52 °C | Scan value: 40 °C | in words: Needle 5 %, scan 40 °C'
    ],
    [
      { needlePct: 50, scanC: 95, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 77 °C to 91 °C; the engine is at 95 °C: the gauge, its sender or their wire | Needle at 50 %: 77 °C to 91 °C | Scan value: 95 °C | in words: Needle 50 %, scan 95 °C'
    ],
    [
      { needlePct: 50, scanC: 70, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 77 °C to 91 °C; the engine is at 70 °C: the gauge, its sender or their wire | Needle at 50 %: 77 °C to 91 °C | Scan value: 70 °C | in words: Needle 50 %, scan 70 °C'
    ],
    [
      {
        needlePct: 50,
        scanC: -20,
        thermometer: { celsius: 84, instrument: { kind: 'contact', uncertaintyC: 1.5 } },
        others: null,
        sender: null
      },
      'fail (coldest): The scan value is 104 °C below the thermometer: sensor or its place, whatever the needle says | Needle at 50 %: 77 °C to 91 °C | Scan value: −20 °C | Thermometer: 84 °C ± 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 84, air null | sensor: -20 for 84 ± 0.8, both, at engine | in words: Needle 50 %, scan −20 °C, thermometer 84 °C'
    ]
  ])('a needle by its law: %j', (readings, says) =>
    expect(told('gauge-compare', readings, heron)).toBe(says)
  );

  it.each([
    [
      { needlePct: 50, scanC: 90, thermometer: null, others: null, sender: null },
      'pass (needleAgrees): The needle says 74 °C to 109 °C, and the engine is there, at 90 °C | Needle at 50 %: 74 °C to 109 °C | Scan value: 90 °C | but: The sheet has no law for this gauge; a usual one was taken | in words: Needle 50 %, scan 90 °C'
    ],
    [
      { needlePct: 20, scanC: 90, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 52 °C to 65 °C; the engine is at 90 °C: the gauge, its sender or their wire | Needle at 20 %: 52 °C to 65 °C | Scan value: 90 °C | but: The sheet has no law for this gauge; a usual one was taken | in words: Needle 20 %, scan 90 °C'
    ],
    [
      { needlePct: 10, scanC: 90, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 45 °C to 58 °C; the engine is at 90 °C: the gauge, its sender or their wire | Needle at 10 %: 45 °C to 58 °C | Scan value: 90 °C | but: The sheet has no law for this gauge; a usual one was taken | in words: Needle 10 %, scan 90 °C'
    ],
    [
      { needlePct: 90, scanC: 90, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says 119 °C to 131 °C; the engine is at 90 °C: the gauge, its sender or their wire | Needle at 90 %: 119 °C to 131 °C | Scan value: 90 °C | but: The sheet has no law for this gauge; a usual one was taken | in words: Needle 90 %, scan 90 °C'
    ],
    [
      { needlePct: 96, scanC: 90, thermometer: null, others: null, sender: null },
      'fail (needle): The needle says above 122 °C; the engine is at 90 °C: the gauge, its sender or their wire | Needle at 96 %: above 122 °C | Scan value: 90 °C | but: The sheet has no law for this gauge; a usual one was taken | in words: Needle 96 %, scan 90 °C'
    ]
  ])('a needle by a usual law: %j', (readings, says) =>
    expect(told('gauge-compare', readings, minibus)).toBe(says)
  );

  it.each([
    [
      {
        needlePct: 20,
        scanC: 84,
        thermometer: null,
        others: null,
        sender: {
          circuit: 'gauge',
          batteryV: 12.6,
          taken: [
            { state: 'grounded', at: 'needle', value: 0 },
            { state: 'off', at: 'needle', value: 0 }
          ]
        }
      },
      'fail (needle): The needle says 51 °C to 66 °C; the engine is at 84 °C: the gauge, its sender or their wire. By its circuit: Open between: sender wire open, gauge has no supply. Measure next: Gauge, supply, wire off the sender | Needle at 20 %: 51 °C to 66 °C | Scan value: 84 °C | Needle, wire held to ground: cold end [hot end if sound] | Needle, wire off the sender: cold end [cold end if sound] | Sender wire open: 64 % | Gauge has no supply: 36 % | in words: Needle 20 %, scan 84 °C, Needle cold end (wire held to ground), Needle cold end (wire off the sender)'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: null,
        others: null,
        sender: {
          circuit: 'gauge',
          batteryV: 12.6,
          taken: [
            { state: 'grounded', at: 'needle', value: 0 },
            { state: 'off', at: 'needle', value: 0 }
          ]
        }
      },
      'pass (needleAgrees): The needle says 77 °C to 91 °C, and the engine is there, at 84 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Needle, wire held to ground: cold end [hot end if sound] | Needle, wire off the sender: cold end [cold end if sound] | Sender wire open: 64 % | Gauge has no supply: 36 % | in words: Needle 50 %, scan 84 °C, Needle cold end (wire held to ground), Needle cold end (wire off the sender)'
    ],
    [
      {
        needlePct: 50,
        scanC: 84,
        thermometer: null,
        others: null,
        sender: {
          circuit: 'gauge',
          batteryV: 12.6,
          taken: [
            { state: 'grounded', at: 'needle', value: 2 },
            { state: 'off', at: 'needle', value: 0 },
            { state: 'connected', at: 'needle', value: 1 }
          ]
        }
      },
      'pass (needleAgrees): The needle says 77 °C to 91 °C, and the engine is there, at 84 °C | Needle at 50 %: 77 °C to 91 °C | Scan value: 84 °C | Needle, wire held to ground: hot end [hot end if sound] | Needle, wire off the sender: cold end [cold end if sound] | Needle, wire on the sender, engine warm: between [between if sound] | Gauge and sender sound: 64 % | Sender of another kind, or worn: 18 % | Sender has poor ground: 17 % | in words: Needle 50 %, scan 84 °C, Needle hot end (wire held to ground), Needle cold end (wire off the sender), Needle between (wire on the sender, engine warm)'
    ]
  ])('a needle and its circuit: %j', (readings, says) =>
    expect(told('gauge-compare', readings, heron)).toBe(says)
  );
});
