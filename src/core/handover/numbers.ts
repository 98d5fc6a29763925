import { median, sum } from 'simple-statistics';
import type { FaultId } from '../vehicle/faults';
import { minutesWithin, minuteOf } from '../schedule/hours';
import type { Span } from '../schedule/workload';
import { needless, type Ending } from '../diagnosis/ending';
import type { RepairId } from '../vehicle/repairs';
import type { JobOutcome } from '../record/closing';

/** A closed job as the depot counts it. */
export interface ClosedJob {
  readonly closedAt: string;
  readonly openedAt: string;
  readonly outcome: JobOutcome;
  readonly cause: FaultId | null;
  readonly ending: Ending;
}

export interface DepotNumbers {
  readonly jobs: number;
  readonly outcomes: readonly { readonly outcome: JobOutcome; readonly n: number }[];
  /** What it was, the most frequent first; null for jobs that closed without anyone knowing. */
  readonly causes: readonly { readonly cause: FaultId | null; readonly n: number }[];
  readonly repaired: number;
  /** Of the repaired: right at the first go, and never back; null where nothing was repaired. */
  readonly firstTime: number | null;
  readonly proven: number;
  readonly comebacks: number;
  /** Vehicles that were promised for an hour, and those of them that were closed by then. */
  readonly promised: number;
  readonly kept: number;
  /** Checks that counted for nothing because the engine was not cold any more. */
  readonly lostSoaks: number;
  /** What vehicles waited for, hours a job, by the clock, and for a place or hands in open hours; null where nobody knows. */
  readonly waits: {
    readonly jobs: number;
    readonly engineH: number;
    readonly partH: number;
    /** Null where nobody said when the shop is open. */
    readonly floorH: number | null;
  } | null;
  /** Parts bought and fitted, and those that were not what it was. */
  readonly parts: number;
  readonly needless: readonly { readonly repair: RepairId; readonly n: number }[];
  readonly hours: number;
  readonly medianHours: number | null;
  readonly medianDays: number | null;
  /** Month by month: `2026-03`. */
  readonly months: readonly {
    readonly month: string;
    readonly jobs: number;
    readonly hours: number;
    readonly comebacks: number;
  }[];
}

const medianOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : median([...values]);

function counted<T>(values: readonly T[]): { readonly value: T; readonly n: number }[] {
  const counts = new Map<T, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].map(([value, n]) => ({ value, n })).sort((a, b) => b.n - a.n);
}

const isRepair = (id: RepairId) => id !== 'none' && id !== 'refer-on';

/** Every month between two, both counted, so that an empty one is seen. */
function monthsOf(jobs: readonly ClosedJob[]): string[] {
  const all = jobs.map((j) => j.closedAt.slice(0, 7)).sort();
  if (all.length === 0) return [];
  const months: string[] = [];
  let [year, month] = all[0].split('-').map(Number);
  for (;;) {
    const at = `${year}-${String(month).padStart(2, '0')}`;
    months.push(at);
    if (at >= all.at(-1)!) return months;
    [year, month] = month === 12 ? [year + 1, 1] : [year, month + 1];
  }
}

function waitsOf(jobs: readonly ClosedJob[], open: readonly Span[] | null): DepotNumbers['waits'] {
  const waited = jobs.flatMap((j) => j.ending.waited ?? []);
  if (waited.length === 0) return null;
  const hoursOf = (minutes: readonly number[]) => sum([...minutes]) / 60 / waited.length;
  return {
    jobs: waited.length,
    engineH: hoursOf(waited.map((w) => w.engineMin)),
    partH: hoursOf(waited.map((w) => w.partMin)),
    floorH:
      open &&
      hoursOf(waited.flatMap((w) => w.idle.map((i) => minutesWithin(open, minuteOf(i.from), minuteOf(i.to)))))
  };
}

/** The depot's numbers of the jobs that were closed in a period. `open` is when the shop is; null where nobody said. */
export function numbersOf(jobs: readonly ClosedJob[], open: readonly Span[] | null = null): DepotNumbers {
  const repaired = jobs.filter((j) => j.ending.repairs.some(isRepair));
  const first = repaired.filter(
    (j) => j.ending.goes === 1 && j.ending.comebacks === 0 && j.outcome.startsWith('fixed')
  );
  const wrong = repaired.flatMap((j) => (j.cause ? needless(j.ending.repairs, j.cause) : []));
  const promised = jobs.filter((j) => j.ending.promised !== null);
  const hours = jobs.map((j) => j.ending.minutes / 60);
  const byMonth: Partial<Record<string, ClosedJob[]>> = {};
  for (const job of jobs) (byMonth[job.closedAt.slice(0, 7)] ??= []).push(job);
  return {
    jobs: jobs.length,
    outcomes: counted(jobs.map((j) => j.outcome)).map(({ value, n }) => ({ outcome: value, n })),
    causes: counted(jobs.map((j) => j.cause)).map(({ value, n }) => ({ cause: value, n })),
    repaired: repaired.length,
    firstTime: repaired.length > 0 ? first.length / repaired.length : null,
    proven: jobs.filter((j) => j.outcome === 'fixed and proven').length,
    comebacks: sum(jobs.map((j) => j.ending.comebacks)),
    promised: promised.length,
    kept: promised.filter((j) => j.closedAt <= j.ending.promised!).length,
    lostSoaks: sum(jobs.map((j) => j.ending.lostSoaks)),
    waits: waitsOf(jobs, open),
    parts: sum(repaired.map((j) => needless(j.ending.repairs, '').length)),
    needless: counted(wrong).map(({ value, n }) => ({ repair: value, n })),
    hours: sum(hours),
    medianHours: medianOf(hours),
    medianDays: medianOf(jobs.map((j) => (Date.parse(j.closedAt) - Date.parse(j.openedAt)) / 86_400_000)),
    months: monthsOf(jobs).map((month) => {
      const of = byMonth[month] ?? [];
      return {
        month,
        jobs: of.length,
        hours: sum(of.map((j) => j.ending.minutes / 60)),
        comebacks: sum(of.map((j) => j.ending.comebacks))
      };
    })
  };
}
