import { ALIKE, cannotHave, FAULTS, NOT_IN_A_LOG, toldBy, toldOf } from '../faults/registry';
import { contentKey, Recent } from '../base/content-key';
import { earlierWork } from './earlier-work';
import type { Finding } from './finding';
import { TEMPER } from '../runs/likelihood';
import type { RunSummary } from '../runs/run-summary';
import { type JudgedCheck, counting } from './judged';
import { checkOf, type CheckId } from '../checks/registry';
import { SYMPTOM_IDS, SYMPTOMS, symptomText, type Symptom } from '../vehicle/symptoms';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import { sharesOf } from '../checks/results';
import { TYPICAL_WEIGHT } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { READ_FAULTS, sensorFinding } from './sensor-evidence';
import type { NamedResult, SensorKnown, SensorReading } from '../checks/check';
import type { EctSubstituteReadings } from '../checks/sensor/ect-substitute';

/** A point of a check that passed or stayed open weighs less than one of a finding. */
const WEIGHT = { fail: 1, pass: 0.35, unclear: 0.5 } as const;

/** How often a check that can clear a suspect does, where it is not at fault. */
const CLEARS = 0.9;

/** Natural logarithm of the likelihood ratio of a check that speaks for a suspect, or against it. */
export function strengthOf(
  check: CheckId,
  fault: FaultId,
  way: 'for' | 'against',
  own?: NamedResult['strength']
): number {
  const { finds, falsely, misses } = sharesOf(check, fault, own);
  return way === 'for' ? Math.log(finds / falsely) : Math.min(0, Math.log(misses / CLEARS));
}

/** What a check leans on: findings of one group can be wrong together. */
export function groupOf(check: CheckId, found: readonly string[] = []): string {
  const { strength, results } = checkOf(check);
  const leansOn = found.flatMap((name) => results[name]?.leansOn ?? [])[0] ?? strength.leansOn;
  return leansOn === 'itself' ? check : leansOn;
}

/** What a check says by a sheet: of its suspects, and of the coolant sensor beside the truth. */
interface Read {
  readonly sheet: SpecSheet | null;
  readonly finding: Finding | null;
  readonly sensor: readonly SensorReading[];
}

/** What a check, a run or a complaint says does not change while they do not: kept, so that its weights are too. */
const ofChecks = new WeakMap<JudgedCheck, Read>();
const ofRuns = new Recent<Finding>(500);
const ofComplaints = new Recent<Finding[]>(200);

function readOf(judged: JudgedCheck, sheet: SpecSheet | null): Read {
  const had = ofChecks.get(judged);
  if (had?.sheet === sheet) return had;
  const { check, byHand, readings, outcome } = judged;
  const silent = byHand || readings === null || outcome.result === 'void';
  const sensor = silent ? [] : checkOf(check).sensorReadings(readings, sheet);
  const read = { sheet, sensor, finding: readCheck(judged, sheet, sensor.length > 0) };
  ofChecks.set(judged, read);
  return read;
}

/**
 * What a judged check says of its suspects; null where it says nothing or is void. What it read of the sensor beside
 * the truth is left to {@link sensorFinding}.
 */
export const findingOf = (judged: JudgedCheck, sheet: SpecSheet | null): Finding | null =>
  readOf(judged, sheet).finding;

/** What checks read of the coolant sensor, the last of them: other checks begin with it instead of asking. */
export function sensorKnown(done: readonly JudgedCheck[], sheet: SpecSheet | null): SensorKnown {
  const inOrder = done.toSorted((a, b) => a.at.localeCompare(b.at));
  const last = inOrder
    .flatMap((judged) => readOf(judged, sheet).sensor)
    .filter((r) => r.of === 'both')
    .at(-1);
  const substituted = inOrder.findLast(
    (d) => d.check === 'ect-substitute' && !d.byHand && d.outcome.result !== 'void'
  );
  return {
    offC: last ? last.readsC - last.trueC : null,
    air: substituted ? (substituted.readings as EctSubstituteReadings).air : null
  };
}

/** What the numbers of a check say by themselves, of what this vehicle can have. */
function measuredOf({ check, byHand, readings, outcome: { found } }: JudgedCheck, sheet: SpecSheet | null) {
  if (byHand || readings === null) return {};
  const all = Object.entries(checkOf(check).likelihoods(readings, { sheet, found })) as [FaultId, number][];
  return Object.fromEntries(all.filter(([fault]) => cannotHave(fault, sheet) === null));
}

const isReadFault = (fault: FaultId): boolean => (READ_FAULTS as readonly FaultId[]).includes(fault);

function readCheck(judged: JudgedCheck, sheet: SpecSheet | null, jointly: boolean): Finding | null {
  const { check, outcome } = judged;
  const { results } = checkOf(check);
  const points = outcome.points.filter(
    (p) => !jointly || !isReadFault(p.fault) || results[p.by]?.besideSensor
  );
  if (outcome.result === 'void') return null;
  const numbers = measuredOf(judged, sheet);
  if (points.length === 0 && Object.keys(numbers).length === 0) return null;
  const llr: Partial<Record<FaultId, number>> = { ...numbers };
  for (const { fault, way, by } of points) {
    if (fault in numbers) continue;
    // A pass clears at full weight what it speaks against, and leans towards what is left.
    const firm = way === 'against' && outcome.result === 'pass' ? 1 : WEIGHT[outcome.result];
    const weight = outcome.typical ? Math.min(firm, TYPICAL_WEIGHT) : firm;
    llr[fault] = (llr[fault] ?? 0) + weight * strengthOf(check, fault, way, results[by]?.strength);
  }
  return {
    // One run stands for several checks, so its id alone would not tell them apart.
    id: `${judged.id}/${check}`,
    title: checkOf(check).title,
    says: outcome.says,
    llr,
    group: groupOf(check, outcome.found)
  };
}

/** What was not told of counts so much: drivers do not tell everything, and one thing untold goes with another. */
const UNTOLD_WEIGHT = 0.7;
const UNTOLD_AT_MOST = -3;
/** Of those who tell of something, about one in ten worries for nothing: fewer than of all vehicles that are looked at. */
const COMPLAINED = -0.6;

/**
 * What each thing the driver tells of points at, and what is not told of speaks against: all by one person’s notice.
 * Where the sensor was read as well, how seldom a fault is of the kind that fits is counted there.
 */
export const complaintFindings = (symptoms: readonly Symptom[], sensorRead = false): Finding[] =>
  ofComplaints.of(contentKey([symptoms, sensorRead]), () => readComplaint(symptoms, sensorRead));

function readComplaint(symptoms: readonly Symptom[], sensorRead: boolean): Finding[] {
  if (symptoms.length === 0) return [];
  const untold = SYMPTOM_IDS.filter((id) => !symptoms.some((s) => s.what === id));
  const tells = (s: Symptom, fault: FaultId) => Math.log(toldOf(s, fault) / SYMPTOMS[s.what].otherwise);
  const silent = (fault: FaultId) =>
    untold.reduce((sum, what) => {
      const { otherwise } = SYMPTOMS[what];
      return sum + Math.log((1 - toldOf({ what, when: [] }, fault)) / (1 - otherwise));
    }, 0);
  const fits = (fault: FaultId) =>
    symptoms.reduce((sum, s) => sum + tells(s, fault), UNTOLD_WEIGHT * Math.min(0, silent(fault)));
  // A wire can be open, shorted or resist, and whoever drives with it tells of that alone and not of a mixture.
  const shownAs = (fault: FaultId): FaultId => {
    const { like = [] } = FAULTS[fault];
    return like.length > 1 ? like.reduce((best, f) => (fits(f) > fits(best) ? f : best)) : fault;
  };
  const faults = FAULT_IDS.map((fault) => [fault, shownAs(fault)] as const);
  /** Of the kinds a fault can be of, only some fit. */
  const ofThatKind = (fault: FaultId, as: FaultId): number => {
    const { like = [] } = FAULTS[fault];
    return fault === as || sensorRead
      ? 0
      : Math.log(like.reduce((sum, f) => sum + Math.exp(fits(f) - fits(as)), 0) / like.length);
  };
  const told = symptoms.map((s): Finding => {
    const by = new Set(toldBy(s.what));
    const llr = Object.fromEntries(
      faults.flatMap(([fault, as]) => (by.has(as) ? [[fault, tells(s, as)]] : []))
    );
    return { id: `complaint/${s.what}`, title: 'Complaint', says: symptomText(s), llr, group: 'complaint' };
  });
  const llr: Partial<Record<FaultId, number>> = {};
  for (const [fault, as] of faults) {
    const silence = UNTOLD_WEIGHT * silent(as) + ofThatKind(fault, as);
    if (silence < 0) llr[fault] = Math.max(UNTOLD_AT_MOST, silence);
  }
  llr.none = COMPLAINED;
  // An engine that is sound by another sheet worries its owner no more than any sound one.
  llr['sheet-wrong'] = COMPLAINED;
  return [
    ...told,
    { id: 'complaint/rest', title: 'Complaint', says: 'Nothing else was told of', llr, group: 'untold' }
  ];
}

/** What the evidence asks of a run: its ranking, and what it was blind to. */
export type RankedRun = Pick<RunSummary, 'id' | 'title' | 'suspects' | 'blind' | 'beside'>;

/** The least a run leaves to a fault it does not list. */
const UNLISTED = 0.002;
/** A run is one engine on one day, and the model is not the engine. */
const RUN_WEIGHT = 0.58;

/** A run's ranking as evidence: what it made of each fault over what that had before. */
export const runFinding = (run: RankedRun): Finding => ofRuns.of(contentKey(run), () => readRun(run));

function readRun(run: RankedRun): Finding {
  const total = FAULT_IDS.reduce((sum, f) => sum + FAULTS[f].prior, 0);
  const after = new Map<FaultId, number>();
  for (const { fault, alike } of run.suspects) {
    const family = [fault, ...alike.filter((f) => f !== fault)];
    // What the run gave to all that draw nearly this curve is theirs together.
    const probability = run.suspects.reduce(
      (sum, s) => sum + (family.includes(s.fault) ? s.probability : 0),
      0
    );
    const priors = family.reduce((sum, f) => sum + FAULTS[f].prior, 0);
    // Faults that draw one curve share what the run gave them, each by what it had before.
    for (const f of family)
      after.set(f, Math.max(after.get(f) ?? 0, (probability * FAULTS[f].prior) / priors));
  }
  const ratio = (f: FaultId) => RUN_WEIGHT * Math.log((after.get(f) ?? UNLISTED) / (FAULTS[f].prior / total));
  const unseen = new Set(NOT_IN_A_LOG.map((n) => n.fault));
  const blind = new Set(run.blind.flatMap((f) => [f, ...(ALIKE[f] ?? [])]));
  const healthy = ratio('none');
  const llr: Partial<Record<FaultId, number>> = {};
  // To a fault that leaves no mark in this log the run is a healthy one, unless it fits the fault better still.
  for (const f of FAULT_IDS)
    llr[f] = unseen.has(f) ? healthy : blind.has(f) ? Math.max(healthy, ratio(f)) : ratio(f);
  return { id: run.id, title: 'Run', says: run.title, llr, together: togetherOf(run), group: 'run' };
}

/**
 * The same temper and weight as the rest of the run's word. No second fault is made likelier by a curve that the
 * leading one explains; and of two faults fewer sizes and heaters are tried than of one, so that what speaks against
 * both together counts no more than so many nats.
 */
const TOGETHER_LEAST = -2.5;

function togetherOf({ suspects, beside }: RankedRun): Finding['together'] {
  if (!beside) return undefined;
  const leading = suspects.find((s) => s.fault === beside.leading);
  const less = Object.fromEntries(
    beside.faults.map(({ fault, nats }) => [
      fault,
      RUN_WEIGHT * Math.min(0, Math.max(TOGETHER_LEAST, TEMPER * nats))
    ])
  );
  return { leading: [beside.leading, ...(leading?.alike ?? [])], less };
}

/** Everything that is known of a job, the complaint first. Of a check done more than once what counts now. */
export function findingsOf(job: {
  readonly symptoms: readonly Symptom[];
  /** What was changed before, in somebody’s words. */
  readonly changedBefore?: string;
  readonly done: readonly JudgedCheck[];
  readonly runs: readonly RankedRun[];
  /** What the technician added. */
  readonly own?: readonly Finding[];
  readonly sheet: SpecSheet | null;
}): Finding[] {
  const { sheet } = job;
  const counted = [...new Set(job.done.map((j) => j.check))]
    .filter((c) => c !== 'warm-up-run')
    .flatMap((c) => counting(job.done, c) ?? []);
  const sensor = sensorFinding(
    counted.map((judged) => readOf(judged, sheet).sensor),
    sheet
  );
  return [
    ...complaintFindings(job.symptoms, sensor !== null),
    ...[earlierWork(job.changedBefore ?? '')].flatMap((f) => f ?? []),
    ...counted.flatMap((judged) => findingOf(judged, sheet) ?? []),
    ...(sensor ? [sensor] : []),
    ...job.runs.map(runFinding),
    ...(job.own ?? [])
  ];
}
