import { midSentence } from '../base/text';
import type { Blindness } from '../faults/fault';
import { FAULTS } from '../faults/registry';
import { checkOf, type CheckId } from '../checks/registry';
import { OUTCOMES, type JobOutcome } from '../record/closing';
import { incomparable } from '../runs/compare';
import type { RunSummary } from '../runs/run-summary';
import { sayC } from '../units/say';
import { FAN_DEAD, type FaultId } from '../vehicle/faults';
import { limitsOf } from '../vehicle/limits';
import { repairOf, type RepairId } from '../vehicle/repairs';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { SYMPTOMS, symptomText, type Symptom, type SymptomId, type SymptomKind } from '../vehicle/symptoms';
import type { JudgedCheck } from './judged';

/** What the proof asks of a run. */
export type ProofRun = Pick<
  RunSummary,
  'id' | 'at' | 'title' | 'verdict' | 'features' | 'blind' | 'shownFrom' | 'suspects'
>;

/** One thing a repair is proven by. */
interface ProofItem {
  readonly id: string;
  readonly title: string;
  readonly met: boolean;
  readonly says: string;
  /** Without it the job does not close as proven. */
  readonly needed: boolean;
  /** The check that would show it; null where none does. */
  readonly check: CheckId | null;
}

export interface Proof {
  readonly items: readonly ProofItem[];
  readonly proven: boolean;
  /** The open item that comes next, while anything needed is open. */
  readonly next: ProofItem | null;
}

/** What is asked of a repair. */
export interface Repaired {
  /** When it was done, ISO 8601. */
  readonly repairedAt: string;
  readonly repairs: readonly RepairId[];
  /** What was put right by it, as it was believed before; null where nobody knows. */
  readonly cause: FaultId | null;
  readonly done: readonly JudgedCheck[];
  readonly runs: readonly ProofRun[];
  readonly sheet: SpecSheet | null;
  readonly symptoms?: readonly Symptom[];
  /** Complaints that a person tried again since, the last word of each. */
  readonly tried?: readonly {
    readonly at: string;
    readonly what: SymptomId;
    readonly gone: boolean;
    readonly how: string;
  }[];
}

/** How a repair of a fault is shown: by a run, by its fan, or by its checks alone. */
type ShownBy = 'run' | 'fan-runs' | 'fan-stops' | 'fan-point' | 'checks';
const FAN_RUNS: readonly FaultId[] = [...FAN_DEAD, 'fan-motor-weak'];
const FAN_STOPS: readonly FaultId[] = ['fan-relay-welded', 'fan-controller-shorted'];

function shownBy(cause: FaultId | null): ShownBy {
  if (cause === null || cause === 'none') return 'run';
  if (FAN_RUNS.includes(cause)) return 'fan-runs';
  if (FAN_STOPS.includes(cause)) return 'fan-stops';
  if (cause === 'fan-setpoint-modified') return 'fan-point';
  return FAULTS[cause].curve.kind === 'unseen' ? 'checks' : 'run';
}

/**
 * What the record proves of a repair: what follows from what was repaired, and nothing by what could not have failed.
 * Only what came after the repair counts. Rules: docs/method.md, “Proof”.
 */
export function proofOf(job: Repaired): Proof {
  const { repairedAt, repairs, cause, symptoms = [] } = job;
  const after = job.done.filter((d) => d.at > repairedAt && d.outcome.result !== 'void');
  const before = job.done.filter((d) => d.at <= repairedAt);
  const since = job.runs.filter((r) => r.at > repairedAt);
  const how = shownBy(cause);

  const run = how === 'run' ? runItem(job, since) : null;
  const items: ProofItem[] = [
    ...(run ? [run.item] : []),
    ...(how.startsWith('fan') ? [fanItem(how, since, after, job.sheet)] : []),
    ...(repairs.some((id) => repairOf(id).drains) ? [leakItem(after)] : []),
    ...failedItems(before, after, repairs),
    codesItem(after, run ? (run.provedAt ?? since.at(-1)?.at ?? null) : repairedAt)
  ];
  items.push(...symptoms.map((s) => complaintItem(s, items, after, job)));
  const open = items.filter((i) => i.needed && !i.met);
  return { items, proven: open.length === 0, next: inOrder(open)[0] ?? null };
}

/** A leak is looked for before the engine is driven, and codes are read after it was. */
const ORDER: readonly string[] = ['leak', 'fan', 'run', 'check', 'codes'];
const inOrder = (items: readonly ProofItem[]): ProofItem[] => {
  const place = (i: ProofItem) => ORDER.indexOf(i.id.split('/')[0]);
  return items.toSorted((a, b) => place(a) - place(b));
};

/** The same run again and healthy, where it could have shown what was repaired, as bad as it was. */
function runItem(
  { runs, repairedAt, cause, sheet }: Repaired,
  since: readonly ProofRun[]
): { readonly item: ProofItem; readonly provedAt: string | null } {
  const last = since.at(-1);
  const first =
    runs.find((r) => r.at <= repairedAt && r.verdict !== 'none') ?? runs.find((r) => r.at <= repairedAt);
  const severity = cause === null ? null : severityOf(cause, runs, repairedAt);
  const proving = since.findLast((r) => r.verdict === 'none' && couldShow(r, cause, severity));
  const met = last?.verdict === 'none' && proving !== undefined;
  const unlike = proving && first ? incomparable(first.features, proving.features) : [];
  const says = () => {
    if (!last) return 'No run since the repair: record the same one again';
    if (last.verdict === 'not-enough') return 'The run since the repair was too short or too mild to say';
    if (last.verdict !== 'none') return `The run since the repair still fits ${midSentence(last.title)}`;
    if (proving)
      return `${proving.title}${unlike.length > 0 ? `; not quite comparable: ${unlike.join(', ')}` : ''}`;
    const what = midSentence(FAULTS[cause ?? 'none'].title);
    const blind = blindness(cause, last, sheet);
    return blind
      ? `This run could not have shown ${what}: ${blind.because}. ${blind.toShow}`
      : `This run could not have shown ${what} as mild as it was: drive it as hard and as hot as before`;
  };
  const title = 'A run in its band since the repair';
  return {
    item: { id: 'run', title, met, says: says(), needed: true, check: 'warm-up-run' },
    provedAt: met ? proving.at : null
  };
}

/** As bad as the last run before the repair found it; null where none did. */
function severityOf(cause: FaultId, runs: readonly ProofRun[], repairedAt: string): number | null {
  const found = runs
    .filter((r) => r.at <= repairedAt)
    .flatMap((r) => r.suspects.find((s) => s.fault === cause || s.alike.includes(cause)) ?? []);
  return found.at(-1)?.severity ?? null;
}

/** A jump or a flat line of the reading comes and goes: a run this long has seen it, s. */
const READING_S = 600;

/** Whether a run would have shown a fault, as bad as it was, under its own conditions. */
function couldShow(run: ProofRun, cause: FaultId | null, severity: number | null): boolean {
  if (cause === null || cause === 'none') return true;
  const { curve, like = [] } = FAULTS[cause];
  if (curve.kind === 'reading') return run.features.durationS >= READING_S;
  return [cause, ...like].some((f) => {
    if (severity === null) return run.shownFrom[f] !== undefined && !run.blind.includes(f);
    const from = run.shownFrom[f];
    return from !== undefined && from <= severity + 0.05;
  });
}

/** Why a run was blind to a fault, and what would show it; null where it would have shown a plain case of it. */
function blindness(cause: FaultId | null, run: ProofRun, sheet: SpecSheet | null): Blindness | null {
  if (cause === null) return null;
  const { curve, like = [] } = FAULTS[cause];
  const drawn = [curve, ...like.map((f) => FAULTS[f].curve)].find((c) => c.kind === 'warms');
  if (drawn?.kind !== 'warms' || ![cause, ...like].some((f) => run.blind.includes(f))) return null;
  const { startOpenC } = limitsOf(sheet);
  return drawn.blind({
    maxC: run.features.maxC ?? -Infinity,
    startOpenC: startOpenC.value,
    fanOnC: sheet?.fan?.stages?.[0]?.onC ?? null
  });
}

/** A fan that never ran is seen on and off; one that never stopped is seen off first; one that came early, at its point. */
function fanItem(
  how: ShownBy,
  since: readonly ProofRun[],
  after: readonly JudgedCheck[],
  sheet: SpecSheet | null
): ProofItem {
  const due = limitsOf(sheet).fanOnC.value;
  const passed = (check: CheckId) => after.findLast((d) => d.check === check)?.outcome.result === 'pass';
  const switches = since.map((r) => r.features.fan.switches);
  const onThenOff = switches.some((s) => {
    const on = s.findIndex((x) => x.to === 'on');
    return on >= 0 && s.slice(on).some((x) => x.to === 'off');
  });
  const sawOn = switches.some((s) => s.some((x) => x.to === 'on')) || passed('fan-command');
  // Off while cold with the key on: the first thing it was seen to do is to come on, and late enough.
  const offFirst = switches.some((s) => s[0]?.to === 'on' && s[0].atS > 30) || passed('key-off-fan');
  const atPoint = switches.some((s) =>
    s.some((x) => x.to === 'on' && !x.withAc && Math.abs(x.celsius - due) <= FAN_NEAR_C)
  );
  const switched = passed('fan-switching');
  const hottest = Math.max(...since.map((r) => r.features.maxC ?? -Infinity));
  const open =
    since.length === 0
      ? 'Not seen since the repair: watch it switch, command it, or log a run hot enough'
      : hottest < due
        ? `Never had to: the hottest was ${sayC(hottest, 0)}, it comes on at ${sayC(due, 0)}. Hold a fast idle until it does`
        : 'Not seen in the log';
  const ITEM = {
    'fan-runs': {
      title: 'Fan seen on and off',
      met: switched || onThenOff || (sawOn && passed('key-off-fan')) || passed('fan-command'),
      open: sawOn ? 'Came on and was not seen to go off: let it idle until it does' : open
    },
    'fan-stops': {
      title: 'Fan seen off cold, and on at its point',
      met: switched || (offFirst && (sawOn || atPoint)),
      open: offFirst ? 'Stays off; see that it comes on when it is due' : open
    },
    'fan-point': { title: 'Fan comes on at its point', met: switched || atPoint, open }
  }[how as 'fan-runs' | 'fan-stops' | 'fan-point'];
  return {
    id: 'fan',
    title: ITEM.title,
    met: ITEM.met,
    says: ITEM.met ? 'Seen' : ITEM.open,
    needed: true,
    check: 'fan-switching'
  };
}
/** A reading that is rounded, at a moving temperature, °C. */
const FAN_NEAR_C = 4;

/** A system that was opened is looked over, or held under pressure: the latest of the two decides. */
function leakItem(after: readonly JudgedCheck[]): ProofItem {
  const last = after.findLast((d) => d.check === 'level-and-look' || d.check === 'pressure-hold');
  return {
    id: 'leak',
    title: 'No leak',
    met: last?.outcome.result === 'pass',
    says: last?.outcome.says ?? 'Neither level and look nor pressure hold since the repair',
    needed: true,
    check: 'level-and-look'
  };
}

/** Codes read after the drive that proves. `from` is when that was; null where it was not yet. */
function codesItem(after: readonly JudgedCheck[], from: string | null): ProofItem {
  const read = after.findLast((d) => d.check === 'codes');
  const counts = read && from !== null && read.at > from ? read : null;
  return {
    id: 'codes',
    title: 'Codes clear after a drive',
    met: counts?.outcome.result === 'pass',
    says:
      counts?.outcome.says ??
      (read ? 'Read before the drive that proves: read them again after it' : 'Not read since the repair'),
    needed: true,
    check: 'codes'
  };
}

/** Each check that failed before, unless it was of a part that is out: done again and passed, or still open. */
function failedItems(
  before: readonly JudgedCheck[],
  after: readonly JudgedCheck[],
  repairs: readonly RepairId[]
): ProofItem[] {
  return [...new Set(before.map((d) => d.check))]
    .filter((c) => c !== 'warm-up-run' && c !== 'road-run' && c !== 'codes' && c !== 'soak')
    .flatMap((c) => before.findLast((d) => d.check === c && d.outcome.result !== 'void') ?? [])
    .filter((d) => d.outcome.result === 'fail')
    .filter((d) => !checkOf(d.check).measures?.some((part) => repairs.includes(part)))
    .map((d) => {
      const again = after.findLast((a) => a.check === d.check);
      return {
        id: `check/${d.check}`,
        title: `${checkOf(d.check).title}, which failed`,
        met: again?.outcome.result === 'pass',
        says: again?.outcome.says ?? 'Not done again since the repair',
        needed: true,
        check: d.check
      };
    });
}

/** What shows that a complaint is gone: checks and items of the proof that are about it. Where none is, a person's word. */
const TIED_TO: Readonly<Record<SymptomKind, readonly string[]>> = {
  gauge: ['check/gauge-compare', 'run'],
  heater: ['check/heater-air'],
  fan: [
    'fan',
    'check/fan-switching',
    'check/clutch-hot-speed',
    'check/clutch-electronic',
    'check/key-off-fan'
  ],
  smell: ['leak'],
  power: [],
  ac: [],
  economy: [],
  noise: ['check/clutch-play', 'check/clutch-cold-turn']
};

/** A complaint is gone by what it was about: by what shows it, or by who tried it. */
function complaintItem(
  symptom: Symptom,
  items: readonly ProofItem[],
  after: readonly JudgedCheck[],
  { repairedAt, tried = [] }: Repaired
): ProofItem {
  const word = tried.findLast((t) => t.what === symptom.what && t.at > repairedAt);
  const shown = TIED_TO[SYMPTOMS[symptom.what].kind].flatMap((id) => {
    const item = items.find((i) => i.id === id);
    if (item) return [item];
    const done = after.findLast((d) => `check/${d.check}` === id);
    return done ? [{ title: checkOf(done.check).title, met: done.outcome.result === 'pass' }] : [];
  })[0];
  const says = () => {
    if (word)
      return word.gone ? `Tried again: gone${word.how ? `, ${word.how}` : ''}` : 'Tried again: still there';
    return shown
      ? `${shown.title}: ${shown.met ? 'shown' : 'open'}`
      : 'Nothing on record speaks of it: try it again';
  };
  return {
    id: `complaint/${symptom.what}`,
    title: `Complaint: ${symptomText(symptom)}`,
    met: word ? word.gone : (shown?.met ?? false),
    says: says(),
    needed: false,
    check: SYMPTOMS[symptom.what].kind === 'heater' ? 'heater-air' : null
  };
}

/** A way to close a job, with the reason why it may not be chosen; null where it may. */
export interface Closing {
  readonly outcome: JobOutcome;
  readonly refused: string | null;
}

/**
 * How a job may close: the words are earned by the record. Repaired and proven closes as that and no less; repaired
 * and not proven is named so; without a repair nothing was fixed. Each that may not be chosen with the reason.
 */
export function closings(repairs: readonly string[], proof: Proof | null): Closing[] {
  const referred = repairs.includes('refer-on');
  const repaired = repairs.some((r) => r !== 'refer-on' && r !== 'none');
  const missing = proof?.items.filter((i) => i.needed && !i.met).map((i) => midSentence(i.title)) ?? [];
  const reason: Readonly<Record<JobOutcome, string | null>> = {
    'fixed and proven': !repaired
      ? 'no repair is written down'
      : proof?.proven
        ? null
        : `not proven yet: ${missing.join(', ')}`,
    'fixed, unproven': !repaired ? 'no repair is written down' : proof?.proven ? 'it is proven' : null,
    'no fault found': repaired || referred ? 'a repair is written down' : null,
    'referred on': repaired ? 'a repair is written down' : null,
    declined: repaired ? 'a repair is written down' : null
  };
  return OUTCOMES.map((outcome) => ({ outcome, refused: reason[outcome] }));
}
