import { solve } from '../../base/linear';
import { TRAITS, type Mark, type TraitId, type Fingerprint } from './fingerprint';

/** How a trait has moved: the last runs against those before them. */
export interface Drift {
  readonly trait: TraitId;
  /** Now less then, the weather taken out, °C. */
  readonly byC: number;
  /** ± at 90 %. */
  readonly withinC: number;
  readonly then: Span;
  readonly now: Span;
  /** Beyond what weather and driving explain, and large enough to matter. */
  readonly sure: boolean;
}
export interface Span {
  readonly from: string;
  readonly to: string;
  readonly runs: number;
}

/** What a trait is, the weather taken out. */
export interface Typical {
  readonly trait: TraitId;
  readonly celsius: number;
  readonly withinC: number;
  readonly runs: number;
}

/** The last runs that are held against the rest, and how many there must be before them. */
const NOW_RUNS = 3;
const THEN_RUNS = 5;
/** Where nothing is known of the air: a usual day. */
const USUAL_C = 10;
const Z90 = 1.645;
/** A drift is told from chance where it is so many standard uncertainties: looked for at every new run, four times over. */
const SURE_Z = 4.2;
/** Smaller than this it is no reason to act. How fast an engine warms up is how it was driven: never a reason by itself. */
const MATTERS_C = { opening: 2, regulates: 3, rate: Infinity, fanOn: 2 } as const satisfies Record<
  TraitId,
  number
>;
const WIDE_SD_C = 30;

interface Row {
  readonly at: string;
  readonly mark: Mark;
  readonly ambientC: number;
}

const rowsOf = (fingerprints: readonly Fingerprint[], trait: TraitId): Row[] =>
  fingerprints
    .flatMap(({ at, ambientC, marks }) => {
      const mark = marks[trait];
      return mark ? [{ at, mark, ambientC: ambientC ?? USUAL_C }] : [];
    })
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** Degrees of freedom of the noise: now and then a run was driven or read quite otherwise, and must not decide. */
const NU = 3;
const ROUNDS = 12;
const SETTLED = 0.01;

/**
 * Least squares with a normal prior on each coefficient (level, weather, and a step at `from` on), the noise by
 * Student's t with three degrees of freedom, found by weights that are made anew in rounds (Lange, Little and Taylor
 * 1989). Noise is what a run cannot tell and what differs from run to run; where the runs scatter more than that, all
 * intervals widen.
 */
function fit(rows: readonly Row[], trait: TraitId, from: number) {
  const { betweenRuns, perC } = TRAITS[trait];
  const priorSd = [WIDE_SD_C, perC, ...(from < rows.length ? [WIDE_SD_C] : [])];
  const k = priorSd.length;
  const base = rows.map((r) => r.mark.celsius).sort((a, b) => a - b)[Math.floor(rows.length / 2)];
  const design = rows.map((r, i) => [1, r.ambientC - USUAL_C, i >= from ? 1 : 0].slice(0, k));
  const known = rows.map((r) => r.mark.sd ** 2 + betweenRuns ** 2);
  let weights = known.map((v) => 1 / v);
  let scatter = 1;
  let at: number[] = [];
  let solved = (right: readonly number[]) => [...right];
  for (let round = 0; round < ROUNDS; round++) {
    const normal = Array.from({ length: k }, (_, i) =>
      Array.from({ length: k }, (_, j) =>
        rows.reduce(
          (sum, _, n) => sum + weights[n] * design[n][i] * design[n][j],
          i === j ? priorSd[i] ** -2 : 0
        )
      )
    );
    solved = (right) => solve(normal.map((row, i) => [...row, right[i]]));
    at = solved(
      priorSd.map((_, i) =>
        rows.reduce((sum, r, n) => sum + weights[n] * design[n][i] * (r.mark.celsius - base), 0)
      )
    );
    const left = rows.map(
      (r, n) => r.mark.celsius - base - design[n].reduce((sum, x, i) => sum + x * at[i], 0)
    );
    const chi2 = left.reduce((sum, l, n) => sum + weights[n] * l ** 2, 0);
    scatter = Math.sqrt(Math.max(1, chi2 / Math.max(1, rows.length - k)));
    const next = left.map((l, n) => (NU + 1) / (NU + l ** 2 / known[n]) / known[n]);
    const settled = next.every((w, n) => Math.abs(w - weights[n]) < SETTLED * w);
    weights = next;
    if (settled) break;
  }
  const sd = (i: number) => scatter * Math.sqrt(solved(priorSd.map((_, j) => (i === j ? 1 : 0)))[i]);
  /** What each run shows beyond level and weather. */
  const beyond = rows.map((r, n) => r.mark.celsius - base - at[0] - design[n][1] * at[1]);
  return { level: base + at[0], step: at[k - 1], sd, k, beyond };
}

/** What a trait usually is; null where no run told it. */
export function typicalOf(fingerprints: readonly Fingerprint[], trait: TraitId): Typical | null {
  const rows = rowsOf(fingerprints, trait);
  if (rows.length === 0) return null;
  const { level, sd } = fit(rows, trait, rows.length);
  return { trait, celsius: level, withinC: Z90 * sd(0), runs: rows.length };
}

/**
 * How a trait moved: the last three runs against all before them, with what the weather makes of it fitted along. Null for a trait
 * that never matters, and with fewer than eight runs. Prints are of one vehicle since its last repair.
 */
export function driftOf(fingerprints: readonly Fingerprint[], trait: TraitId): Drift | null {
  const rows = rowsOf(fingerprints, trait);
  if (rows.length < NOW_RUNS + THEN_RUNS || MATTERS_C[trait] === Infinity) return null;
  const from = rows.length - NOW_RUNS;
  const { step, sd, k, beyond } = fit(rows, trait, from);
  const spread = sd(k - 1);
  const span = (part: readonly Row[]): Span => ({ from: part[0].at, to: part.at(-1)!.at, runs: part.length });
  return {
    trait,
    byC: step,
    withinC: Z90 * spread,
    then: span(rows.slice(0, from)),
    now: span(rows.slice(from)),
    // Every one of the last runs must show it: one strange run is a strange run.
    sure:
      Math.abs(step) >= MATTERS_C[trait] &&
      Math.abs(step) > SURE_Z * spread &&
      beyond.slice(from).every((b) => b * Math.sign(step) > MATTERS_C[trait] / 2)
  };
}
