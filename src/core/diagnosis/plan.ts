import { FAULTS } from '../faults/registry';
import type { Check } from '../checks/check';
import { heldByGate } from '../checks/gate';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { counting, type JudgedCheck } from './judged';
import { minutesOf, missingFor, USUAL_CHECKS, type ShopChecks } from '../record/shop-checks';
import type { FaultId } from '../vehicle/faults';
import { midSentence } from '../base/text';
import { runsEngine, type Danger } from './dangers';
import { partRemoved, waitFor, type Worth } from './next';
import { resultsOf } from '../checks/results';
import type { Posterior } from './posterior';
import { PHASES, type ThermalPhase } from '../physics/heat/phases';
import type { ThermalState } from '../physics/heat/state';

/** One check on the plan. */
export interface Planned {
  readonly id: CheckId;
  readonly check: Check;
  /** Hands-on minutes in this shop. */
  readonly minutes: number;
  /** First and last stretch of the line where it can be done; null beside the line. */
  readonly from: ThermalPhase | null;
  readonly to: ThermalPhase | null;
  /** Belongs to every job, or is worth doing as things stand. */
  readonly suggested: boolean;
  /** What brought it onto the plan. */
  readonly why: string;
  readonly done: JudgedCheck | null;
  /** Whether the engine's state allows it now, so far as is known. */
  readonly now: boolean;
  /** Minutes to have the engine where it can be done; 0 where it is there. */
  readonly waitMin: number;
  /** What holds it back now, in words; null where it can be done at once. */
  readonly heldBack: string | null;
  /** It is a danger that holds it back. */
  readonly danger: boolean;
  /** What it is worth now; null where it would change nothing. */
  readonly worth: Worth | null;
}

/** As much of a planned check as a line of checks shows. */
export type Chip = Pick<Planned, 'id' | 'minutes' | 'from' | 'to' | 'suggested' | 'why'> & {
  readonly check: Pick<Check, 'title'>;
  readonly done:
    | (Pick<JudgedCheck, 'words'> & {
        readonly outcome: Pick<JudgedCheck['outcome'], 'result' | 'voidShort' | 'countsFrom'>;
      })
    | null;
};
/** Checks along the heat line, beside it and on the bench. */
export interface Line extends Pick<Plan, 'lacking'> {
  readonly line: readonly Chip[];
  readonly any: readonly Chip[];
  readonly bench: readonly Chip[];
  readonly next: Pick<Chip, 'id'> | null;
}

export interface Plan {
  readonly line: readonly Planned[];
  readonly any: readonly Planned[];
  readonly bench: readonly Planned[];
  /** Checks this vehicle or this shop cannot have, each with the reason. */
  readonly lacking: readonly { readonly id: CheckId; readonly title: string; readonly because: string }[];
  /** What to do first; null where nothing is left that is worth its time. */
  readonly next: Planned | null;
  /** The rest in the order they would be done, for a look at what else could be. */
  readonly others: readonly Planned[];
}

const STRETCH = { C: 'cold', W: 'warming', R: 'regulating', H: 'hot' } as const;

/** A check on the plan takes away this much at least, bits, and is worth this share of the best by the minute. */
const WORTH_BITS = 0.05;
const WORTH_SHARE = 0.22;

export interface Planning {
  readonly sheet: SpecSheet | null;
  readonly done: readonly JudgedCheck[];
  readonly state: ThermalState;
  /** What is believed now, and what each open check is worth, the best first ({@link worthOf}). */
  readonly now: Posterior;
  readonly worth: readonly Worth[];
  /** The check that is advised before acting ({@link adviceOf}); it is on the plan whatever it is worth. */
  readonly advised?: CheckId | null;
  /** What the proof of a repair asks for next: it comes first, whatever it is worth. */
  readonly proving?: CheckId | null;
  /** A danger that stands: what runs the engine is held back, and is not next. */
  readonly held?: Danger;
  /** Checks that cannot be done where the vehicle is, with the reason. */
  readonly skipped?: readonly { readonly check: CheckId; readonly why: string }[];
  readonly shop?: ShopChecks;
}

/** Lays the registry out along the engine's thermal state for one job, each stretch in the order of worth. */
export function planOf({
  sheet,
  done,
  state,
  now,
  worth,
  advised = null,
  proving = null,
  skipped = [],
  held,
  shop = USUAL_CHECKS
}: Planning): Plan {
  const best = worth[0]?.rate ?? 0;
  const notHere = (id: CheckId) => {
    const left = skipped.find((s) => s.check === id);
    return left ? `cannot be done here${left.why ? `: ${left.why}` : ''}` : null;
  };
  const removed = partRemoved(done);
  const chances = new Map(now.suspects.map((s) => [s.fault, s.probability]));
  const planned: Planned[] = [];
  const lacking: Plan['lacking'][number][] = [];
  for (const id of CHECK_IDS) {
    const check = checkOf(id);
    const last = counting(done, id);
    const missing = missingFor(id, shop);
    const because =
      (sheet && check.lacks?.(sheet)) ||
      (missing && `no ${midSentence(missing)} in this shop`) ||
      notHere(id);
    if (because && !last) {
      lacking.push({ id, title: check.title, because });
      continue;
    }
    const own = worth.find((w) => w.id === id) ?? null;
    const pays = own !== null && own.bits >= WORTH_BITS && own.rate >= WORTH_SHARE * best;
    const stretches = check.phases.flatMap((p) => (p in STRETCH ? [STRETCH[p as keyof typeof STRETCH]] : []));
    planned.push({
      id,
      check,
      minutes: minutesOf(id, shop),
      from: stretches[0] ?? null,
      to: stretches.at(-1) ?? null,
      suggested: !!check.always || pays || last !== null || id === advised || id === proving,
      why:
        id === proving
          ? 'The proof of the repair asks for it'
          : check.always
            ? 'Always done'
            : reasonOf(id, now, chances),
      done: last,
      now: possibleIn(check, state),
      waitMin: removed.includes(id) ? 0 : waitFor(check, state),
      heldBack:
        (held && runsEngine(id) ? `${held.title}. ${held.not}` : null) ??
        heldByGate(check.gate, state) ??
        needsFirst(check, state),
      danger: held !== undefined && runsEngine(id),
      worth: own
    });
  }
  const safe = held ? planned.filter((p) => !runsEngine(p.id)) : planned;
  const asked = safe.find((p) => p.id === proving);
  const rest = inOrder(safe, state, advised);
  const ordered = asked ? [asked, ...rest.filter((p) => p !== asked)] : rest;
  return {
    line: byWorth(planned.filter((p) => p.from !== null)),
    any: byWorth(planned.filter((p) => p.check.phases.includes('X'))),
    bench: byWorth(planned.filter((p) => p.check.phases.includes('B'))),
    lacking,
    next: ordered[0] ?? null,
    others: ordered.slice(1)
  };
}

/** What is done keeps its place in front; the rest by what it is worth, and what is worth nothing as it was. */
const byWorth = (list: readonly Planned[]): Planned[] =>
  list.toSorted((a, b) => rank(b) - rank(a) || (b.worth?.rate ?? 0) - (a.worth?.rate ?? 0));
const rank = (p: Planned) => (isOpen(p) ? (p.check.always ? 1 : 0) : 2);

const isOpen = (p: Planned): boolean => !p.done || p.done.outcome.result === 'void';

const possibleIn = (check: Check, state: ThermalState): boolean =>
  check.phases.some(
    (p) =>
      p === 'X' ||
      p === 'B' ||
      (state.phase !== 'unknown' && STRETCH[p as keyof typeof STRETCH] === state.phase)
  );

/** What can only be done before the key is turned, and is gone with it. */
const coldOnly = (p: Planned): boolean => p.check.phases.every((phase) => phase === 'C');
const leavesEngine = (p: Planned): boolean =>
  p.check.phases.every((phase) => phase === 'C' || phase === 'X' || phase === 'B');
const startsEngine = (p: Planned): boolean =>
  p.check.phases.some((phase) => phase === 'W' || phase === 'R' || phase === 'H');

/** A cold check worth this share of the one that starts the engine is done before it: cold comes back in hours only. */
const COLD_SHARE = 0.4;
/**
 * What belongs to every job comes first, unless it is worth less than this share of the best: then it waits its turn.
 * Not so the look at level and leaks, for an engine without coolant must not be run.
 */
const ALWAYS_SHARE = 0.15;

/**
 * What is open, in the order it would be done: what belongs to every job and leaves the engine as it is, while the
 * state allows it; then the check that is advised, and the rest by worth. On a cold engine the cold checks that are
 * worth it come before one that starts it, since they are gone once the key is turned. Without knowing the state:
 * the soak.
 */
function inOrder(planned: readonly Planned[], state: ThermalState, advised: CheckId | null): Planned[] {
  const open = planned.filter((p) => isOpen(p) && p.suggested);
  const best = Math.max(0, ...open.map((p) => p.worth?.rate ?? 0));
  const tells = (p: Planned) => p.check.beforeRunning || (p.worth?.rate ?? 0) >= ALWAYS_SHARE * best;
  const soak = open.find((p) => p.id === 'soak');
  const always = open.filter((p) => p.check.always && p.now && p !== soak && leavesEngine(p) && tells(p));
  const first = soak && (state.phase === 'unknown' || soak.now) ? [soak, ...always] : always;
  const rest = open
    .filter((p) => !first.includes(p) && p.worth !== null)
    .sort((a, b) => Number(b.id === advised) - Number(a.id === advised) || b.worth!.rate - a.worth!.rate);
  const cold = state.phase === 'cold' || state.phase === 'unknown';
  const starts = cold ? rest.findIndex(startsEngine) : -1;
  if (starts < 0) return [...first, ...rest];
  const before = rest.slice(0, starts);
  const [start, ...after] = rest.slice(starts);
  const worthIt = (p: Planned) => coldOnly(p) && p.worth!.rate >= COLD_SHARE * start.worth!.rate;
  return [...first, ...before, ...after.filter(worthIt), start, ...after.filter((p) => !worthIt(p))];
}

/** Which two suspects a check tells apart, the likeliest that it can: or what it would clear. */
function reasonOf(id: CheckId, now: Posterior, chances: ReadonlyMap<FaultId, number>): string {
  const { finds } = resultsOf(id);
  const shareOf = (of: readonly FaultId[]) => of.reduce((sum, f) => sum + (chances.get(f) ?? 0), 0);
  const shares = finds.map((f) => shareOf(f.for));
  const outcome = finds[shares.indexOf(Math.max(...shares))];
  const found = now.suspects.find((s) => outcome?.for.includes(s.fault));
  const other = now.suspects.find((s) => s.fault !== 'none' && !outcome?.for.includes(s.fault));
  const name = (s: { readonly fault: keyof typeof FAULTS }) => midSentence(FAULTS[s.fault].title);
  if (!found) return 'Nothing that is suspected now depends on it';
  return other ? `Tells ${name(found)} from ${name(other)}` : `Confirms ${name(found)} or clears it`;
}

/** In which state a check can be done that the engine is not in now; null where it can be done. */
function needsFirst(check: Check, state: ThermalState): string | null {
  if (possibleIn(check, state) || state.phase === 'unknown') return null;
  const minutes = waitFor(check, state);
  return check.phases.every((p) => p === 'C' || p === 'W')
    ? 'The engine must stand cold first'
    : `The engine must be warm first${minutes > 0 ? `: about ${minutes} min` : ''}`;
}

export const stretchIndex = (phase: ThermalPhase | null): number => (phase ? PHASES.indexOf(phase) : -1);
