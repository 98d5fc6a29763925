/**
 * How a stopped engine cools: Newton's law, ΔT·exp(−t/τ), with the bonnet shut. One τ serves the whole engine;
 * its metal and coolant are close together once nothing turns.
 */

/** Time constant of a stopped engine under a shut bonnet where the vehicle's own is not known, in hours. */
export const DEFAULT_TAU_H = 2;
/** The long end of what τ may be while only the default is known. Waits that guard a person are told by this one. */
export const LONG_TAU_H = 3;
/** Soaked: the residual above ambient is below this, in °C. */
export const SOAKED_BELOW_C = 2;

/** What is left of a difference to ambient, in °C, after `hours` of standing. `hours` ≥ 0, `tauH` > 0. */
export function residualC(overAmbientC: number, hours: number, tauH = DEFAULT_TAU_H): number {
  if (!(hours >= 0) || !(tauH > 0))
    throw new RangeError(`hours ${hours} and τ ${tauH} h must not be negative`);
  return overAmbientC * Math.exp(-hours / tauH);
}

/** Hours until a difference to ambient falls below `belowC`; 0 where it is there already. */
export function hoursUntil(overAmbientC: number, belowC: number, tauH = DEFAULT_TAU_H): number {
  return overAmbientC <= belowC ? 0 : tauH * Math.log(overAmbientC / belowC);
}

/** One cool-down that was seen: how far above ambient, how long it stood, and how far above ambient it was then. */
export interface CoolDown {
  readonly overAmbientC: number;
  readonly hours: number;
  readonly residualC: number;
}

/**
 * τ of a vehicle from its own cool-downs: the median of each one's τ, with the range they span. Only those say
 * anything that stood an hour or more and were still 3 °C above ambient; null without one.
 */
export function fitTau(
  seen: readonly CoolDown[]
): { readonly tauH: number; readonly longH: number; readonly n: number } | null {
  const taus = seen
    .filter((c) => c.hours >= 1 && c.residualC >= 3 && c.overAmbientC > c.residualC)
    .map((c) => c.hours / Math.log(c.overAmbientC / c.residualC))
    .sort((a, b) => a - b);
  if (taus.length === 0) return null;
  const middle = taus.length >> 1;
  const tauH = taus.length % 2 ? taus[middle] : (taus[middle - 1] + taus[middle]) / 2;
  // One cool-down alone is known to a quarter: wind and a door left open do that much.
  return { tauH, longH: Math.max(taus[taus.length - 1], tauH * 1.25), n: taus.length };
}
