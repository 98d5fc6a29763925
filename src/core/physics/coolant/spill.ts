/** What runs out of a hole of the coolant sensor while one is changed for another, by Torricelli's law. */

/** Bore of the usual thread of a coolant sensor, mm. Ours. */
const BORE_MM = 10;
/** A sharp-edged hole lets through this share of what the law says (any textbook of hydraulics). */
const DISCHARGE = 0.62;
/** With the cap shut air must come in by the same hole: about a third of the flow is left. Ours. */
const CAP_SHUT = 0.35;
/** Coolant stands about so high above a sensor at the outlet, m. Ours. */
const HEAD_M = 0.12;
const GRAVITY = 9.81;
/** From the last thread of the old one to the first of the new one, s: a hand that is ready, and one that is not. */
const OPEN_S = { ready: 2, slow: 6 } as const;
/** Of the whole filling, no more than this stands above a sensor at the outlet. Ours. */
const ABOVE_SHARE = 0.12;

export interface Spill {
  readonly leastL: number;
  readonly mostL: number;
}

/** Flow out of the hole, L/s. */
const flowLS = (): number =>
  DISCHARGE * Math.PI * (BORE_MM / 2000) ** 2 * Math.sqrt(2 * GRAVITY * HEAD_M) * 1000 * CAP_SHUT;

/**
 * What is lost, and so filled up again, when the sensor is changed on a cold engine with its cap shut: from a hand that
 * has the new one ready to a slow one. `coolantL` is the filling of the system, L, above 0.
 */
export function spillOf(coolantL: number): Spill {
  const above = ABOVE_SHARE * coolantL;
  return {
    leastL: Math.min(above, flowLS() * OPEN_S.ready),
    mostL: Math.min(above, flowLS() * OPEN_S.slow)
  };
}

/** A sensor low in the system empties it: nothing but a drain will do. Told by where the sheet says that it sits. */
export const sitsLow = (location: string | null | undefined): boolean =>
  /radiator|lower|inlet|pump|block drain/i.test(location ?? '');
