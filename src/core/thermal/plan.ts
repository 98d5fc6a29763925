import type { Check } from '../checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import type { SpecSheet } from '../formats/spec-sheet';
import { CODES } from '../intake/codes';
import { pointsOf, type Symptom } from '../intake/symptoms';
import type { FaultId } from '../plant/faults';
import { counting, type JudgedCheck } from '../record/judged';
import { midSentence } from '../run/words';
import { SUSPECTS } from '../suspects/catalogue';
import { PHASES, type ThermalPhase, type ThermalState } from './state';

/** One check on the plan. */
export interface Planned {
  readonly id: CheckId;
  readonly check: Check;
  /** First and last stretch of the line where it can be done; null beside the line. */
  readonly from: ThermalPhase | null;
  readonly to: ThermalPhase | null;
  /** Belongs to this complaint, or to every job. */
  readonly suggested: boolean;
  /** What brought it onto the plan. */
  readonly why: string;
  readonly done: JudgedCheck | null;
  /** Whether the engine's state allows it now, so far as is known. */
  readonly now: boolean;
}

export interface Plan {
  readonly line: readonly Planned[];
  readonly any: readonly Planned[];
  readonly bench: readonly Planned[];
  /** Checks this vehicle cannot have, each with the reason. */
  readonly lacking: readonly { readonly id: CheckId; readonly title: string; readonly because: string }[];
  /** The first thing to do in the present state, by phase and by what the complaint points at. */
  readonly next: Planned | null;
}

const STRETCH = { C: 'cold', W: 'warming', R: 'regulating', H: 'hot' } as const;

/** Checks that speak to a suspect of at least this share of the leading one's weight are put on the plan. */
const SUGGEST_SHARE = 0.45;

/** Lays the registry out along the engine's thermal state for one job. */
export function planOf(job: {
  readonly sheet: SpecSheet | null;
  readonly symptoms: readonly Symptom[];
  readonly done: readonly JudgedCheck[];
  readonly state: ThermalState;
}): Plan {
  const { sheet, done, state } = job;
  const weights = weightsOf(job.symptoms, done);
  const top = Math.max(0, ...weights.values());
  const planned: Planned[] = [];
  const lacking: Plan['lacking'][number][] = [];
  for (const id of CHECK_IDS) {
    const check = checkOf(id);
    const last = counting(done, id);
    const because = sheet && check.lacks ? check.lacks(sheet) : null;
    if (because && !last) {
      lacking.push({ id, title: check.title, because });
      continue;
    }
    const speaks = check.speaksTo
      .filter((f) => top > 0 && (weights.get(f) ?? 0) >= SUGGEST_SHARE * top)
      .sort((a, b) => weights.get(b)! - weights.get(a)!);
    const stretches = check.phases.flatMap((p) => (p in STRETCH ? [STRETCH[p as keyof typeof STRETCH]] : []));
    planned.push({
      id,
      check,
      from: stretches[0] ?? null,
      to: stretches.at(-1) ?? null,
      suggested: !!check.always || speaks.length > 0 || last !== null,
      why: check.always
        ? 'Part of every job'
        : speaks.length > 0
          ? `Speaks to ${speaks
              .slice(0, 2)
              .map((f) => midSentence(SUSPECTS[f].title))
              .join(' and ')}`
          : 'Not called for by the complaint',
      done: last,
      now: possibleIn(check, state)
    });
  }
  return {
    line: planned.filter((p) => p.from !== null),
    any: planned.filter((p) => p.check.phases.includes('X')),
    bench: planned.filter((p) => p.check.phases.includes('B')),
    lacking,
    next: nextOf(planned, weights, state)
  };
}

/** What complaint and stored codes point at. */
function weightsOf(symptoms: readonly Symptom[], done: readonly JudgedCheck[]): Map<FaultId, number> {
  const weights = new Map(pointsOf(symptoms));
  const codes = counting(done, 'codes')?.readings as { codes: { code: string }[] } | undefined;
  for (const { code } of codes?.codes ?? [])
    (CODES[code]?.points ?? []).forEach((fault, i) =>
      weights.set(fault, (weights.get(fault) ?? 0) + 2 / (1 + i / 2))
    );
  return weights;
}

const possibleIn = (check: Check, state: ThermalState): boolean =>
  check.phases.some(
    (p) =>
      p === 'X' ||
      p === 'B' ||
      (state.phase !== 'unknown' && STRETCH[p as keyof typeof STRETCH] === state.phase)
  );

/**
 * The next check: on a cold engine the cold ones first, since they are gone once the key is turned; among equals
 * the one that says most about the complaint for each minute. Without knowing the state: the soak.
 */
function nextOf(
  planned: readonly Planned[],
  weights: ReadonlyMap<FaultId, number>,
  state: ThermalState
): Planned | null {
  const open = planned.filter((p) => p.suggested && (!p.done || p.done.outcome.result === 'void'));
  if (state.phase === 'unknown') return open.find((p) => p.id === 'soak') ?? open.find((p) => p.now) ?? null;
  const worth = ({ check }: Planned) =>
    (check.always ? 100 : 0) +
    check.speaksTo.reduce((sum, f) => sum + (weights.get(f) ?? 0), 0) / check.minutes;
  const rank = (p: Planned) => {
    const { phases } = p.check;
    if (phases.includes('B')) return 3;
    if (phases.includes('X')) return 2;
    // What only this state allows comes before what the next allows too.
    return phases.length === 1 ? 0 : 1;
  };
  return open.filter((p) => p.now).sort((a, b) => rank(a) - rank(b) || worth(b) - worth(a))[0] ?? null;
}

export const stretchIndex = (phase: ThermalPhase | null): number => (phase ? PHASES.indexOf(phase) : -1);
