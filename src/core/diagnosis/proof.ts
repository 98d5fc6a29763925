import { FAULTS } from '../faults/registry';
import { checkOf, type CheckId } from '../checks/registry';
import { sayC } from '../units/say';
import { FAN_DEAD, type FaultId } from '../vehicle/faults';
import { limitsOf } from '../vehicle/limits';
import { repairOf, type RepairId } from '../vehicle/repairs';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { SYMPTOMS, symptomText, type Symptom, type SymptomId, type SymptomKind } from '../vehicle/symptoms';
import type { JudgedCheck } from './judged';
import { runProves, type ProofByRun, type ProofRun } from './proof-run';

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
export interface Repaired extends ProofByRun {
  readonly repairs: readonly RepairId[];
  readonly done: readonly JudgedCheck[];
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
  const { curve, provenBy } = FAULTS[cause];
  return provenBy ?? (curve.kind === 'unseen' ? 'checks' : 'run');
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

  const run = how === 'run' ? runProves(job) : null;
  const items: ProofItem[] = [
    ...(run ? [runItem(run)] : []),
    ...(how.startsWith('fan') ? [fanItem(how, since, after, job.sheet)] : []),
    ...(repairs.some((id) => repairOf(id).drains) ? [leakItem(after)] : []),
    ...failedItems(before, after, repairs),
    codesItem(after, run ? run.at : repairedAt)
  ];
  items.push(...symptoms.map((s) => complaintItem(s, items, after, job)));
  const open = items.filter((i) => i.needed && !i.met);
  return { items, proven: open.length === 0, next: inOrder(open)[0] ?? null };
}

/** A leak is looked for before the engine is driven, and codes are read after it was. */
const ORDER: readonly string[] = ['leak', 'fan', 'run', 'check', 'codes', 'complaint'];
const inOrder = (items: readonly ProofItem[]): ProofItem[] => {
  const place = (i: ProofItem) => ORDER.indexOf(i.id.split('/')[0]);
  return items.toSorted((a, b) => place(a) - place(b));
};

const runItem = ({ met, says }: ReturnType<typeof runProves>): ProofItem => ({
  id: 'run',
  title: 'A run in its band since the repair',
  met,
  says,
  needed: true,
  check: 'warm-up-run'
});

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
        ? `Not needed in this run: the hottest was ${sayC(hottest, 0)}, it comes on at ${sayC(due, 0)}. Hold a fast idle until it does`
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
    // Nothing is proven of a vehicle whose driver finds it as it was.
    needed: word?.gone === false,
    check: SYMPTOMS[symptom.what].kind === 'heater' ? 'heater-air' : null
  };
}
