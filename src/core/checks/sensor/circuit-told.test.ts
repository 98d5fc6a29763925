import { describe, expect, it } from 'vitest';
import { context, curlew, told } from '../../../../tests/support/check-bench';
import type { SpecSheet } from '../../vehicle/spec-sheet';

const noSheet = null;

describe('what is told of the sensor’s circuit', () => {
  it.each([
    [
      { unpluggedC: -40, bridgedC: 140, openV: 5.02, signalV: null, groundV: 0.01 },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −40 °C [below −32 °C] | Reads bridged: 140 °C [above 132 °C] | Open plug: 5.020 V [5.000 V ± 6 %] | Ground drop: 0.010 V [0.050 V] | in words: unplugged −40 °C, bridged 140 °C, open plug 5.020 V, ground 0.010 V'
    ],
    [
      { unpluggedC: -34, bridgedC: 140, openV: null, signalV: null, groundV: null },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −34 °C [below −32 °C] | Reads bridged: 140 °C [above 132 °C] | in words: unplugged −34 °C, bridged 140 °C'
    ],
    [
      { unpluggedC: -32, bridgedC: 132, openV: null, signalV: null, groundV: null },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −32 °C [below −32 °C] | Reads bridged: 132 °C [above 132 °C] | in words: unplugged −32 °C, bridged 132 °C'
    ],
    [
      { unpluggedC: -31, bridgedC: 131, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged | Reads unplugged: −31 °C [below −32 °C] | Reads bridged: 131 °C [above 132 °C] | Loom and control unit sound: 72 % | Resistance in the signal wire: 10 % | Resistance in the ground wire: 10 % | Signal wire on battery plus: 6 % | in words: unplugged −31 °C, bridged 131 °C'
    ],
    [
      { unpluggedC: 12, bridgedC: 140, openV: 3.9, signalV: 3.8, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; the open plug has 3.900 V and not its reference | Reads unplugged: 12 °C [below −32 °C] | Reads bridged: 140 °C [above 132 °C] | Open plug: 3.900 V [5.000 V ± 6 %] | Signal pin: 3.800 V | Supply of the control unit low or missing: 71 % | Signal wire to ground: 29 % | in words: unplugged 12 °C, bridged 140 °C, open plug 3.900 V, signal pin 3.800 V'
    ],
    [
      { unpluggedC: null, bridgedC: 60, openV: null, signalV: null, groundV: 0.31 },
      'fail (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists; the ground lies above battery minus. Measure next: the volts from the signal pin of the open plug to battery minus | Reads bridged: 60 °C [above 132 °C] | Ground drop: 0.310 V [0.050 V] | Resistance in the ground wire: 61 % | Resistance in the signal wire: 35 % | in words: bridged 60 °C, ground 0.310 V'
    ],
    [
      { unpluggedC: -40, bridgedC: null, openV: 5.3, signalV: 5.3, groundV: 0.05 },
      'fail (notReached): Wiring or control unit: the open plug has 5.300 V and not its reference. Measure next: the scan value with its pins bridged | Reads unplugged: −40 °C [below −32 °C] | Open plug: 5.300 V [5.000 V ± 6 %] | Signal pin: 5.300 V | Ground drop: 0.050 V [0.050 V] | Loom and control unit sound: 56 % | Resistance in the ground wire: 16 % | Resistance in the signal wire: 14 % | Signal wire on battery plus: 9 % | Signal wire open: 5 % | in words: unplugged −40 °C, open plug 5.300 V, signal pin 5.300 V, ground 0.050 V'
    ],
    [
      { unpluggedC: null, bridgedC: 140, openV: 5.31, signalV: null, groundV: -0.06 },
      'fail (notReached): Wiring or control unit: the open plug has 5.310 V and not its reference; the ground lies above battery minus. Measure next: the volts from the signal pin of the open plug to battery minus | Reads bridged: 140 °C [above 132 °C] | Open plug: 5.310 V [5.000 V ± 6 %] | Ground drop: −0.060 V [0.050 V] | Loom and control unit sound: 72 % | Signal wire to ground: 14 % | Signal wire on battery plus: 5 % | in words: bridged 140 °C, open plug 5.310 V, ground −0.060 V'
    ],
    [
      { unpluggedC: null, bridgedC: null, openV: 4.9, signalV: null, groundV: null },
      'unclear: Unplugged has not been read: one extreme alone clears one wire | Open plug: 4.900 V [5.000 V ± 6 %] | Loom and control unit sound: 62 % | Resistance in the signal wire: 19 % | Resistance in the ground wire: 19 % | in words: open plug 4.900 V'
    ],
    [
      { unpluggedC: null, bridgedC: null, openV: null, signalV: 4.98, groundV: null },
      'unclear: Unplugged has not been read: one extreme alone clears one wire | Signal pin: 4.980 V | Loom and control unit sound: 55 % | Resistance in the signal wire: 17 % | Resistance in the ground wire: 17 % | Ground wire open: 11 % | in words: signal pin 4.980 V'
    ],
    [
      { unpluggedC: null, bridgedC: null, openV: null, signalV: null, groundV: null, otherUnit: 'jumps' },
      'fail (otherUnit): Another control unit pulls at its line: unplugged, the reading jumps to where it belongs | in words: other unit unplugged: jumps'
    ],
    [
      { unpluggedC: -40, bridgedC: null, openV: null, signalV: null, groundV: null, otherUnit: 'stays' },
      'unclear: Bridged has not been read: one extreme alone clears one wire | Reads unplugged: −40 °C [below −32 °C] | Loom and control unit sound: 47 % | Resistance in the signal wire: 14 % | Resistance in the ground wire: 14 % | Signal wire open: 12 % | Ground wire open: 9 % | in words: unplugged −40 °C, other unit unplugged: stays'
    ]
  ])('against what the sheet gives: %j', (readings, says) =>
    expect(told('ect-circuit', readings, context([], curlew))).toBe(says)
  );

  // A unit may show a value of its own where its circuit is open: without the sheet that is unusual, and no more. One
  // that shows one extreme as it is, or does not hear its plug at all, does not.
  it.each<[SpecSheet | null, object, string]>([
    [
      noSheet,
      { unpluggedC: -30, bridgedC: 125, openV: 3, signalV: null, groundV: null },
      'pass (sound): Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing | Reads unplugged: −30 °C [below −30 °C] | Reads bridged: 125 °C [above 125 °C] | Open plug: 3.000 V | in words: unplugged −30 °C, bridged 125 °C, open plug 3.000 V'
    ],
    [
      noSheet,
      { unpluggedC: 80, bridgedC: 125, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts from the signal pin of the open plug to battery minus | Reads unplugged: 80 °C [below −30 °C] | Reads bridged: 125 °C [above 125 °C] | Signal wire to ground: 85 % | in words: unplugged 80 °C, bridged 125 °C'
    ],
    [
      { ...curlew, ect: null },
      { unpluggedC: -40, bridgedC: 124, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −40 °C [below −30 °C] | Reads bridged: 124 °C [above 125 °C] | Resistance in the ground wire: 39 % | Resistance in the signal wire: 39 % | Loom and control unit sound: 13 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 124 °C'
    ],
    [
      noSheet,
      { unpluggedC: 64, bridgedC: 83, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the signal pin of the open plug to battery minus | Reads unplugged: 64 °C [below −30 °C] | Reads bridged: 83 °C [above 125 °C] | Supply of the control unit low or missing: 76 % | Resistance in the ground wire: 9 % | Resistance in the signal wire: 9 % | Signal wire to ground: 5 % | in words: unplugged 64 °C, bridged 83 °C'
    ],
    [
      noSheet,
      { unpluggedC: 63, bridgedC: 83, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom; bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the signal pin of the open plug to battery minus. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: 63 °C [below −30 °C] | Reads bridged: 83 °C [above 125 °C] | Supply of the control unit low or missing: 82 % | Resistance in the ground wire: 7 % | Resistance in the signal wire: 7 % | in words: unplugged 63 °C, bridged 83 °C'
    ],
    [
      { ...curlew, ect: { ...curlew.ect!, openReadsC: null, shortReadsC: null } },
      { unpluggedC: 12, bridgedC: 140, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug | Reads unplugged: 12 °C [below −30 °C] | Reads bridged: 140 °C [above 125 °C] | Signal wire to ground: 52 % | Supply of the control unit low or missing: 46 % | in words: unplugged 12 °C, bridged 140 °C'
    ],
    [
      noSheet,
      { unpluggedC: -10, bridgedC: 140, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −10 °C [below −30 °C] | Reads bridged: 140 °C [above 125 °C] | Signal wire to ground: 68 % | Supply of the control unit low or missing: 31 % | in words: unplugged −10 °C, bridged 140 °C'
    ],
    [
      noSheet,
      { unpluggedC: -9, bridgedC: 140, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the volts across the open plug | Reads unplugged: −9 °C [below −30 °C] | Reads bridged: 140 °C [above 125 °C] | Signal wire to ground: 68 % | Supply of the control unit low or missing: 31 % | in words: unplugged −9 °C, bridged 140 °C'
    ],
    [
      noSheet,
      { unpluggedC: -40, bridgedC: 105, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: −40 °C [below −30 °C] | Reads bridged: 105 °C [above 125 °C] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 105 °C'
    ],
    [
      noSheet,
      { unpluggedC: -40, bridgedC: 104, openV: null, signalV: null, groundV: null },
      'fail (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged | Reads unplugged: −40 °C [below −30 °C] | Reads bridged: 104 °C [above 125 °C] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Signal wire on battery plus: 8 % | in words: unplugged −40 °C, bridged 104 °C'
    ],
    [
      noSheet,
      { unpluggedC: 80, bridgedC: null, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: unplugged it does not read open: something else draws current, a leak or a short to ground in the loom. Measure next: the scan value with its pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads unplugged: 80 °C [below −30 °C] | Supply of the control unit low or missing: 55 % | Signal wire to ground: 43 % | in words: unplugged 80 °C'
    ],
    [
      noSheet,
      { unpluggedC: null, bridgedC: 80, openV: null, signalV: null, groundV: null },
      'unclear (notReached): Wiring or control unit: bridged it does not read shorted: a wire, a pin or the ground is open or resists. Measure next: the volts from the ground pin to battery minus, pins bridged. Unusual for such an engine, and no more: the sheet’s readings of an open and a shorted circuit would decide | Reads bridged: 80 °C [above 125 °C] | Resistance in the ground wire: 46 % | Resistance in the signal wire: 46 % | Supply of the control unit low or missing: 7 % | in words: bridged 80 °C'
    ]
  ])('where the sheet gives no defaults: %j, %j', (sheet, readings, says) =>
    expect(told('ect-circuit', readings, context([], sheet))).toBe(says)
  );
});
