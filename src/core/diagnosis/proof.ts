import { OUTCOMES, type JobOutcome } from '../record/closing';
import { midSentence } from '../base/text';
import { checkOf } from '../checks/registry';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { SYMPTOMS, symptomText, type Symptom, type SymptomKind } from '../vehicle/symptoms';
import type { JudgedCheck } from './judged';
import type { RunSummary } from '../runs/run-summary';
import { incomparable } from '../runs/compare';
import { sayC } from '../units/say';

/** What the proof asks of a run. */
export type ProofRun = Pick<RunSummary, 'id' | 'at' | 'title' | 'verdict' | 'features'>;

/** One thing a repair is proven by. */
interface ProofItem {
  readonly id: string;
  readonly title: string;
  readonly met: boolean;
  readonly says: string;
  /** Without it the job does not close as proven. */
  readonly needed: boolean;
}

export interface Proof {
  readonly items: readonly ProofItem[];
  readonly proven: boolean;
}

/**
 * What the record proves of a repair done at `repairedAt`: the same run again and healthy, the fan seen on and off
 * where it switches, every failed check passed since, codes still clear, no leak. Only what came after the repair
 * counts.
 */
export function proofOf(job: {
  readonly repairedAt: string;
  readonly done: readonly JudgedCheck[];
  readonly runs: readonly ProofRun[];
  readonly sheet: SpecSheet | null;
  readonly symptoms?: readonly Symptom[];
}): Proof {
  const { repairedAt, done, runs, sheet, symptoms = [] } = job;
  const after = done.filter((d) => d.at > repairedAt && d.outcome.result !== 'void');
  const before = done.filter((d) => d.at <= repairedAt);
  const since = runs.filter((r) => r.at > repairedAt);
  const run = since.at(-1);
  const first =
    runs.find((r) => r.at <= repairedAt && r.verdict !== 'none') ?? runs.find((r) => r.at <= repairedAt);
  const last = (check: JudgedCheck['check']) => after.findLast((d) => d.check === check);

  const unlike = run && first ? incomparable(first.features, run.features) : [];
  const items: ProofItem[] = [
    {
      id: 'run',
      title: 'A run in its band since the repair',
      met: run?.verdict === 'none',
      says: !run
        ? 'No run since the repair: record the same one again'
        : run.verdict === 'none'
          ? `${run.title}${unlike.length > 0 ? `; not quite comparable: ${unlike.join(', ')}` : ''}`
          : run.verdict === 'not-enough'
            ? 'The run since the repair was too short or too mild to say'
            : `The run since the repair still fits ${midSentence(run.title)}`,
      needed: true
    },
    ...fanItem(since, sheet),
    {
      id: 'codes',
      title: 'Codes clear after a drive',
      met: last('codes')?.outcome.result === 'pass',
      says: last('codes')?.outcome.says ?? 'Not read since the repair',
      needed: true
    },
    {
      id: 'leak',
      title: 'No leak',
      met: [last('level-and-look'), last('pressure-hold')].some((d) => d?.outcome.result === 'pass'),
      says:
        (last('pressure-hold') ?? last('level-and-look'))?.outcome.says ??
        'Neither level and look nor pressure hold since the repair',
      needed: true
    },
    ...failedItems(before, after)
  ];
  items.push(...symptoms.map((s) => complaintItem(s, items)));
  return { items, proven: items.every((i) => i.met || !i.needed) };
}

/** A fan that is switched must be seen to come on and go off, in any run since; one that never had reason to is said so. */
function fanItem(since: readonly ProofRun[], sheet: SpecSheet | null): ProofItem[] {
  const due = sheet?.fan?.stages?.[0];
  if (!due) return [];
  const saw = (to: 'on' | 'off') => since.some((r) => r.features.fan.switches.some((s) => s.to === to));
  const hottest = Math.max(...since.map((r) => r.features.maxC ?? -Infinity));
  const met = since.some((r) => {
    const { switches } = r.features.fan;
    const on = switches.findIndex((s) => s.to === 'on');
    return on >= 0 && switches.slice(on).some((s) => s.to === 'off');
  });
  const says = () => {
    if (since.length === 0) return 'No run since the repair';
    if (met) return 'Came on and went off';
    if (saw('on')) return 'Came on and was not seen to go off: let it idle until it does';
    return hottest < due.onC
      ? `Never had to: the hottest was ${sayC(hottest, 0)}, it comes on at ${sayC(due.onC)}. Hold a fast idle until it does`
      : 'Not seen in the log';
  };
  return [{ id: 'fan', title: 'Fan seen on and off', met, says: says(), needed: true }];
}

/** What shows that a complaint is gone: the items of the proof it is tied to, any of which speaks for it. */
const TIED_TO: Readonly<Record<SymptomKind, readonly string[]>> = {
  gauge: ['check/gauge-compare', 'run'],
  heater: ['run'],
  fan: ['fan', 'check/clutch-hot-speed', 'check/clutch-electronic', 'run'],
  smell: ['leak'],
  power: ['run'],
  ac: ['run'],
  economy: ['run'],
  noise: ['check/clutch-play', 'check/clutch-cold-turn', 'check/clutch-electronic', 'run']
};

/** A complaint is tied to something that now passes. The first of its items that the job has is the one that counts. */
function complaintItem(symptom: Symptom, items: readonly ProofItem[]): ProofItem {
  const tied = TIED_TO[SYMPTOMS[symptom.what].kind].flatMap((id) => items.find((i) => i.id === id) ?? [])[0];
  return {
    id: `complaint/${symptom.what}`,
    title: `Complaint: ${symptomText(symptom)}`,
    met: tied?.met ?? false,
    says: tied ? `${tied.title}: ${tied.met ? 'shown' : 'open'}` : 'Nothing on record speaks of it',
    needed: false
  };
}

/** Each check that failed before: passed since, or still open. The run's own verdict stands above. */
function failedItems(before: readonly JudgedCheck[], after: readonly JudgedCheck[]): ProofItem[] {
  const stoodBefore = [...new Set(before.map((d) => d.check))]
    .filter((c) => !['warm-up-run', 'road-run', 'codes', 'level-and-look'].includes(c))
    // What was measured on a part that was out is of the old part.
    .filter((c) => !checkOf(c).phases.every((phase) => phase === 'B'))
    .flatMap((c) => before.findLast((d) => d.check === c && d.outcome.result !== 'void') ?? [])
    .filter((d) => d.outcome.result === 'fail');
  return stoodBefore.map((d) => {
    const again = after.findLast((a) => a.check === d.check);
    return {
      id: `check/${d.check}`,
      title: `${checkOf(d.check).title}, which failed`,
      met: again?.outcome.result === 'pass',
      says: again?.outcome.says ?? 'Not done again since the repair',
      needed: false
    };
  });
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
