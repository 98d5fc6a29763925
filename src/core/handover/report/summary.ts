import { FAULTS } from '../../faults/registry';
import { midSentence, sayChance } from '../../base/text';
import type { Case } from '../../diagnosis/case';
import type { JobState } from '../../record/derive';
import { repairTitles } from '../../record/repair-done';
import { complaintText } from '../../record/describe-event';
import type { Proof } from '../../diagnosis/proof';

/** Below this a cause is not called found. */
const FOUND = 0.8;

/** The job for someone who knows no engines: what was wrong, what was done, whether it is proven, what to watch. */
export function summaryOf(known: Case, date: (iso: string) => string): string[] {
  const { state, proof } = known;
  return [
    `You told us: ${stop(complaintText(state.intake))}`,
    foundWords(known),
    doneWords(state),
    provenWords(state, proof),
    state.lookAgain
      ? `Please bring it back around ${date(state.lookAgain)}, so that we can see whether it holds.`
      : ''
  ].filter(Boolean);
}

function foundWords({ state, opinionBefore, entered }: Case): string {
  const [first, second] = opinionBefore.now.suspects;
  const cause = state.cause;
  if (cause === 'none' || state.outcome === 'no fault found')
    return 'We found nothing wrong: the engine does what it should under the conditions we had.';
  const means = (id: keyof typeof FAULTS) => stop(FAULTS[id].means);
  if (cause) return `What we found: ${midSentence(FAULTS[cause].title)}. ${means(cause)}`;
  if (entered.length === 0) return 'Nothing has been measured yet.';
  if (first.fault === 'none')
    return 'So far nothing speaks for a fault. That is not the same as none: see what was not done.';
  const sure = sayChance(first.probability);
  if (first.probability >= FOUND) return `It is most likely this: ${means(first.fault)} How sure: ${sure}.`;
  return `It is not settled. Most likely is ${midSentence(FAULTS[first.fault].title)} (${sure})${second ? `, then ${midSentence(FAULTS[second.fault].title)}` : ''}.`;
}

const doneWords = ({ repairs }: JobState): string =>
  repairs.length === 0
    ? 'Nothing has been repaired.'
    : `What we did: ${repairs.map((r) => midSentence(repairTitles(r.done.repairs))).join('; then ')}.`;

function provenWords(state: JobState, proof: Proof | null): string {
  switch (state.outcome) {
    case 'fixed and proven':
      return 'The repair is proven: after it the engine warmed up and held its temperature as it should, the way we saw it fail before.';
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
      return open ? `Not finished: ${open}.` : 'The proof is complete; the job is not closed yet.';
    }
  }
}

const judgedOpen = (proof: Proof | null): string =>
  (proof?.items ?? [])
    .filter((i) => i.needed && !i.met)
    .map((i) => midSentence(i.title))
    .join(', ');

/** A sentence with one full stop at its end. */
const stop = (text: string): string => `${text.replace(/[.\s]+$/, '')}.`;
