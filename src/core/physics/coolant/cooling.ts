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

/** No stopped engine cools faster, or keeps its heat for longer: a car's takes 2 h, a large truck's 4. Ours, in h. */
const LEAST_TAU_H = 0.5;
const MOST_TAU_H = 8;

/** One cool-down that was seen: how far above ambient, how long it stood, and how far above ambient it was then. */
export interface CoolDown {
  readonly overAmbientC: number;
  readonly hours: number;
  readonly residualC: number;
}

/**
 * τ of a vehicle from its own cool-downs: the median of each one's τ, with the range they span. Of those seen at
 * two moments only, they say anything that stood an hour or more and were still 3 °C above ambient; a cool-down
 * that was logged brings its own interval. One that no engine has was run, or wetted, between the two. Null without one.
 */
export function fitTau(
  seen: readonly CoolDown[],
  logged: readonly CoolingFit[] = []
): { readonly tauH: number; readonly longH: number; readonly n: number } | null {
  const taus = seen
    .filter((c) => c.hours >= 1 && c.residualC >= 3 && c.overAmbientC > c.residualC)
    .map((c) => c.hours / Math.log(c.overAmbientC / c.residualC))
    .filter((tauH) => tauH >= LEAST_TAU_H && tauH <= MOST_TAU_H)
    .concat(logged.map((l) => l.tauH))
    .sort((a, b) => a - b);
  if (taus.length === 0) return null;
  const middle = taus.length >> 1;
  const tauH = taus.length % 2 ? taus[middle] : (taus[middle - 1] + taus[middle]) / 2;
  // One cool-down alone is known to a quarter: wind and a door left open do that much.
  return {
    tauH,
    longH: Math.max(taus[taus.length - 1], tauH * 1.25, ...logged.map((l) => l.longH)),
    n: taus.length
  };
}

/** τ from one log of a cooling engine, h, with the ends of its 90 % interval. */
export interface CoolingFit {
  readonly tauH: number;
  readonly shortH: number;
  readonly longH: number;
}

/** Less than this of a fall, or of time, says nothing about the rate. */
const LEAST_FALL_C = 4;
const LEAST_H = 8 / 60;
/** What the air around the engine may differ from the air that was logged, °C: the bay is warmer, a draught colder. */
const AMBIENT_SD_C = 4;
/** A reading of whole degrees is off by up to half of one, and holds for the whole of that degree. */
const READING_SD_C = 0.4;
const Z90 = 1.645;

/**
 * Fits ΔT·exp(−t/τ) to a logged cool-down (times in h, temperatures in °C, after the peak of the heat soak): a
 * straight line through ln ΔT, each reading weighed by ΔT. The interval counts one independent reading for each
 * degree fallen, for in between a whole-degree reading repeats itself, and adds what the ambient is unsure by.
 * Null where the fall is under 4 °C or 8 min, or not a fall.
 */
export function fitCoolDown(
  hours: readonly number[],
  celsius: readonly number[],
  ambientC: number
): CoolingFit | null {
  const rate = (air: number): number | null => {
    let [w, wt, wy, wtt, wty] = [0, 0, 0, 0, 0];
    for (let i = 0; i < hours.length; i++) {
      const over = celsius[i] - air;
      if (over <= 1) continue;
      const [g, t, y] = [over * over, hours[i], Math.log(over)];
      w += g;
      wt += g * t;
      wy += g * y;
      wtt += g * t * t;
      wty += g * t * y;
    }
    const spread = w * wtt - wt * wt;
    return spread <= 0 ? null : -(w * wty - wt * wy) / spread;
  };
  const k = rate(ambientC);
  if (k === null || k <= 0) return null;
  const span = hours[hours.length - 1] - hours[0];
  const over = celsius[celsius.length >> 1] - ambientC;
  const fall = over * k * span;
  if (span < LEAST_H || fall < LEAST_FALL_C) return null;
  // Standard error of a slope from m even readings over the span, and how k moves with the air's temperature.
  const fromReading = ((READING_SD_C / over) * Math.sqrt(12 / Math.max(3, fall))) / span;
  const fromAir = (k * AMBIENT_SD_C) / over;
  const sd = Math.hypot(fromReading, fromAir);
  return {
    tauH: 1 / k,
    shortH: 1 / (k + Z90 * sd),
    longH: 1 / Math.max(k / 4, k - Z90 * sd)
  };
}
