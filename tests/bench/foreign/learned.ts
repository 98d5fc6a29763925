import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Played } from './play';

/**
 * A player that knows no physics and no words: it was shown many jobs with every reading and what was wrong, counts how
 * often which reading goes with which fault, and names the likeliest by Bayes' rule. Given the very readings that the
 * second opinion asked for, it tells what of a wrong job is lost in reasoning and what in choosing.
 */
export class LearnedPlayer {
  readonly #count = new Map<FaultId, number>();
  readonly #edges = new Map<string, number[]>();
  readonly #seen = new Map<string, Map<FaultId, Map<string, number>>>();

  constructor(taught: readonly Played[]) {
    const numbers = new Map<string, number[]>();
    for (const job of taught)
      for (const [name, value] of traitsOf(job))
        if (typeof value === 'number') numbers.set(name, [...(numbers.get(name) ?? []), value]);
    for (const [name, values] of numbers) {
      const sorted = values.toSorted((a, b) => a - b);
      this.#edges.set(
        name,
        Array.from({ length: BINS - 1 }, (_, i) => sorted[Math.floor(((i + 1) * sorted.length) / BINS)])
      );
    }
    for (const job of taught) {
      const fault = job.faults[0];
      this.#count.set(fault, (this.#count.get(fault) ?? 0) + 1);
      for (const [name, value] of traitsOf(job)) {
        const byFault = this.#seen.get(name) ?? new Map<FaultId, Map<string, number>>();
        const bins = byFault.get(fault) ?? new Map<string, number>();
        const bin = this.#bin(name, value);
        bins.set(bin, (bins.get(bin) ?? 0) + 1);
        byFault.set(fault, bins);
        this.#seen.set(name, byFault);
      }
    }
  }

  #bin(name: string, value: string | number): string {
    return typeof value === 'number'
      ? String(this.#edges.get(name)?.filter((e) => value > e).length ?? 0)
      : value;
  }

  /** What it would name by the readings of a job. */
  names(job: Played): FaultId {
    const scores = [...this.#count].map(([fault, n]) => [fault, Math.log(n)] as [FaultId, number]);
    for (const [name, value] of traitsOf(job)) {
      const byFault = this.#seen.get(name);
      if (!byFault) continue;
      const bin = this.#bin(name, value);
      const all = new Map<string, number>();
      let total = 0;
      for (const bins of byFault.values())
        for (const [b, n] of bins) {
          all.set(b, (all.get(b) ?? 0) + n);
          total += n;
        }
      const usual = ((all.get(bin) ?? 0) + 0.5) / (total + 1);
      for (const score of scores) {
        const bins = byFault.get(score[0]);
        const of = [...(bins?.values() ?? [])].reduce((sum, n) => sum + n, 0);
        score[1] += TRUST * Math.log(((bins?.get(bin) ?? 0) + PRIOR * usual) / (of + PRIOR) / usual);
      }
    }
    return scores.toSorted((a, b) => b[1] - a[1])[0][0];
  }
}

const BINS = 8;
const PRIOR = 3;
/** Traits of one job hang together: each counts for less than it would alone. */
const TRUST = 0.55;

/** What a job shows, flat: every word and number that was written down, and what was told; temperatures over the opening too. */
function* traitsOf(job: Played): Generator<[string, string | number]> {
  for (const s of job.symptoms) yield [`told ${s}`, 'yes'];
  for (const s of ALL_SYMPTOMS) if (!job.symptoms.includes(s)) yield [`told ${s}`, 'no'];
  for (const [check, readings, found] of job.readings) {
    yield [`${check} found`, found.toSorted().join('+')];
    yield* flat(check, readings, job);
  }
  for (const [i, run] of job.runs.entries()) {
    for (const [fault, p] of run.slice(0, 4)) yield [`run ${i} ${fault}`, Math.log(p)];
    yield [`run ${i} first`, run[0]?.[0] ?? ''];
  }
}
const ALL_SYMPTOMS: readonly string[] = [
  'gauge-high',
  'gauge-low',
  'gauge-jumps',
  'heater-weak',
  'heater-swings',
  'fan-always',
  'fan-never',
  'fan-odd',
  'smell-coolant',
  'smell-steam',
  'noise-roar',
  'noise-rattle'
];

function* flat(name: string, value: unknown, job: Played): Generator<[string, string | number]> {
  if (value === null || value === undefined) return;
  if (typeof value === 'number') {
    yield [name, value];
    if (/C$|celsius/i.test(name)) {
      yield [`${name} over opening`, value - job.startOpenC];
      yield [`${name} over air`, value - job.ambientC];
    }
  } else if (typeof value === 'string' || typeof value === 'boolean') yield [name, String(value)];
  else if (Array.isArray(value)) {
    const named = value.map((v) => (v && typeof v === 'object' && 'at' in v && 'state' in v ? v : null));
    if (named.every((v) => v !== null))
      for (const v of named as { at: string; state: string; value: number }[])
        yield [`${name} ${v.state} ${v.at}`, v.value];
    else for (const [i, v] of value.entries()) yield* flat(`${name} ${i}`, v, job);
  } else for (const [key, v] of Object.entries(value)) yield* flat(`${name} ${key}`, v, job);
}
