import { say, sayC, sayDeltaC } from '../units/say';
import type { Features } from './features';

/** One feature of two runs side by side, and whether they can be told apart. */
export interface Compared {
  readonly name: string;
  readonly a: string;
  readonly b: string;
  /** b less a, in words; null where one is missing. */
  readonly by: string | null;
  readonly judged: 'same' | 'differs' | 'missing';
}

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.round(s % 60)).padStart(2, '0')}`;

interface Row {
  readonly name: string;
  readonly of: (f: Features) => number | null;
  readonly say: (x: number) => string;
  readonly sayBy: (x: number) => string;
  /** How far apart two runs of one healthy engine may be: ± 95 % of the difference. */
  readonly within: (a: Features, b: Features) => number;
}

/** A reading is rounded to 1 °C and two days are never alike: less than this between two runs says nothing. */
const LEAST_C = 2;
const root = (...sd: number[]) => Math.max(LEAST_C, 2 * Math.hypot(...sd));

const ROWS: readonly Row[] = [
  {
    name: 'Start',
    of: (f) => f.startC,
    say: sayC,
    sayBy: sayDeltaC,
    within: () => LEAST_C
  },
  {
    name: 'Warm-up rate, a minute',
    of: (f) => f.warmRateCPerMin,
    say: (x) => sayDeltaC(x),
    sayBy: (x) => sayDeltaC(x),
    // Heat depends on how it was driven: a quarter either way is nothing.
    within: (a, b) => 0.25 * Math.max(a.warmRateCPerMin ?? 0, b.warmRateCPerMin ?? 0)
  },
  {
    name: 'Opening point',
    of: (f) => f.knee?.celsius ?? null,
    say: sayC,
    sayBy: sayDeltaC,
    within: (a, b) => root(a.knee?.uncertaintyC ?? 0, b.knee?.uncertaintyC ?? 0)
  },
  {
    name: 'Opening point after',
    of: (f) => f.knee?.atS ?? null,
    say: clock,
    sayBy: (x) => say(x / 60, 'number').replace(/$/, ' min'),
    within: (a, b) => 0.35 * Math.max(a.knee?.atS ?? 0, b.knee?.atS ?? 0)
  },
  {
    name: 'Steady temperature',
    of: (f) => f.plateauC,
    say: sayC,
    sayBy: sayDeltaC,
    within: (a, b) => root(0.5 * (a.plateauSpreadC ?? 0), 0.5 * (b.plateauSpreadC ?? 0))
  },
  {
    name: 'Regulating spread',
    of: (f) => f.plateauSpreadC,
    say: (x) => `± ${sayDeltaC(x)}`,
    sayBy: sayDeltaC,
    within: () => LEAST_C
  },
  {
    name: 'Road minus idle',
    of: (f) => f.roadMinusIdleC,
    say: sayDeltaC,
    sayBy: sayDeltaC,
    within: () => 3
  },
  { name: 'Highest', of: (f) => f.maxC, say: sayC, sayBy: sayDeltaC, within: () => 3 }
];

/** Features of two runs side by side. `a` is held against, `b` is the run that is asked about. */
export const compareFeatures = (a: Features, b: Features): Compared[] =>
  ROWS.map((row) => {
    const [x, y] = [row.of(a), row.of(b)];
    const told = (v: number | null) => (v === null ? '–' : row.say(v));
    if (x === null || y === null)
      return { name: row.name, a: told(x), b: told(y), by: null, judged: x === y ? 'same' : 'missing' };
    const by = y - x;
    return {
      name: row.name,
      a: told(x),
      b: told(y),
      by: `${by > 0 ? '+' : ''}${row.sayBy(by)}`,
      judged: Math.abs(by) > row.within(a, b) ? 'differs' : 'same'
    };
  });

/** What makes two runs hard to compare, in words; empty where they were run alike. */
export function incomparable(a: Features, b: Features): string[] {
  const reasons: string[] = [];
  const ambient = (f: Features) =>
    f.startC !== null && f.startMinusAmbientC !== null ? f.startC - f.startMinusAmbientC : null;
  const [one, other] = [ambient(a), ambient(b)];
  if (one !== null && other !== null && Math.abs(one - other) > 8)
    reasons.push(
      `the air was ${sayDeltaC(Math.abs(one - other), 0)} ${other > one ? 'warmer' : 'colder'} in the second run`
    );
  if (a.startC !== null && b.startC !== null && Math.abs(a.startC - b.startC) > 15)
    reasons.push(`they began ${sayDeltaC(Math.abs(a.startC - b.startC), 0)} apart`);
  const driven = (f: Features) => new Set(f.segments.map((s) => s.kind));
  const [da, db] = [driven(a), driven(b)];
  const only = [...da].filter((k) => !db.has(k)).concat([...db].filter((k) => !da.has(k)));
  if (only.length > 0) reasons.push(`only one of them has a steady stretch of ${only.join(' and ')}`);
  if (Math.min(a.durationS, b.durationS) < 0.5 * Math.max(a.durationS, b.durationS))
    reasons.push('one is less than half as long as the other');
  return reasons;
}

/**
 * Seconds to add to the times of `b` so that the two runs meet: 0 at the start, or where each first rises through a
 * temperature. Null where one of them never does.
 */
export function alignAt(
  a: { readonly t: readonly number[]; readonly ect: readonly (number | null)[] },
  b: { readonly t: readonly number[]; readonly ect: readonly (number | null)[] },
  celsius: number
): number | null {
  const first = ({ t, ect }: typeof a) => {
    const i = ect.findIndex((v) => v !== null && v >= celsius);
    return i < 0 ? null : t[i];
  };
  const [ta, tb] = [first(a), first(b)];
  return ta === null || tb === null ? null : ta - tb;
}
