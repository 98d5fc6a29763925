import { momentOf, zoneOffsetMs } from '../../../core/base/zone';

const MIN_MS = 60_000;
const HOUR_MS = 60 * MIN_MS;
const DAY_MS = 24 * HOUR_MS;

/** Minutes of the day at which the made-up depot opens and closes, by weekday from Sunday; null where it stays shut. */
const WEEKDAY = [450, 1020] as const;
const HOURS = [null, WEEKDAY, WEEKDAY, WEEKDAY, WEEKDAY, WEEKDAY, [450, 750] as const];
/** Until so many minutes of a day are worked, the demo still stands at the evening before: its morning is not yet told. */
const MORNING_MIN = 210;

/** The latest moment not after `at` at which the depot of a zone works, at least `least` minutes after it opened. */
function latestOpen(at: number, zone: string, least = 0): number {
  const wall = at + zoneOffsetMs(zone, new Date(at));
  for (let day = Math.floor(wall / DAY_MS); ; day--) {
    const hours = HOURS[new Date(day * DAY_MS).getUTCDay()];
    if (!hours) continue;
    const from = day * DAY_MS + hours[0] * MIN_MS;
    const to = day * DAY_MS + hours[1] * MIN_MS;
    if (wall < from + least * MIN_MS) continue;
    if (wall <= to) return at;
    const [closesOn, closesAt] = new Date(to).toISOString().split('T');
    return momentOf(zone, closesOn, closesAt.slice(0, 5)).getTime();
  }
}

/**
 * When the entries of a demo job were made: `agoH` hours before now by its story, the oldest first, moved into the hours
 * at which the depot works. A gap never becomes shorter, so an engine that had cooled has cooled.
 */
export function depotTimes(agoH: readonly number[], now: Date, zone: string): Date[] {
  const base = latestOpen(now.getTime(), zone, MORNING_MIN);
  const times: number[] = [];
  let later: { readonly at: number; readonly agoH: number } | null = null;
  for (const hours of agoH.toReversed()) {
    const wanted: number = later ? later.at - (hours - later.agoH) * HOUR_MS : base - hours * HOUR_MS;
    const at = latestOpen(wanted, zone);
    times.push(at);
    later = { at, agoH: hours };
  }
  return times.toReversed().map((t) => new Date(t));
}
