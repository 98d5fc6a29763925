import { contentKey, Recent } from '../base/content-key';
import type { RunSummary } from '../runs/run-summary';
import { judgeByHand, type ByHandReadings } from '../checks/by-hand';
import type { CheckContext, Outcome } from '../checks/check';
import { wordsOf } from '../record/describe-event';
import { checkOf } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { coolDownsOf, holding, type KnownFact } from '../physics/heat/facts';
import { curvesWith, type LibraryCurve } from '../physics/thermistor/library';
import { fitTau } from '../physics/coolant/cooling';
import { thermalAt, usualCooling, type CoolingOf, type ThermalFact } from '../physics/heat/state';
import type { JobState, RecordedCheck } from '../record/derive';

export interface JudgedCheck extends RecordedCheck {
  readonly outcome: Outcome;
  /** Its readings in a line. */
  readonly words: string;
}

/** Everything known about the engine's heat from one job: statements, checks and runs. */
export function factsOf(
  job: JobState,
  runs: readonly Pick<RunSummary, 'id' | 'importedAt' | 'heat'>[]
): KnownFact[] {
  const fromChecks = job.checks
    .filter((c) => !c.byHand)
    .flatMap(({ id, at, check, readings }) =>
      checkOf(check)
        .facts(readings, at)
        .map((fact): KnownFact => ({ fact, source: id, enteredAt: at, soft: false }))
    );
  const fromRuns = runs.flatMap((run): KnownFact[] => {
    const { endedAt, endC, ambientC, stood, ran } = run.heat;
    const ended = endedAt ?? run.importedAt;
    const known = (fact: ThermalFact): KnownFact => ({
      fact,
      source: run.id,
      enteredAt: run.importedAt,
      soft: endedAt === null
    });
    const bySensor = {
      startC: ran?.startC ?? null,
      stopC: stood?.stopC ?? endC,
      ranMin: ran?.minutes ?? null
    };
    if (!stood || endC === null)
      return [known({ kind: 'ran-until', at: ended, coolantC: endC, ambientC, bySensor })];
    const stoppedAt = new Date(Date.parse(ended) - stood.hours * 3_600_000).toISOString();
    return [
      known({ kind: 'ran-until', at: stoppedAt, coolantC: stood.stopC, ambientC, bySensor }),
      known({ kind: 'measured', at: ended, coolantC: endC, ambientC, bySensor, cooling: stood.cooling })
    ];
  });
  return [...job.stated, ...fromChecks, ...fromRuns];
}

/** The cooling of a vehicle: from its own cool-downs where it has any, else the default. */
export const coolingOf = (facts: readonly ThermalFact[], sheet: SpecSheet | null): CoolingOf =>
  fitTau(
    coolDownsOf(facts),
    facts.flatMap((f) => (f.kind === 'measured' && f.cooling ? [f.cooling] : []))
  ) ?? usualCooling(sheet);

/** What is known of the heat by all facts, kept for as long as they and the sheet are: most entries tell none that must be left out. */
const whole = new WeakMap<
  readonly KnownFact[],
  { readonly sheet: SpecSheet | null; readonly heat: HeatKnown }
>();
interface HeatKnown {
  readonly known: readonly ThermalFact[];
  readonly cooling: CoolingOf;
}

/** What is known of the heat without what one entry told of it itself. */
function heatWithout(facts: readonly KnownFact[], except: string | null, sheet: SpecSheet | null): HeatKnown {
  const tells = except !== null && facts.some((f) => f.source === except);
  const had = tells ? undefined : whole.get(facts);
  if (had?.sheet === sheet) return had.heat;
  const known = holding(tells ? facts.filter((f) => f.source !== except) : facts);
  const made = { known, cooling: coolingOf(known, sheet) };
  if (!tells) whole.set(facts, { sheet, heat: made });
  return made;
}

/**
 * What was known when readings were taken at a moment. What a check itself tells about the heat must not vouch for
 * it, so `except`, the entry being judged, is left out. `facts` are those of the whole vehicle.
 */
export function contextOf(
  job: JobState,
  facts: readonly KnownFact[],
  sheet: SpecSheet | null,
  check: RecordedCheck['check'],
  at: string,
  except: string | null,
  shopCurves: readonly LibraryCurve[] = []
): CheckContext {
  const { known, cooling } = heatWithout(facts, except, sheet);
  const before = job.checks.findIndex((c) => c.id === except);
  const earlier = job.checks
    .slice(0, before < 0 ? undefined : before)
    .filter((c) => c.check === check && !c.byHand);
  const curves = curvesWith(shopCurves);
  return { at, sheet, thermal: thermalAt(known, at, sheet, cooling), cooling, earlier, curves };
}

/**
 * Every check of a job judged by what was known when it was done. Because the judgement is derived, a soak
 * recorded or corrected afterwards judges the cold checks anew.
 */
export function judgeChecks(
  job: JobState,
  facts: readonly KnownFact[],
  sheet: SpecSheet | null,
  shopCurves: readonly LibraryCurve[] = []
): JudgedCheck[] {
  return job.checks.map((recorded) => {
    const { id, check, at, byHand, readings } = recorded;
    const context = byHand ? null : contextOf(job, facts, sheet, check, at, id, shopCurves);
    return kept.of(keyOf(recorded, context), () => ({
      ...recorded,
      words: wordsOf(recorded),
      outcome: context ? checkOf(check).judge(readings, context) : judgeByHand(readings as ByHandReadings)
    }));
  });
}

function keyOf(recorded: RecordedCheck, context: CheckContext | null): string {
  if (!context) return contentKey(recorded);
  const { sheet, curves, ...moment } = context;
  return `${contentKey(recorded)} ${contentKey(sheet)} ${contentKey(curves)} ${contentKey(moment)}`;
}

/** A judgement follows from readings and what was known: kept, for a case is assembled anew at every entry. */
const kept = new Recent<JudgedCheck>(2000);

/** What counts of a check done more than once: its last readings that are not void, else the last void ones. */
export const counting = (
  judged: readonly JudgedCheck[],
  check: RecordedCheck['check']
): JudgedCheck | null => {
  const all = judged.filter((j) => j.check === check);
  return all.findLast((j) => j.outcome.result !== 'void') ?? all.at(-1) ?? null;
};
