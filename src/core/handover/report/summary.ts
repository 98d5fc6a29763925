import { FAULTS } from '../../faults/registry';
import { midSentence, sayLikely, sentence } from '../../base/text';
import { sayC } from '../../units/say';
import { limitsOf } from '../../vehicle/limits';
import type { RunSummary } from '../../runs/run-summary';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import type { Case } from '../../diagnosis/case';
import type { JobState } from '../../record/derive';
import { repairsDone } from '../../record/repair-done';
import { complaintText } from '../../record/describe-event';
import type { Proof } from '../../diagnosis/proof';

/** Below this a cause is not called found. */
const FOUND = 0.8;

/** The job for someone who knows no engines: what was wrong, what was done, whether it is proven, what to watch. */
export function summaryOf(known: Case, date: (iso: string) => string): string[] {
  const { state } = known;
  return [
    `You told us: ${stop(complaintText(state.intake))}`,
    foundWords(known),
    doneWords(state),
    provenWords(known),
    state.lookAgain
      ? `Please bring it back around ${date(state.lookAgain)}, so that we can see whether it holds.`
      : ''
  ].filter(Boolean);
}

function foundWords({ state, opinionBefore, entered, pair, sheet }: Case): string {
  const [first, second] = opinionBefore.now.suspects;
  const cause = state.cause;
  if (cause === 'none' || state.outcome === 'no fault found')
    return 'We found nothing wrong: the engine does what it should under the conditions we had.';
  const called = (id: keyof typeof FAULTS) => midSentence(FAULTS[id].title);
  const means = (id: keyof typeof FAULTS) => stop(FAULTS[id].means);
  if (cause)
    return `We found: ${called(cause)}. ${[means(cause), measured(pair.before, sheet)].join(' ').trim()}`;
  if (entered.length === 0) return 'Nothing has been measured yet.';
  if (first.fault === 'none')
    return 'So far nothing points to a fault. That is not the same as none: see what was not done.';
  const sure = sentence(sayLikely(first.probability));
  if (first.probability >= FOUND) return `${sure}: ${called(first.fault)}. ${means(first.fault)}`;
  return `It is not settled. The first suspect is ${called(first.fault)}${second ? `, then ${called(second.fault)}` : ''}.`;
}

/** What the engine did before the repair, where that lay outside what it should do. */
function measured(before: RunSummary | null, sheet: SpecSheet | null): string {
  const held = before?.features.plateauC ?? null;
  if (held === null || !sheet) return '';
  const { regulatingLowC: low, regulatingHighC: high } = limitsOf(sheet);
  return held >= low.value && held <= high.value
    ? ''
    : `The engine ran at ${sayC(held, 0)} instead of ${Math.round(low.value)} to ${sayC(high.value, 0)}.`;
}

const doneWords = ({ repairs }: JobState): string =>
  repairs.length === 0
    ? 'Nothing has been repaired.'
    : `We ${repairs.map((r) => repairsDone(r.done.repairs)).join(', then ')}.`;

function provenWords({ state, proof, pair }: Case): string {
  switch (state.outcome) {
    case 'fixed and proven':
      return drove(pair.after);
    case 'fixed, unproven':
      return `The repair is not proven yet. What is missing: ${(proof?.items ?? [])
        .filter((i) => i.needed && !i.met)
        .map((i) => midSentence(i.title))
        .join(', ')}.`;
    case 'referred on':
      return 'This needs work we do not do here: it is referred on. Do not drive it hot.';
    case 'declined':
      return 'The repair was declined. The fault is still there.';
    case 'no fault found':
      return '';
    default: {
      if (state.repairs.length === 0) return '';
      const open = judgedOpen(proof);
      return open ? `Not finished: ${open}.` : 'The proof is complete. The job is still open.';
    }
  }
}

/** How the drive after the repair went, as far as it was logged. */
function drove(after: RunSummary | null): string {
  if (!after) return 'We checked it again: what failed before passes now.';
  const { nearRegulatingAtS: warm, plateauC: holds } = after.features;
  const does = [
    warm === null ? '' : `warms up in ${Math.max(1, Math.round(warm / 60))} minutes`,
    holds === null ? '' : `holds ${sayC(holds, 0)}`
  ].filter(Boolean);
  return `We drove it again the way the fault would show: it now ${does.length > 0 ? does.join(' and ') : 'runs as it should'}.`;
}

const judgedOpen = (proof: Proof | null): string =>
  (proof?.items ?? [])
    .filter((i) => i.needed && !i.met)
    .map((i) => midSentence(i.title))
    .join(', ');

/** A sentence with one full stop at its end. */
const stop = (text: string): string => `${text.replace(/[.\s]+$/, '')}.`;
