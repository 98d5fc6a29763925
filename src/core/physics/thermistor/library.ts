import { temperatureAt } from './curve';
import type { Curve } from '../../vehicle/sensor-curve';
import type { CurvePoint } from './fit';

export interface LibraryCurve {
  readonly id: string;
  readonly title: string;
  readonly curve: Curve;
}

const beta = (id: string, title: string, r25Ohm: number, betaK: number): LibraryCurve => ({
  id,
  title,
  curve: { kind: 'beta', r25Ohm, betaK }
});

/**
 * Families of our own across the values that coolant sensors are usually made in. They are round numbers, not any
 * maker’s: a vehicle’s own curve stands in its sheet, and a shop adds those it meets.
 */
export const LIBRARY: readonly LibraryCurve[] = [
  beta('ntc-1k0-3400', '1.0 kΩ at 25 °C, β 3400', 1000, 3400),
  beta('ntc-1k5-3450', '1.5 kΩ at 25 °C, β 3450', 1500, 3450),
  beta('ntc-2k0-3500', '2.0 kΩ at 25 °C, β 3500', 2000, 3500),
  beta('ntc-2k3-3500', '2.3 kΩ at 25 °C, β 3500', 2300, 3500),
  beta('ntc-2k5-3650', '2.5 kΩ at 25 °C, β 3650', 2500, 3650),
  beta('ntc-2k8-3900', '2.8 kΩ at 25 °C, β 3900', 2800, 3900),
  beta('ntc-3k3-3600', '3.3 kΩ at 25 °C, β 3600', 3300, 3600),
  beta('ntc-4k7-3950', '4.7 kΩ at 25 °C, β 3950', 4700, 3950),
  beta('ntc-5k0-3500', '5.0 kΩ at 25 °C, β 3500', 5000, 3500),
  beta('ntc-10k-3435', '10 kΩ at 25 °C, β 3435', 10_000, 3435),
  beta('ntc-10k-3950', '10 kΩ at 25 °C, β 3950', 10_000, 3950),
  beta('ntc-47k-4000', '47 kΩ at 25 °C, β 4000', 47_000, 4000),
  {
    id: 'sender-gauge-700',
    title: 'Gauge sender, 700 Ω cold to 20 Ω hot',
    curve: {
      kind: 'table',
      points: [
        [20, 700],
        [40, 320],
        [60, 155],
        [80, 82],
        [100, 45],
        [120, 27],
        [130, 20]
      ]
    }
  },
  {
    id: 'sender-gauge-250',
    title: 'Gauge sender, 250 Ω cold to 15 Ω hot',
    curve: {
      kind: 'table',
      points: [
        [20, 250],
        [40, 134],
        [60, 74],
        [80, 43],
        [100, 26],
        [120, 17],
        [130, 15]
      ]
    }
  }
];

/** Our families, with the curves a shop keeps itself before them. */
export function curvesWith(own: readonly LibraryCurve[]): readonly LibraryCurve[] {
  if (own.length === 0) return LIBRARY;
  const had = joined.get(own) ?? own.concat(LIBRARY);
  joined.set(own, had);
  return had;
}
const joined = new WeakMap<readonly LibraryCurve[], readonly LibraryCurve[]>();

export const libraryCurve = (id: string): LibraryCurve | undefined => LIBRARY.find((c) => c.id === id);

/** What fits readings best among curves, with the margin to the next: root mean square in °C. */
export interface Match {
  readonly id: string;
  readonly title: string;
  readonly residualC: number;
}

/** Curves by how well readings lie on them, the best first. Needs a point at least. */
export const matches = (curves: readonly LibraryCurve[], points: readonly CurvePoint[]): readonly Match[] =>
  curves
    .map(({ id, title, curve }) => ({
      id,
      title,
      residualC: Math.sqrt(
        points.reduce((sum, [celsius, ohm]) => sum + (temperatureAt(curve, ohm) - celsius) ** 2, 0) /
          points.length
      )
    }))
    .sort((a, b) => a.residualC - b.residualC);
