import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge, told } from '../../../../tests/support/check-bench';
import type { SpecSheet } from '../../vehicle/spec-sheet';

const NOTHING = { unpluggedC: null, bridgedC: null, openV: null, signalV: null, groundV: null };
const sheetWith = (ect: object | null) => ({ ...curlew, ect }) as SpecSheet;
const read = (readings: object, sheet: SpecSheet | null = curlew) =>
  told('ect-circuit', { ...NOTHING, ...readings }, context([], sheet));

describe('what is told of the sensor’s circuit', () => {
  it.each<[string, object, string]>([
    [
      'both extremes, reference and ground',
      { unpluggedC: -40, bridgedC: 140, openV: 5.02, groundV: 0.01 },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −40 °C [below −32 °C, by the sheet] | Reads bridged: 140 °C [above 132 °C, by the sheet] | Open plug: 5.020 V [5.000 V ± 6 %] | Ground drop: 0.010 V [0.050 V] | in words: unplugged −40 °C, bridged 140 °C, open plug 5.020 V, ground 0.010 V'
    ],
    [
      'both extremes, barely',
      { unpluggedC: -32, bridgedC: 132 },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −32 °C [below −32 °C, by the sheet] | Reads bridged: 132 °C [above 132 °C, by the sheet] | in words: unplugged −32 °C, bridged 132 °C'
    ],
    [
      'neither extreme, barely',
      { unpluggedC: -31, bridgedC: 131 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged | Reads unplugged: −31 °C [below −32 °C, by the sheet] | Reads bridged: 131 °C [above 132 °C, by the sheet] | Loom and control unit sound: 72 % | Resistance in the signal wire: 10 % | Resistance in the ground wire: 10 % | Signal wire on battery plus: 6 % | in words: unplugged −31 °C, bridged 131 °C'
    ],
    [
      'a short to ground in the loom',
      { unpluggedC: 12, bridgedC: 140, openV: 3.9, signalV: 3.8 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; the open plug has 3.900 V and not its reference | Reads unplugged: 12 °C [below −32 °C, by the sheet] | Reads bridged: 140 °C [above 132 °C, by the sheet] | Open plug: 3.900 V [5.000 V ± 6 %] | Signal pin: 3.800 V | Supply of the control unit low or missing: 71 % | Signal wire to ground: 29 % | in words: unplugged 12 °C, bridged 140 °C, open plug 3.900 V, signal pin 3.800 V'
    ],
    [
      'resistance in the ground',
      { bridgedC: 60, groundV: 0.31 },
      'fail (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists; the ground lies above battery minus. Measure next: the volts from the signal pin of the open plug to battery minus | Reads bridged: 60 °C [above 132 °C, by the sheet] | Ground drop: 0.310 V [0.050 V] | Resistance in the ground wire: 61 % | Resistance in the signal wire: 35 % | in words: bridged 60 °C, ground 0.310 V'
    ],
    [
      'a reference that is just within its limit',
      { unpluggedC: -40, openV: 5.3, signalV: 5.3, groundV: 0.05 },
      'unclear: Bridged has not been read: one extreme alone clears one wire | Reads unplugged: −40 °C [below −32 °C, by the sheet] | Open plug: 5.300 V [5.000 V ± 6 %] | Signal pin: 5.300 V | Ground drop: 0.050 V [0.050 V] | Loom and control unit sound: 56 % | Resistance in the ground wire: 16 % | Resistance in the signal wire: 14 % | Signal wire on battery plus: 9 % | Signal wire open: 5 % | in words: unplugged −40 °C, open plug 5.300 V, signal pin 5.300 V, ground 0.050 V'
    ],
    [
      'a reference above its limit, a ground below battery minus',
      { bridgedC: 140, openV: 5.31, groundV: -0.06 },
      'fail (notReached): Wiring or control unit: the open plug has 5.310 V and not its reference; the ground lies above battery minus. Measure next: the volts from the signal pin of the open plug to battery minus | Reads bridged: 140 °C [above 132 °C, by the sheet] | Open plug: 5.310 V [5.000 V ± 6 %] | Ground drop: −0.060 V [0.050 V] | Loom and control unit sound: 72 % | Signal wire to ground: 14 % | Signal wire on battery plus: 5 % | in words: bridged 140 °C, open plug 5.310 V, ground −0.060 V'
    ],
    [
      'the open plug alone',
      { openV: 4.9 },
      'unclear: Unplugged has not been read: one extreme alone clears one wire | Open plug: 4.900 V [5.000 V ± 6 %] | Loom and control unit sound: 62 % | Resistance in the signal wire: 19 % | Resistance in the ground wire: 19 % | in words: open plug 4.900 V'
    ],
    [
      'the signal pin alone',
      { signalV: 4.98 },
      'unclear: Unplugged has not been read: one extreme alone clears one wire | Signal pin: 4.980 V | Loom and control unit sound: 55 % | Resistance in the signal wire: 17 % | Resistance in the ground wire: 17 % | Ground wire open: 11 % | in words: signal pin 4.980 V'
    ],
    [
      'another unit on its line',
      { otherUnit: 'jumps' },
      'fail (otherUnit): Another control unit pulls at its line: unplugged, the reading jumps to where it belongs | in words: other unit unplugged: jumps'
    ],
    [
      'no other unit at fault',
      { unpluggedC: -40, otherUnit: 'stays' },
      'unclear: Bridged has not been read: one extreme alone clears one wire | Reads unplugged: −40 °C [below −32 °C, by the sheet] | Loom and control unit sound: 47 % | Resistance in the signal wire: 14 % | Resistance in the ground wire: 14 % | Signal wire open: 12 % | Ground wire open: 9 % | in words: unplugged −40 °C, other unit unplugged: stays'
    ]
  ])('against what the sheet gives: %s', (_, readings, says) => expect(read(readings)).toBe(says));

  // A unit may show a value of its own where its circuit is open: without the sheet that is unusual, and no more. One
  // that shows one extreme as it is, or does not hear its plug at all, does not.
  it.each<[string, SpecSheet | null, object, string]>([
    [
      'both extremes as far as units differ',
      null,
      { unpluggedC: -25, bridgedC: 125, openV: 3 },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −25 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 125 °C [above 125 °C, typical; the sheet gives none] | Open plug: 3.000 V | in words: unplugged −25 °C, bridged 125 °C, open plug 3.000 V'
    ],
    [
      'one extreme, the other no value of any unit',
      null,
      { unpluggedC: 80, bridgedC: 125 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts from the signal pin of the open plug to battery minus | Reads unplugged: 80 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 125 °C [above 125 °C, typical; the sheet gives none] | Signal wire to ground: 85 % | in words: unplugged 80 °C, bridged 125 °C'
    ],
    [
      'one extreme, the other nearly',
      sheetWith(null),
      { unpluggedC: -40, bridgedC: 124 },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −40 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 124 °C [above 125 °C, typical; the sheet gives none] | Resistance in the ground wire: 39 % | Resistance in the signal wire: 39 % | Loom and control unit sound: 13 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 124 °C'
    ],
    [
      'neither, and the plug is not heard',
      null,
      { unpluggedC: 64, bridgedC: 83 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the signal pin of the open plug to battery minus | Reads unplugged: 64 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 83 °C [above 125 °C, typical; the sheet gives none] | Supply of the control unit low or missing: 76 % | Resistance in the ground wire: 9 % | Resistance in the signal wire: 9 % | Signal wire to ground: 5 % | in words: unplugged 64 °C, bridged 83 °C'
    ],
    [
      'neither, and the plug is heard',
      null,
      { unpluggedC: 63, bridgedC: 83 },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the signal pin of the open plug to battery minus. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: 63 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 83 °C [above 125 °C, typical; the sheet gives none] | Supply of the control unit low or missing: 82 % | Resistance in the ground wire: 7 % | Resistance in the signal wire: 7 % | in words: unplugged 63 °C, bridged 83 °C'
    ],
    [
      'no default of its own on a sheet that knows its sensor',
      sheetWith({ ...curlew.ect!, openReadsC: null, shortReadsC: null }),
      { unpluggedC: 12, bridgedC: 140 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug | Reads unplugged: 12 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 140 °C [above 125 °C, typical; the sheet gives none] | Signal wire to ground: 52 % | Supply of the control unit low or missing: 46 % | in words: unplugged 12 °C, bridged 140 °C'
    ],
    [
      'only the open one lacking',
      sheetWith({ ...curlew.ect!, openReadsC: null }),
      { unpluggedC: 80 },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the scan value with its pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: 80 °C [below −25 °C, typical; the sheet gives none] | Supply of the control unit low or missing: 55 % | Signal wire to ground: 43 % | in words: unplugged 80 °C'
    ],
    [
      'unplugged within 20 °C of open',
      null,
      { unpluggedC: -5, bridgedC: 140 },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −5 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 140 °C [above 125 °C, typical; the sheet gives none] | Signal wire to ground: 65 % | Supply of the control unit low or missing: 33 % | in words: unplugged −5 °C, bridged 140 °C'
    ],
    [
      'unplugged further from open',
      null,
      { unpluggedC: -4, bridgedC: 140 },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug | Reads unplugged: −4 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 140 °C [above 125 °C, typical; the sheet gives none] | Signal wire to ground: 64 % | Supply of the control unit low or missing: 34 % | in words: unplugged −4 °C, bridged 140 °C'
    ],
    [
      'bridged within 20 °C of shorted',
      null,
      { unpluggedC: -40, bridgedC: 105 },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −40 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 105 °C [above 125 °C, typical; the sheet gives none] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 105 °C'
    ],
    [
      'bridged further from shorted',
      null,
      { unpluggedC: -40, bridgedC: 104 },
      'fail (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged | Reads unplugged: −40 °C [below −25 °C, typical; the sheet gives none] | Reads bridged: 104 °C [above 125 °C, typical; the sheet gives none] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 104 °C'
    ],
    [
      'unplugged alone',
      null,
      { unpluggedC: 80 },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the scan value with its pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: 80 °C [below −25 °C, typical; the sheet gives none] | Supply of the control unit low or missing: 55 % | Signal wire to ground: 43 % | in words: unplugged 80 °C'
    ],
    [
      'bridged alone',
      null,
      { bridgedC: 80 },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads bridged: 80 °C [above 125 °C, typical; the sheet gives none] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Supply of the control unit low or missing: 7 % | in words: bridged 80 °C'
    ]
  ])('where the sheet gives no defaults: %s', (_, sheet, readings, says) =>
    expect(read(readings, sheet)).toBe(says)
  );

  it('asks for the defaults that the sheet lacks, and counts for a third until it has them', () => {
    const judged = (readings: object, sheet: SpecSheet | null) =>
      judge('ect-circuit', { ...NOTHING, ...readings }, context([], sheet));
    const unusual = judged({ unpluggedC: 80 }, null);
    expect([unusual.result, unusual.typical]).toEqual(['unclear', true]);
    expect(unusual.asks).toEqual(['ect.openReadsC', 'ect.shortReadsC']);
    expect(faults(unusual, 'for')).toEqual(['ect-wiring']);
    const lacksOne = sheetWith({ ...curlew.ect!, openReadsC: null });
    expect(judged({ unpluggedC: 80 }, lacksOne).asks).toEqual(['ect.openReadsC']);
    expect(judged({ unpluggedC: 80 }, curlew)).toMatchObject({ result: 'fail', typical: false, asks: [] });
  });
});
