import type { RepairId } from '../vehicle/repairs';
import type { FaultId } from '../vehicle/faults';
import { curesOf } from '../faults/registry';
import type { Posterior } from './posterior';
import { firstSeen } from '../base/content-key';
import { lazy } from '../base/lazy';
import type { LibraryCurve } from '../physics/thermistor/library';
import { holding, type KnownFact } from '../physics/heat/facts';
import { thermalAt, type CoolingOf, type ThermalState } from '../physics/heat/state';
import type { CheckContext } from '../checks/check';
import type { CodesReadings } from '../checks/engine/codes';
import { checkOf, type CheckId } from '../checks/registry';
import { deriveJob, type JobState } from '../record/derive';
import type { Symptom } from '../vehicle/symptoms';
import type { RecordEvent } from '../record/events';
import { USUAL_CHECKS, type ShopChecks } from '../record/shop-checks';
import { USUAL_COSTS, type ShopCosts } from '../record/shop-costs';
import type { RunSummary } from '../runs/run-summary';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { costsWith } from './costs';
import { offersOf, type Choice } from './decide';
import { waitedFor } from './waited';
import { endingOf, type Ending } from './ending';
import type { Causes } from './history';
import { contextOf, coolingOf, counting, factsOf, judgeChecks, type JudgedCheck } from './judged';
import { dangersOf, type Danger } from './dangers';
import { opinionOf, type Opinion } from './opinion';
import { popularPart, type PopularPart } from './popular';
import { planOf, type Plan } from './plan';
import { closings, type Closing } from './closings';
import { proofOf, type Proof } from './proof';
import { runAsChecks } from './run-checks';

/** What a shop brings to each of its jobs. */
export interface ShopNow {
  readonly costs: ShopCosts;
  readonly checks: ShopChecks;
  /** Sensor curves it keeps beside our families. */
  readonly curves: readonly LibraryCurve[];
}
export const USUAL_SHOP: ShopNow = { costs: USUAL_COSTS, checks: USUAL_CHECKS, curves: [] };

/** Everything a job rests on. Plain data: it travels from the server to the page, and lies in a job file. */
export interface CaseInput {
  /** The record of the job, undone entries among it. */
  readonly events: readonly RecordEvent[];
  /** What the vehicle's other jobs tell of its heat. */
  readonly vehicleFacts: readonly KnownFact[];
  /** Runs of the job, in the order they came in; those whose import was undone are left out here. */
  readonly runs: readonly RunSummary[];
  readonly sheet: SpecSheet | null;
  readonly shop: ShopNow;
  /** What the shop's other closed jobs turned out to be. */
  readonly causes: Causes;
  /** The present moment, ISO 8601. */
  readonly at: string;
}

/** A job with everything known about it. Every view shows what it says and derives nothing of its own. */
export interface Case {
  readonly state: JobState;
  readonly sheet: SpecSheet | null;
  /** The moment it speaks of: the present one, of a closed job the one it was closed at. ISO 8601. */
  readonly at: string;
  /** Runs that stand. */
  readonly runs: readonly RunSummary[];
  /** What is known of the engine's heat, from all jobs of its vehicle. */
  readonly facts: readonly KnownFact[];
  /** The same from this job alone, for the vehicle's other jobs. */
  readonly ownFacts: readonly KnownFact[];
  readonly cooling: CoolingOf;
  readonly heat: ThermalState;
  /** Every check as it was entered, judged, oldest first. */
  readonly entered: readonly JudgedCheck[];
  /** The same, and what the runs say in the place of their checks. */
  readonly checks: readonly JudgedCheck[];
  /** When it was last repaired, ISO 8601; null where it was not. */
  readonly repairedAt: string | null;
  /** Prices of the shop, with the quotes of this job. */
  readonly costs: ShopCosts;
  /**
   * The second opinion on the vehicle as it stands: on everything known, or, while a repaired job is open, on what was
   * seen since the repair.
   */
  readonly opinion: Opinion;
  /** The second opinion that the last repair rests on; the present one where there is no repair to look behind. */
  readonly opinionBefore: Opinion;
  /** Anything is known that bears on a suspect. */
  readonly suspected: boolean;
  /** The part that most would change first for this complaint; null where there is none. */
  readonly popular: PopularPart | null;
  /** Repairs are weighed against each other: something is suspected, and the job is open or was decided. */
  readonly weighed: boolean;
  /** What is offered to decide between. */
  readonly offers: readonly Choice[];
  /** What can hurt a person or ruin the engine, the worst first: named before anything else is advised. */
  readonly dangers: readonly Danger[];
  /** The danger that holds back what runs the engine; undefined where none does, or a person went on past it. */
  readonly held: Danger | undefined;
  readonly plan: Plan;
  /** What the record proves of the last repair; null without one. */
  readonly proof: Proof | null;
  /** The run that showed the fault, and the last one since the repair. Without a repair: the last run, and none. */
  readonly pair: { readonly before: RunSummary | null; readonly after: RunSummary | null };
  /** How the job may close. */
  readonly closings: readonly Closing[];
  readonly ending: Ending;
  /** What was known at a moment when a check was done; `except` is the entry that must not vouch for itself. */
  contextOf(check: CheckId, at: string, except: string | null): CheckContext;
}

/** What a repair put right, as it was believed before it: the likeliest fault it cures; null where none was likely. */
function causeOf(repairs: readonly RepairId[], { suspects }: Posterior): FaultId | null {
  const cures = repairs.flatMap((id) => [...curesOf(id)]);
  const likeliest = suspects.find((s) => s.fault !== 'none' && cures.includes(s.fault));
  return likeliest && likeliest.probability > LIKELY ? likeliest.fault : null;
}
/** Below this nobody can say what a repair was for. */
const LIKELY = 0.05;

/** Complaints that somebody tried again since a repair, and found as they were. */
const stillThere = ({ intake, tried }: JobState, since: string): Symptom[] =>
  intake.symptoms.filter(
    ({ what }) => tried.findLast((t) => t.what === what && t.at > since)?.gone === false
  );

/** The codes that were read last. */
const codesIn = (judged: readonly JudgedCheck[]): string[] =>
  ((counting(judged, 'codes')?.readings as CodesReadings | undefined)?.codes ?? []).map((c) => c.code);

/**
 * Puts a job together: the only place where that is done. Null where the record opens no job. Pure: the same input
 * gives the same case, on every page, in every file and on the command line. What costs something is computed when it
 * is first asked for.
 */
export function assembleCase(input: CaseInput): Case | null {
  const { shop } = input;
  const sheet = input.sheet && firstSeen(input.sheet);
  const state = deriveJob(input.events);
  if (!state) return null;
  const at = state.closedAt ?? input.at;
  // A closed job is a closed book: what other jobs told later changes nothing in it.
  const others = input.vehicleFacts.filter((f) => state.closedAt === null || f.enteredAt <= at);
  const runs = input.runs.filter((r) => state.runIds.includes(r.id)).map(firstSeen);
  const ownFacts = factsOf(state, runs);
  const facts = [...others, ...ownFacts];
  const firm = holding(facts);
  const cooling = coolingOf(firm, sheet);
  const heat = thermalAt(firm, at, sheet, cooling);
  const last = state.repairs.at(-1) ?? null;
  const costs = costsWith(
    shop.costs,
    state.quotes.map((q) => q.done)
  );

  const judged = lazy(() => judgeChecks(state, facts, sheet, shop.curves));
  const checks = lazy(() => [...judged(), ...runs.flatMap((r) => runAsChecks(r, sheet))]);
  const skipped = state.skipped.map((s) => s.check);
  const known = { sheet, causes: input.causes, costs, shop: shop.checks, skipped };
  const { symptoms, changedBefore } = state.intake;
  const until = (moment: string, phase: ThermalState['phase']) =>
    opinionOf({
      ...known,
      symptoms,
      changedBefore,
      done: checks().filter((d) => d.at <= moment),
      runs: runs.filter((r) => r.at <= moment),
      own: state.own.filter((o) => o.at <= moment),
      phase
    });
  const before = lazy(() =>
    last
      ? until(last.at, thermalAt(firm, last.at, sheet, cooling).phase)
      : opinionOf({
          ...known,
          symptoms,
          changedBefore,
          done: checks(),
          runs,
          own: state.own,
          phase: heat.phase
        })
  );
  /** What the open rest of the job rests on: after a repair, what was seen since. */
  const open = last !== null && state.state === 'open';
  const since = lazy(() => (open ? checks().filter((d) => d.at > last.at) : checks()));
  const opinion = lazy(() =>
    open
      ? opinionOf({
          ...known,
          symptoms: stillThere(state, last.at),
          done: since(),
          runs: runs.filter((r) => r.at > last.at),
          own: state.own.filter((o) => o.at > last.at),
          repaired: { findings: before().asked.findings, repairs: last.done.repairs },
          phase: heat.phase
        })
      : before()
  );
  const proof = lazy(() =>
    last
      ? proofOf({
          repairedAt: last.at,
          repairs: last.done.repairs,
          cause: causeOf(last.done.repairs, before().now),
          done: judged(),
          runs,
          sheet,
          symptoms: state.intake.symptoms,
          tried: state.tried
        })
      : null
  );
  const popular = lazy(() =>
    popularPart(state.intake.symptoms, codesIn(judged()), opinion().asked, opinion().now)
  );
  const offers = lazy(() => offersOf(opinion().now, costs));
  const dangers = lazy(() =>
    state.state === 'closed'
      ? []
      : dangersOf({
          done: judged(),
          runs,
          heat,
          sheet,
          filledAt: state.coolant?.at ?? null,
          repairs: state.repairs
        })
  );
  const held = lazy(() =>
    dangers().find(
      (d) => d.holds && !state.overridden.some((o) => o.danger === d.id && o.because === d.because)
    )
  );
  const plan = lazy(() =>
    planOf({
      sheet,
      done: since(),
      state: heat,
      shop: shop.checks,
      ...opinion(),
      skipped: state.skipped,
      held: held(),
      proving: open ? (proof()?.next?.check ?? null) : null
    })
  );
  const pair = lazy(() => {
    if (!last) return { before: runs.at(-1) ?? null, after: null };
    const earlier = runs.filter((r) => r.at <= last.at);
    return {
      before: earlier.find((r) => r.verdict !== 'none') ?? earlier[0] ?? null,
      after: runs.findLast((r) => r.at > last.at) ?? null
    };
  });
  const ending = lazy(() => {
    const lost = judged().filter((c) => c.outcome.result === 'void' && checkOf(c.check).needsSoak);
    const heatAt = (moment: string) => thermalAt(firm, moment, sheet, cooling);
    const waited = waitedFor(state, state.checks, runs, shop.checks, heatAt);
    return endingOf(state, shop.checks, lost.length, waited);
  });
  const ways = lazy(() =>
    closings(
      state.repairs.flatMap((r) => r.done.repairs),
      proof()
    )
  );
  return {
    state,
    sheet,
    at,
    runs,
    facts,
    ownFacts,
    cooling,
    heat,
    repairedAt: last?.at ?? null,
    costs,
    get entered() {
      return judged();
    },
    get checks() {
      return checks();
    },
    get opinion() {
      return opinion();
    },
    get opinionBefore() {
      return before();
    },
    get suspected() {
      return opinion().asked.findings.length > 0;
    },
    get weighed() {
      return opinion().asked.findings.length > 0 && (state.state === 'open' || state.decision !== null);
    },
    get popular() {
      return popular();
    },
    get offers() {
      return offers();
    },
    get held() {
      return held();
    },
    get dangers() {
      return dangers();
    },
    get plan() {
      return plan();
    },
    get proof() {
      return proof();
    },
    get pair() {
      return pair();
    },
    get closings() {
      return ways();
    },
    get ending() {
      return ending();
    },
    contextOf: (check, moment, except) => contextOf(state, facts, sheet, check, moment, except, shop.curves)
  };
}
