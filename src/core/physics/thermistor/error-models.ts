import { resistanceAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';

/** One point of a ladder: an independent temperature and what was measured, as resistance. */
export interface LadderPoint {
  readonly trueC: number;
  /** Standard deviation of this thermometer reading alone, °C. */
  readonly trueSdC: number;
  readonly ohm: number;
  /** Relative standard deviation of the resistance by its instrument. */
  readonly ohmSd: number;
  /** It was read on a surface, which is colder than what is in it. */
  readonly onSurface?: boolean;
}

export interface LadderSetting {
  /** The curve the control unit believes in. */
  readonly curve: Curve;
  /** Healthy sensors of this curve and the thermometer’s own error may shift all points alike, sd in °C. */
  readonly commonSdC: number;
  /** The air that surfaces lose their heat to, °C. */
  readonly airC: number;
  /** Other curves that could have been fitted by mistake. */
  readonly others: readonly { readonly id: string; readonly title: string; readonly curve: Curve }[];
  /** The points are volts at the control unit, so its reference may be off too. */
  readonly byVolts: { readonly referenceV: number; readonly pullUpOhm: number } | null;
}

export type ErrorId =
  'healthy' | 'shift' | 'factor' | 'series' | 'parallel' | 'other-curve' | 'reference' | 'open' | 'short';

/**
 * One way a sensor circuit can be wrong: what it makes of the true resistance, over one unknown. A sensor that has
 * drifted to twice its resistance is not one that drifted: it is another sensor.
 */
export interface ErrorModel {
  readonly id: ErrorId;
  readonly unit: string;
  /** Range of the unknown, searched whole; `log` where it runs over decades. */
  readonly from: number;
  readonly to: number;
  readonly log: boolean;
  /** Resistance that is measured at a true temperature. */
  readonly ohm: (setting: LadderSetting, celsius: number, x: number) => number;
}

export const MODELS: readonly ErrorModel[] = [
  {
    id: 'shift',
    unit: '°C',
    from: -35,
    to: 35,
    log: false,
    ohm: ({ curve }, c, x) => resistanceAt(curve, Math.max(-90, c + x))
  },
  {
    id: 'factor',
    unit: '×',
    from: 0.5,
    to: 2,
    log: true,
    ohm: ({ curve }, c, x) => resistanceAt(curve, c) * x
  },
  {
    id: 'series',
    unit: 'Ω',
    from: 0.5,
    to: 50_000,
    log: true,
    ohm: ({ curve }, c, x) => resistanceAt(curve, c) + x
  },
  {
    id: 'parallel',
    unit: 'Ω',
    from: 20,
    to: 500_000,
    log: true,
    ohm: ({ curve }, c, x) => {
      const r = resistanceAt(curve, c);
      return (r * x) / (r + x);
    }
  },
  {
    id: 'reference',
    unit: 'V',
    from: 1,
    to: 12,
    log: false,
    ohm: ({ curve, byVolts }, c, x) => {
      const { referenceV, pullUpOhm } = byVolts!;
      const r = resistanceAt(curve, c);
      const volts = Math.min(referenceV * 0.9999, (x * r) / (r + pullUpOhm));
      return (pullUpOhm * volts) / (referenceV - volts);
    }
  }
];
