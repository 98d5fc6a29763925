import { midSentence } from '../base/text';
import type { Blindness } from '../faults/fault';
import { FAULTS } from '../faults/registry';
import { incomparable } from '../runs/compare';
import type { RunSummary } from '../runs/run-summary';
import type { FaultId } from '../vehicle/faults';
import { fanStages, limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** What the proof asks of a run. */
export type ProofRun = Pick<
  RunSummary,
  'id' | 'at' | 'title' | 'verdict' | 'features' | 'blind' | 'shownFrom' | 'suspects'
>;

/** A repair as a run can prove it. */
export interface ProofByRun {
  readonly repairedAt: string;
  /** What was put right, as it was believed before; null where nobody knows. */
  readonly cause: FaultId | null;
  readonly runs: readonly ProofRun[];
  readonly sheet: SpecSheet | null;
}

/** The same run again and healthy, where it could have shown what was repaired, as bad as it was. */
export function runProves({ runs, repairedAt, cause, sheet }: ProofByRun): {
  readonly met: boolean;
  readonly says: string;
  /** When codes read after it count: the run that proves, else the last one; null without any. */
  readonly at: string | null;
} {
  const since = runs.filter((r) => r.at > repairedAt);
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
      ? `This run could not show ${what}: ${blind.because}. ${blind.toShow}`
      : `This run could not show ${what} as mild as it was: drive it as hard and as hot as before`;
  };
  return { met, says: says(), at: (met ? proving : last)?.at ?? null };
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
    fanOnC: fanStages(sheet)[0]?.onC ?? null
  });
}
