import { describe, expect, it } from 'vitest';
import { context, curlew, told } from '../../../../tests/support/check-bench';
import { readWith, type InstrumentId } from '../../measure/instruments';
import { resistanceAt } from '../../physics/thermistor/curve';
import type { SpecSheet } from '../../vehicle/spec-sheet';

const curve = curlew.ect!.curve!;
const healthy = (c: number) => resistanceAt(curve, c);
const AT = [14, 40, 62, 80, 92];
type Ohm = (celsius: number) => number;
/** Ohms at the plug, as a meter shows them. */
const byOhms = (ohm: Ohm, at = AT, kind: InstrumentId = 'contact') => ({
  points: at.map((c) => ({ ...readWith(c, kind), ohm: Number(ohm(c).toPrecision(4)), volts: null }))
});
/** Volts of a divider of 5 V, its pull-up another from `warmFromC` on. */
const byVolts = (ohm: Ohm, at: readonly number[], warmOhm = 2200, warmFromC = 200) => ({
  points: at.map((c) => {
    const pullUp = c >= warmFromC ? warmOhm : 2200;
    return {
      ...readWith(c, 'contact'),
      ohm: null,
      volts: Number(((5 * ohm(c)) / (ohm(c) + pullUp)).toFixed(3))
    };
  })
});
const volts = (celsius: number, v: number) => ({ ...readWith(celsius, 'contact'), ohm: null, volts: v });
const sheetWith = (ect: object) => ({ ...curlew, ect: { ...curlew.ect!, ...ect } });

describe('what is told of a ladder', () => {
  it.each<[string, object, SpecSheet, string]>([
    [
      'on its curve at five points',
      byOhms(healthy),
      curlew,
      'pass (soundByOhms): On its curve at 5 points, within 0 °C | At 14 °C: 3610 Ω, its curve 3610 Ω: 0 °C [± 5 °C] | At 40 °C: 1310 Ω, its curve 1310 Ω: 0 °C [± 5 °C] | At 62 °C: 629 Ω, its curve 629 Ω: 0 °C [± 5 °C] | At 80 °C: 370 Ω, its curve 370 Ω: 0 °C [± 5 °C] | At 92 °C: 267 Ω, its curve 267 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 14 for 14 ± 0.8, sensor, at engine | sensor: 39.99 for 40 ± 0.8, sensor, at engine | sensor: 62 for 62 ± 0.8, sensor, at engine | sensor: 80 for 80 ± 0.8, sensor, at engine | sensor: 91.99 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 3610 Ω, 40 °C 1310 Ω, 62 °C 629 Ω, 80 °C 370 Ω, 92 °C 267 Ω'
    ],
    [
      'on its curve at two points close together',
      byOhms(healthy, [20, 24]),
      curlew,
      'unclear: On its curve here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 24 °C: 2390 Ω, its curve 2390 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 24, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | sensor: 24 for 24 ± 0.8, sensor, at engine | in words: 2 points: 20 °C 2810 Ω, 24 °C 2390 Ω'
    ],
    [
      'on its curve at one point',
      byOhms(healthy, [20]),
      curlew,
      'unclear: On its curve here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 20, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | in words: 1 point: 20 °C 2810 Ω'
    ],
    [
      '110 Ω in series',
      byOhms((c) => healthy(c) + 110),
      curlew,
      'fail (series): Series resistance about 111 Ω (92.5 Ω to 128 Ω): reads up to 12.7 °C cold, worst when hot | At 14 °C: 3720 Ω, its curve 3610 Ω: −0.7 °C [± 5 °C] | At 40 °C: 1420 Ω, its curve 1310 Ω: −2.2 °C [± 5 °C] | At 62 °C: 739 Ω, its curve 629 Ω: −5.1 °C [± 5 °C] | At 80 °C: 480 Ω, its curve 370 Ω: −9 °C [± 5 °C] | At 92 °C: 377 Ω, its curve 267 Ω: −12.7 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 13.29 for 14 ± 0.8, sensor, at engine | sensor: 37.75 for 40 ± 0.8, sensor, at engine | sensor: 56.91 for 62 ± 0.8, sensor, at engine | sensor: 70.95 for 80 ± 0.8, sensor, at engine | sensor: 79.3 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 3720 Ω, 40 °C 1420 Ω, 62 °C 739 Ω, 80 °C 480 Ω, 92 °C 377 Ω'
    ],
    [
      '110 Ω in series, hot points alone',
      byOhms((c) => healthy(c) + 110, [88, 90]),
      curlew,
      'fail (coldHere): Reads 12 °C cold here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart | At 88 °C: 407 Ω, its curve 297 Ω: −11.4 °C [± 5 °C] | At 90 °C: 391 Ω, its curve 281 Ω: −12 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 76.62 for 88 ± 0.8, sensor, at engine | sensor: 77.98 for 90 ± 0.8, sensor, at engine | in words: 2 points: 88 °C 407 Ω, 90 °C 391 Ω'
    ],
    [
      '12 Ω in series',
      byOhms((c) => healthy(c) + 12),
      curlew,
      'pass (soundByOhms): On its curve at 5 points, within 1.7 °C | At 14 °C: 3620 Ω, its curve 3610 Ω: −0.1 °C [± 5 °C] | At 40 °C: 1320 Ω, its curve 1310 Ω: −0.3 °C [± 5 °C] | At 62 °C: 641 Ω, its curve 629 Ω: −0.6 °C [± 5 °C] | At 80 °C: 382 Ω, its curve 370 Ω: −1.1 °C [± 5 °C] | At 92 °C: 279 Ω, its curve 267 Ω: −1.7 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 13.92 for 14 ± 0.8, sensor, at engine | sensor: 39.74 for 40 ± 0.8, sensor, at engine | sensor: 61.39 for 62 ± 0.8, sensor, at engine | sensor: 78.86 for 80 ± 0.8, sensor, at engine | sensor: 90.33 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 3620 Ω, 40 °C 1320 Ω, 62 °C 641 Ω, 80 °C 382 Ω, 92 °C 279 Ω'
    ],
    [
      '2.5 kΩ beside it',
      byOhms((c) => (healthy(c) * 2500) / (healthy(c) + 2500)),
      curlew,
      'fail (leak): A leak across it of about 2500 Ω (2360 Ω to 2650 Ω): reads up to 22.7 °C hot, worst when cold | At 14 °C: 1480 Ω, its curve 3610 Ω: +22.7 °C [± 5 °C] | At 40 °C: 860 Ω, its curve 1310 Ω: +12.3 °C [± 5 °C] | At 62 °C: 503 Ω, its curve 629 Ω: +7.4 °C [± 5 °C] | At 80 °C: 322 Ω, its curve 370 Ω: +5 °C [± 5 °C] | At 92 °C: 241 Ω, its curve 267 Ω: +3.9 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 36.71 for 14 ± 0.8, sensor, at engine | sensor: 52.27 for 40 ± 0.8, sensor, at engine | sensor: 69.36 for 62 ± 0.8, sensor, at engine | sensor: 84.98 for 80 ± 0.8, sensor, at engine | sensor: 95.91 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 1480 Ω, 40 °C 860 Ω, 62 °C 503 Ω, 80 °C 322 Ω, 92 °C 241 Ω'
    ],
    [
      '14 °C too cold',
      byOhms((c) => healthy(c - 14)),
      curlew,
      'fail (readsCold): Shifted by about −14 °C (−16 °C to −12 °C) all along: reads up to 14 °C cold | At 14 °C: 6740 Ω, its curve 3610 Ω: −14 °C [± 5 °C] | At 40 °C: 2210 Ω, its curve 1310 Ω: −14 °C [± 5 °C] | At 62 °C: 992 Ω, its curve 629 Ω: −14 °C [± 5 °C] | At 80 °C: 556 Ω, its curve 370 Ω: −14 °C [± 5 °C] | At 92 °C: 391 Ω, its curve 267 Ω: −14 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 0 for 14 ± 0.8, sensor, at engine | sensor: 26.01 for 40 ± 0.8, sensor, at engine | sensor: 48 for 62 ± 0.8, sensor, at engine | sensor: 66 for 80 ± 0.8, sensor, at engine | sensor: 78 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 6740 Ω, 40 °C 2210 Ω, 62 °C 992 Ω, 80 °C 556 Ω, 92 °C 391 Ω'
    ],
    [
      '14 °C too hot',
      byOhms((c) => healthy(c + 14)),
      curlew,
      'fail (readsHot): Shifted by about 14 °C (12 °C to 16 °C) all along: reads up to 14 °C hot | At 14 °C: 2050 Ω, its curve 3610 Ω: +14 °C [± 5 °C] | At 40 °C: 813 Ω, its curve 1310 Ω: +14 °C [± 5 °C] | At 62 °C: 414 Ω, its curve 629 Ω: +14 °C [± 5 °C] | At 80 °C: 253 Ω, its curve 370 Ω: +14 °C [± 5 °C] | At 92 °C: 187 Ω, its curve 267 Ω: +14 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 28 for 14 ± 0.8, sensor, at engine | sensor: 54 for 40 ± 0.8, sensor, at engine | sensor: 76 for 62 ± 0.8, sensor, at engine | sensor: 94 for 80 ± 0.8, sensor, at engine | sensor: 106 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 2050 Ω, 40 °C 813 Ω, 62 °C 414 Ω, 80 °C 253 Ω, 92 °C 187 Ω'
    ],
    [
      '14 °C too hot, one point',
      byOhms((c) => healthy(c + 14), [60]),
      curlew,
      'fail (hotHere): Reads 14 °C hot here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart | At 60 °C: 439 Ω, its curve 670 Ω: +14 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | sensor: 74 for 60 ± 0.8, sensor, at engine | in words: 1 point: 60 °C 439 Ω'
    ],
    [
      '14 °C too cold, one point',
      byOhms((c) => healthy(c - 14), [60]),
      curlew,
      'fail (coldHere): Reads 14 °C cold here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart | At 60 °C: 1060 Ω, its curve 670 Ω: −14 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | sensor: 46.01 for 60 ± 0.8, sensor, at engine | in words: 1 point: 60 °C 1060 Ω'
    ],
    [
      '3.6 °C too hot',
      byOhms((c) => healthy(c + 3.6), [10, 60, 90]),
      curlew,
      'unclear (readsHot): Shifted by about 3.6 °C (1.6 °C to 5.7 °C) all along: reads up to 3.6 °C hot; a factor on the resistance fits as well, and no further reading would tell them apart | At 10 °C: 3670 Ω, its curve 4280 Ω: +3.6 °C [± 5 °C] | At 60 °C: 599 Ω, its curve 670 Ω: +3.6 °C [± 5 °C] | At 90 °C: 256 Ω, its curve 281 Ω: +3.6 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 13.6 for 10 ± 0.8, sensor, at engine | sensor: 63.6 for 60 ± 0.8, sensor, at engine | sensor: 93.6 for 90 ± 0.8, sensor, at engine | in words: 3 points: 10 °C 3670 Ω, 60 °C 599 Ω, 90 °C 256 Ω'
    ],
    [
      'of another curve',
      byOhms((c) => resistanceAt({ kind: 'beta', r25Ohm: 5000, betaK: 3500 }, c)),
      curlew,
      'fail (otherCurveByOhms): A healthy sensor of another family, 5.0 kΩ at 25 °C, β 3500: reads up to 27.4 °C cold; to tell it from a factor on the resistance, read at 105 °C: 417 Ω if it is another curve, 384 Ω if not | At 14 °C: 7840 Ω, its curve 3610 Ω: −17.2 °C [± 5 °C] | At 40 °C: 2850 Ω, its curve 1310 Ω: −20.3 °C [± 5 °C] | At 62 °C: 1370 Ω, its curve 629 Ω: −23.2 °C [± 5 °C] | At 80 °C: 804 Ω, its curve 370 Ω: −25.7 °C [± 5 °C] | At 92 °C: 580 Ω, its curve 267 Ω: −27.4 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: -3.2 for 14 ± 0.8, sensor, at engine | sensor: 19.66 for 40 ± 0.8, sensor, at engine | sensor: 38.81 for 62 ± 0.8, sensor, at engine | sensor: 54.34 for 80 ± 0.8, sensor, at engine | sensor: 64.64 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 7840 Ω, 40 °C 2850 Ω, 62 °C 1370 Ω, 80 °C 804 Ω, 92 °C 580 Ω'
    ],
    [
      'of another curve, hot points alone',
      byOhms((c) => resistanceAt({ kind: 'beta', r25Ohm: 5000, betaK: 3500 }, c), [80, 90]),
      curlew,
      'fail (coldHere): Reads 27.1 °C cold here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart | At 80 °C: 804 Ω, its curve 370 Ω: −25.7 °C [± 5 °C] | At 90 °C: 612 Ω, its curve 281 Ω: −27.1 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 54.34 for 80 ± 0.8, sensor, at engine | sensor: 62.92 for 90 ± 0.8, sensor, at engine | in words: 2 points: 80 °C 804 Ω, 90 °C 612 Ω'
    ],
    [
      'by infrared',
      byOhms(healthy, [20, 50, 90], 'infrared'),
      curlew,
      'pass (soundByOhms): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 928 Ω, its curve 927 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20 for 20 ± 1.3, sensor, at engine | sensor: 50 for 50 ± 1.3, sensor, at engine | sensor: 90 for 90 ± 1.3, sensor, at engine | in words: 3 points: 20 °C 2810 Ω, 50 °C 928 Ω, 90 °C 281 Ω'
    ],
    [
      'by infrared on bright metal, 60 Ω in series',
      byOhms((c) => healthy(c) + 60, [20, 50, 90], 'infrared-bright'),
      curlew,
      'unclear: Off its curve by up to 7.1 °C, but within what the thermometer may be off | At 20 °C: 2870 Ω, its curve 2810 Ω: −0.5 °C [± 5 °C] | At 50 °C: 988 Ω, its curve 927 Ω: −1.9 °C [± 5 °C] | At 90 °C: 341 Ω, its curve 281 Ω: −7.1 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 19.48 for 20 ± 4.1, sensor, at engine | sensor: 48.14 for 50 ± 4.1, sensor, at engine | sensor: 82.86 for 90 ± 4.1, sensor, at engine | in words: 3 points: 20 °C 2870 Ω, 50 °C 988 Ω, 90 °C 341 Ω'
    ],
    [
      'by volts',
      byVolts(healthy, [20, 50, 90]),
      curlew,
      'pass (sound): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 928 Ω, its curve 927 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 49.99 for 50 ± 0.8, both, at engine | sensor: 89.99 for 90 ± 0.8, both, at engine | in words: 3 points: 20 °C 2.8 V, 50 °C 1.48 V, 90 °C 0.567 V'
    ],
    [
      'by volts, 110 Ω in series',
      byVolts((c) => healthy(c) + 110, [20, 50, 90]),
      curlew,
      'fail (series): Series resistance about 111 Ω (90 Ω to 130 Ω): reads up to 12 °C cold, worst when hot | At 20 °C: 2920 Ω, its curve 2810 Ω: −0.9 °C [± 5 °C] | At 50 °C: 1040 Ω, its curve 927 Ω: −3.3 °C [± 5 °C] | At 90 °C: 391 Ω, its curve 281 Ω: −12 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 19.05 for 20 ± 0.8, both, at engine | sensor: 46.7 for 50 ± 0.8, both, at engine | sensor: 77.98 for 90 ± 0.8, both, at engine | in words: 3 points: 20 °C 2.85 V, 50 °C 1.6 V, 90 °C 0.755 V'
    ],
    [
      'by volts, two of them at the ends of the supply',
      { points: [...byVolts(healthy, [20, 50]).points, volts(90, 0), volts(90, 5)] },
      curlew,
      'unclear: On its curve here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 928 Ω, its curve 927 Ω: 0 °C [± 5 °C] | but: The volts of 2 points cannot be judged: the sheet lacks the reference, the pull-up or where it switches, or they lie outside the reference. Ohms can be | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 49.99 for 50 ± 0.8, both, at engine | in words: 4 points: 20 °C 2.8 V, 50 °C 1.48 V, 90 °C 0 V, 90 °C 5 V'
    ],
    [
      'refused',
      { points: [...byVolts(healthy, [20]).points, volts(150, 5.1), volts(90, 5.2)] },
      curlew,
      'unclear: On its curve here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | but: The volts of 2 points cannot be judged: the sheet lacks the reference, the pull-up or where it switches, or they lie outside the reference. Ohms can be | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | refused: 150 °C is hotter than this sealed system can hold: with its cap the strongest mixture boils at 141 °C | refused: 5.2 V is above the reference of 5 V | in words: 3 points: 20 °C 2.8 V, 150 °C 5.1 V, 90 °C 5.2 V'
    ],
    [
      'by volts and ohms',
      { points: [...byVolts(healthy, [20, 50]).points, ...byOhms(healthy, [90]).points] },
      curlew,
      'pass (sound): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 928 Ω, its curve 927 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 49.99 for 50 ± 0.8, both, at engine | sensor: 90 for 90 ± 0.8, sensor, at engine | in words: 3 points: 20 °C 2.8 V, 50 °C 1.48 V, 90 °C 281 Ω'
    ],
    [
      'by volts without a pull-up on the sheet',
      byVolts(healthy, [20, 50, 90]),
      sheetWith({ pullUpOhm: null }),
      'unclear: Volts say nothing without reference, pull-up and where it switches in the sheet: measure ohms | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: 3 points: 20 °C 2.8 V, 50 °C 1.48 V, 90 °C 0.567 V'
    ],
    [
      'by ohms without a pull-up on the sheet',
      byOhms(healthy, [20, 90]),
      sheetWith({ pullUpOhm: null }),
      'unclear: On its curve here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | sensor: 90 for 90 ± 0.8, sensor, at engine | in words: 2 points: 20 °C 2810 Ω, 90 °C 281 Ω'
    ],
    [
      'by volts without a reference, and ohms',
      { points: [...byVolts(healthy, [20]).points, ...byOhms(healthy, [90]).points] },
      sheetWith({ referenceV: null }),
      'unclear: On its curve here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | but: The volts of 1 point cannot be judged: the sheet lacks the reference, the pull-up or where it switches, or they lie outside the reference. Ohms can be | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 90 for 90 ± 0.8, sensor, at engine | in words: 2 points: 20 °C 2.8 V, 90 °C 281 Ω'
    ],
    [
      'by volts without a curve',
      byVolts(healthy, [20, 50, 90]),
      sheetWith({ curve: null }),
      'unclear: The sheet has no sensor curve, and volts alone cannot find one | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: 3 points: 20 °C 2.8 V, 50 °C 1.48 V, 90 °C 0.567 V'
    ],
    [
      'by ohms without a curve',
      byOhms(healthy, [20, 50, 90]),
      sheetWith({ curve: null }),
      'unclear: The sheet has no sensor curve. Nearest family: 2.3 kΩ at 25 °C, β 3500, within 0 °C; the next is off by 1.5 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: 3 points: 20 °C 2810 Ω, 50 °C 928 Ω, 90 °C 281 Ω'
    ],
    [
      'by both without a curve',
      { points: [...byVolts(healthy, [20]).points, ...byOhms(healthy, [90]).points] },
      sheetWith({ curve: null }),
      'unclear: The sheet has no sensor curve. Nearest family: 2.3 kΩ at 25 °C, β 3500, within 0 °C; the next is off by 0.2 °C | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: 2 points: 20 °C 2.8 V, 90 °C 281 Ω'
    ],
    [
      'by volts, the pull-up switched at 45 °C',
      byVolts(healthy, [20, 50, 90], 407.41, 45),
      sheetWith({ switchedPullUp: { pullUpOhm: 500, toWarmC: 45, toColdC: null } }),
      'pass (sound): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 927 Ω, its curve 927 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 50 for 50 ± 0.8, both, at engine | sensor: 90.01 for 90 ± 0.8, both, at engine | in words: 3 points: 20 °C 2.8 V, 50 °C 3.47 V, 90 °C 2.04 V'
    ],
    [
      'by volts, between the two switching points',
      byVolts(healthy, [20, 42, 90], 407.41, 44),
      sheetWith({ switchedPullUp: { pullUpOhm: 500, toWarmC: 45, toColdC: 41 } }),
      'pass (sound): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 42 °C: 1220 Ω, its curve 1220 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 41.99 for 42 ± 0.8, both, at engine | sensor: 90.01 for 90 ± 0.8, both, at engine | in words: 3 points: 20 °C 2.8 V, 42 °C 1.78 V, 90 °C 2.04 V'
    ],
    [
      'by volts, where it switches not known',
      byVolts(healthy, [20, 42, 90], 407.41, 41),
      sheetWith({ switchedPullUp: { pullUpOhm: 500, toWarmC: null, toColdC: null } }),
      'unclear: Volts say nothing without reference, pull-up and where it switches in the sheet: measure ohms | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | in words: 3 points: 20 °C 2.8 V, 42 °C 3.75 V, 90 °C 2.04 V'
    ],
    [
      'by volts and ohms, where it switches not known',
      { points: [...byVolts(healthy, [20, 50], 407.41, 41).points, ...byOhms(healthy, [20, 50, 90]).points] },
      sheetWith({ switchedPullUp: { pullUpOhm: 500, toWarmC: null, toColdC: null } }),
      'pass (soundByOhms): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 50 °C: 928 Ω, its curve 927 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | but: The volts of 2 points cannot be judged: the sheet lacks the reference, the pull-up or where it switches, or they lie outside the reference. Ohms can be | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | sensor: 50 for 50 ± 0.8, sensor, at engine | sensor: 90 for 90 ± 0.8, sensor, at engine | in words: 5 points: 20 °C 2.8 V, 50 °C 3.47 V, 20 °C 2810 Ω, 50 °C 928 Ω, 90 °C 281 Ω'
    ],
    [
      'by volts, the second pull-up still in',
      byVolts(healthy, [20, 40.5, 90], 407.41, 40.5),
      sheetWith({ switchedPullUp: { pullUpOhm: 500, toWarmC: 45, toColdC: null } }),
      'pass (sound): On its curve at 3 points, within 0 °C | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 40.5 °C: 1290 Ω, its curve 1290 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 90, air null | sensor: 20.01 for 20 ± 0.8, both, at engine | sensor: 40.51 for 40.5 ± 0.8, both, at engine | sensor: 90.01 for 90 ± 0.8, both, at engine | in words: 3 points: 20 °C 2.8 V, 40.5 °C 3.8 V, 90 °C 2.04 V'
    ],
    [
      '110 Ω in series, cold points alone',
      byOhms((c) => healthy(c) + 110, [12, 25, 38]),
      curlew,
      'unclear: On its curve so far; to tell it from a resistance in series, read at 105 °C: 192 Ω if it is a healthy sensor, 306 Ω if not | At 12 °C: 4040 Ω, its curve 3930 Ω: −0.6 °C [± 5 °C] | At 25 °C: 2410 Ω, its curve 2300 Ω: −1.2 °C [± 5 °C] | At 38 °C: 1520 Ω, its curve 1410 Ω: −2.1 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 38, air null | sensor: 11.36 for 12 ± 0.8, sensor, at engine | sensor: 23.82 for 25 ± 0.8, sensor, at engine | sensor: 35.94 for 38 ± 0.8, sensor, at engine | in words: 3 points: 12 °C 4040 Ω, 25 °C 2410 Ω, 38 °C 1520 Ω'
    ],
    [
      '20 Ω in series',
      byOhms((c) => healthy(c) + 20),
      curlew,
      'pass (near): Series resistance about 20.7 Ω (3.33 Ω to 37.1 Ω): reads up to 2.7 °C cold, worst when hot: within 3 °C, which changes nothing | At 14 °C: 3630 Ω, its curve 3610 Ω: −0.1 °C [± 5 °C] | At 40 °C: 1330 Ω, its curve 1310 Ω: −0.4 °C [± 5 °C] | At 62 °C: 649 Ω, its curve 629 Ω: −1 °C [± 5 °C] | At 80 °C: 390 Ω, its curve 370 Ω: −1.9 °C [± 5 °C] | At 92 °C: 287 Ω, its curve 267 Ω: −2.7 °C [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 13.87 for 14 ± 0.8, sensor, at engine | sensor: 39.57 for 40 ± 0.8, sensor, at engine | sensor: 61 for 62 ± 0.8, sensor, at engine | sensor: 78.13 for 80 ± 0.8, sensor, at engine | sensor: 89.26 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 3630 Ω, 40 °C 1330 Ω, 62 °C 649 Ω, 80 °C 390 Ω, 92 °C 287 Ω'
    ],
    [
      'open',
      byOhms((c) => 0 * c + 10e6),
      curlew,
      'fail (open): Open: no current at any temperature | At 14 °C: 10 MΩ, its curve 3610 Ω: as open [± 5 °C] | At 40 °C: 10 MΩ, its curve 1310 Ω: as open [± 5 °C] | At 62 °C: 10 MΩ, its curve 629 Ω: as open [± 5 °C] | At 80 °C: 10 MΩ, its curve 370 Ω: as open [± 5 °C] | At 92 °C: 10 MΩ, its curve 267 Ω: as open [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: -99.16 for 14 ± 0.8, sensor, at engine | sensor: -99.16 for 40 ± 0.8, sensor, at engine | sensor: -99.16 for 62 ± 0.8, sensor, at engine | sensor: -99.16 for 80 ± 0.8, sensor, at engine | sensor: -99.16 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 10 MΩ, 40 °C 10 MΩ, 62 °C 10 MΩ, 80 °C 10 MΩ, 92 °C 10 MΩ'
    ],
    [
      'shorted',
      byOhms((c) => 0 * c + 0.4),
      curlew,
      'fail (short): Shorted: next to no resistance at any temperature | At 14 °C: 0.4 Ω, its curve 3610 Ω: as shorted [± 5 °C] | At 40 °C: 0.4 Ω, its curve 1310 Ω: as shorted [± 5 °C] | At 62 °C: 0.4 Ω, its curve 629 Ω: as shorted [± 5 °C] | At 80 °C: 0.4 Ω, its curve 370 Ω: as shorted [± 5 °C] | At 92 °C: 0.4 Ω, its curve 267 Ω: as shorted [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 92, air null | sensor: 862.44 for 14 ± 0.8, sensor, at engine | sensor: 862.44 for 40 ± 0.8, sensor, at engine | sensor: 862.44 for 62 ± 0.8, sensor, at engine | sensor: 862.44 for 80 ± 0.8, sensor, at engine | sensor: 862.44 for 92 ± 0.8, sensor, at engine | in words: 5 points: 14 °C 0.4 Ω, 40 °C 0.4 Ω, 62 °C 0.4 Ω, 80 °C 0.4 Ω, 92 °C 0.4 Ω'
    ],
    [
      'one reading open among three on its curve',
      { points: [...byOhms(healthy, [20, 90]).points, ...byOhms(() => 10e6, [60]).points] },
      curlew,
      'unclear: On its curve here. Two readings cannot tell one kind of error from another: take at least three, 40 °C apart. It reads at 60 °C as open: measure there again. If it comes back, a contact comes and goes | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 90 °C: 281 Ω, its curve 281 Ω: 0 °C [± 5 °C] | At 60 °C: 10 MΩ, its curve 670 Ω: as open [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | sensor: 90 for 90 ± 0.8, sensor, at engine | sensor: -99.16 for 60 ± 0.8, sensor, at engine | in words: 3 points: 20 °C 2810 Ω, 90 °C 281 Ω, 60 °C 10 MΩ'
    ],
    [
      'one reading shorted among four with 110 Ω in series',
      { points: [...byOhms((c) => healthy(c) + 110).points, ...byOhms(() => 0.4, [70]).points] },
      curlew,
      'fail (series): Series resistance about 111 Ω (92.5 Ω to 128 Ω): reads up to 12.7 °C cold, worst when hot. It reads at 70 °C as shorted: measure there again. If it comes back, a contact comes and goes | At 14 °C: 3720 Ω, its curve 3610 Ω: −0.7 °C [± 5 °C] | At 40 °C: 1420 Ω, its curve 1310 Ω: −2.2 °C [± 5 °C] | At 62 °C: 739 Ω, its curve 629 Ω: −5.1 °C [± 5 °C] | At 80 °C: 480 Ω, its curve 370 Ω: −9 °C [± 5 °C] | At 92 °C: 377 Ω, its curve 267 Ω: −12.7 °C [± 5 °C] | At 70 °C: 0.4 Ω, its curve 493 Ω: as shorted [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 70, air null | sensor: 13.29 for 14 ± 0.8, sensor, at engine | sensor: 37.75 for 40 ± 0.8, sensor, at engine | sensor: 56.91 for 62 ± 0.8, sensor, at engine | sensor: 70.95 for 80 ± 0.8, sensor, at engine | sensor: 79.3 for 92 ± 0.8, sensor, at engine | sensor: 862.44 for 70 ± 0.8, sensor, at engine | in words: 6 points: 14 °C 3720 Ω, 40 °C 1420 Ω, 62 °C 739 Ω, 80 °C 480 Ω, 92 °C 377 Ω, 70 °C 0.4 Ω'
    ],
    [
      'half of its readings open',
      { points: [...byOhms(healthy, [20]).points, ...byOhms(() => 10e6, [60]).points] },
      curlew,
      'unclear: On its curve here. One reading cannot tell one kind of error from another: take at least three, 40 °C apart. It reads at 60 °C as open: measure there again. If it comes back, a contact comes and goes | At 20 °C: 2810 Ω, its curve 2810 Ω: 0 °C [± 5 °C] | At 60 °C: 10 MΩ, its curve 670 Ω: as open [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | sensor: 20 for 20 ± 0.8, sensor, at engine | sensor: -99.16 for 60 ± 0.8, sensor, at engine | in words: 2 points: 20 °C 2810 Ω, 60 °C 10 MΩ'
    ],
    [
      'open and shorted in turn',
      { points: [...byOhms(() => 10e6, [20]).points, ...byOhms(() => 0.4, [60]).points] },
      curlew,
      'unclear: It reads as open and as shorted in turn: see to the meter’s tips, and measure again | At 20 °C: 10 MΩ, its curve 2810 Ω: as open [± 5 °C] | At 60 °C: 0.4 Ω, its curve 670 Ω: as shorted [± 5 °C] | heat: measured 2026-11-25T08:00:00.000Z, coolant 60, air null | sensor: -99.16 for 20 ± 0.8, sensor, at engine | sensor: 862.44 for 60 ± 0.8, sensor, at engine | in words: 2 points: 20 °C 10 MΩ, 60 °C 0.4 Ω'
    ]
  ])('%s', (_, readings, sheet, says) => expect(told('ect-ladder', readings, context([], sheet))).toBe(says));
});
