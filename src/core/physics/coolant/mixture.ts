/**
 * Freezing point of water with ethylene glycol by volume, °C: where first ice forms. From the tables that handbooks
 * of refrigeration print for inhibited ethylene glycol; straight between rows.
 */
const FREEZES: readonly (readonly [sharePct: number, celsius: number])[] = [
  [0, 0],
  [10, -3.2],
  [20, -7.8],
  [30, -14.1],
  [40, -22.3],
  [50, -33.8],
  [60, -48.3]
];

/** Above this it protects less again, and carries less heat: no workshop mixes it so, % by volume. */
export const MOST_PCT = 60;

/** Where ice begins in a mixture, °C. `sharePct` from 0 to 60 % glycol by volume; throws RangeError outside. */
export function freezesC(sharePct: number): number {
  if (!(sharePct >= 0 && sharePct <= MOST_PCT))
    throw new RangeError(`a mixture of ${sharePct} % must be from 0 to ${MOST_PCT} %`);
  const k = Math.max(
    1,
    FREEZES.findIndex(([p]) => p >= sharePct)
  );
  const [[p0, c0], [p1, c1]] = [FREEZES[k - 1], FREEZES[k]];
  return c0 + ((c1 - c0) * (sharePct - p0)) / (p1 - p0);
}

/** Share of glycol that protects down to a temperature, % by volume. From 0 to −48 °C; throws RangeError below. */
export function shareFor(celsius: number): number {
  if (celsius >= 0) return 0;
  const lowest = FREEZES[FREEZES.length - 1][1];
  if (celsius < lowest) throw new RangeError(`no mixture protects below ${lowest} °C`);
  const k = FREEZES.findIndex(([, c]) => c <= celsius);
  const [[p0, c0], [p1, c1]] = [FREEZES[k - 1], FREEZES[k]];
  return p0 + ((p1 - p0) * (celsius - c0)) / (c1 - c0);
}

/**
 * Mixture after each of `n` partial drains, % by volume: c_n = c_new + (c_0 − c_new)(1 − f)ⁿ, where `f` (0 to 1) of
 * the whole is let out and made up with `newPct`, and run to mix. The first entry is after the first drain.
 */
export const afterDrains = (fromPct: number, newPct: number, f: number, n: number): number[] =>
  Array.from({ length: n }, (_, i) => newPct + (fromPct - newPct) * (1 - f) ** (i + 1));

/**
 * How much to let out and replace by `withPct` so that `volumeL` of `fromPct` becomes `toPct`, L; null where it
 * cannot be reached with that. V·(to − from)/(with − from), from the balance of glycol.
 */
export function exchangeFor(volumeL: number, fromPct: number, toPct: number, withPct: number): number | null {
  if (Math.abs(toPct - fromPct) < 0.05) return 0;
  const litres = (volumeL * (toPct - fromPct)) / (withPct - fromPct);
  return Number.isFinite(litres) && litres > 0 && litres <= volumeL ? litres : null;
}

/** When coolant is due, by what comes first. */
export interface ChangeDue {
  readonly on: string;
  readonly by: 'date' | 'distance';
  /** Days from today; negative where it is past. */
  readonly days: number;
  /** Distance that is left, km; null where no distance counts. */
  readonly leftKm: number | null;
}

const DAY_MS = 86_400_000;

/**
 * Next change by months and by distance, whichever comes first. Dates as ISO days; `kmAYear` is what the vehicle
 * drives. Distances in km, each null where it is not known: then only the date counts.
 */
/** Where no plan is known: most long-life coolants are changed within this, months. Ours, for an order. */
const USUAL_MONTHS = 48;

/** The plan of coolant changes as a maker gives it: the first filling often lasts longer than the later ones. */
export interface ChangePlan {
  readonly firstMonths?: number | null;
  readonly firstKm?: number | null;
  readonly everyMonths?: number | null;
  readonly everyKm?: number | null;
}

/** How long a filling lasts by a plan, the first or a later one; `given` where the plan says so. */
export function changeInterval(
  plan: ChangePlan | null,
  first: boolean
): { readonly months: number; readonly km: number | null; readonly given: boolean } {
  const months = (first ? plan?.firstMonths : null) ?? plan?.everyMonths;
  const km = (first ? plan?.firstKm : null) ?? plan?.everyKm ?? null;
  return { months: months ?? USUAL_MONTHS, km, given: months != null || km !== null };
}

export function changeDue(input: {
  readonly changedOn: string;
  readonly today: string;
  readonly everyMonths: number;
  readonly changedKm: number | null;
  readonly nowKm: number | null;
  readonly everyKm: number | null;
  readonly kmAYear: number | null;
}): ChangeDue {
  const { changedOn, today, everyMonths, changedKm, nowKm, everyKm, kmAYear } = input;
  const byDate = new Date(`${changedOn}T00:00:00Z`);
  const day = byDate.getUTCDate();
  byDate.setUTCMonth(byDate.getUTCMonth() + everyMonths);
  // The 31st of a month that has none is its last day.
  if (byDate.getUTCDate() !== day) byDate.setUTCDate(0);
  const now = Date.parse(`${today}T00:00:00Z`);
  const leftKm =
    changedKm !== null && nowKm !== null && everyKm !== null ? changedKm + everyKm - nowKm : null;
  const byKm =
    leftKm !== null && (kmAYear ?? 0) > 0
      ? now + (leftKm / kmAYear!) * 365.25 * DAY_MS
      : leftKm !== null && leftKm <= 0
        ? now
        : null;
  const first = byKm !== null && byKm < byDate.getTime() ? byKm : byDate.getTime();
  return {
    on: new Date(first).toISOString().slice(0, 10),
    by: first === byDate.getTime() ? 'date' : 'distance',
    days: Math.round((first - now) / DAY_MS),
    leftKm
  };
}
