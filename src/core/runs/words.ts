import { FAULTS } from '../faults/registry';
import { midSentence, sayChance } from '../base/text';
import type { FaultId } from '../vehicle/faults';
import type { Analysis } from './analyse';
import type { Beside } from './beside';
import type { BlindSpot } from './blind';

/** The verdict as a headline. */
export const verdictTitle = (a: Pick<Analysis, 'verdict'>): string =>
  a.verdict === 'not-enough' ? 'Not enough to say' : FAULTS[a.verdict].title;

/** How sure, in a word that stands beside the number. */
export function sureness(probability: number): string {
  if (probability >= 0.9) return 'nearly certain';
  if (probability >= 0.7) return 'likely';
  if (probability >= 0.45) return 'more likely than not';
  return 'leading, not settled';
}

/** One sentence under the headline: what fits, what else could, what is missing. */
export function verdictSentence(a: Pick<Analysis, 'verdict' | 'suspects' | 'couldNotShow'>): string {
  const [first, second] = a.suspects;
  if (a.verdict === 'not-enough') {
    const healthy = a.suspects.find((s) => s.fault === 'none');
    if (healthy && first.fault !== 'none') return undecided(first, healthy.probability, a.couldNotShow);
    const what =
      a.couldNotShow.find((b) => b.fault === 'thermostat-stuck-closed') ??
      a.couldNotShow.find((b) => b.fault.startsWith('thermostat'));
    return what ? `${sentence(what.because)}. ${what.toShow}.` : 'The run is too short or too mild to judge.';
  }
  const [told] = explainedBy(a.suspects);
  const others = told?.faults.slice(1) ?? [];
  if (others.length > 0)
    return `${FAULTS[a.verdict].means}; or ${others.map((f) => midSentence(FAULTS[f].title)).join(', ')}, which draws nearly the same curve on this drive. Together ${sureness(told.probability)}. Another check tells them apart; the same run again does not.`;
  const rival =
    second && second.probability >= 0.1
      ? ` ${FAULTS[second.fault].title} could explain it too (${sayChance(second.probability)}).`
      : '';
  const means = FAULTS[a.verdict].means;
  return `${means}: ${sureness(first?.probability ?? 0)}.${rival}`;
}

/** A fault leads, and yet a healthy engine may draw such a curve. */
function undecided(
  { fault, probability }: Analysis['suspects'][number],
  healthy: number,
  blind: Analysis['couldNotShow']
): string {
  const next = blind.find((b) => b.fault === fault)?.toShow;
  return (
    `${FAULTS[fault].title} leads (${sayChance(probability)}), but a healthy engine may draw this curve too ` +
    `(${sayChance(healthy)}).${next ? ` ${next}.` : ' Its checks, or a second run, will tell.'}`
  );
}

/** What could explain a run, as it is told: faults that draw nearly one curve in one row, with what they have together. */
interface ExplainedBy {
  /** The leading one first. */
  readonly faults: readonly FaultId[];
  /** All of them by name. */
  readonly title: string;
  readonly probability: number;
  /** Others that draw the very same curve in any log, and have no share of their own. */
  readonly alike: readonly FaultId[];
}

/** Every explanation of a run in the rows in which it is told, on every page and on the command line. */
export function explainedBy(suspects: Analysis['suspects']): ExplainedBy[] {
  const rows: ExplainedBy[] = [];
  for (const suspect of suspects) {
    if (rows.some((r) => r.faults.includes(suspect.fault))) continue;
    const free = suspects.filter((s) => !rows.some((r) => r.faults.includes(s.fault)));
    const group = free.filter((s) => s === suspect || suspect.alike.includes(s.fault));
    const faults = [suspect.fault, ...group.flatMap((s) => (s === suspect ? [] : [s.fault]))];
    const titles = faults.map((f) => FAULTS[f].title);
    rows.push({
      faults,
      title: [titles[0], ...titles.slice(1).map(midSentence)].join(' or '),
      probability: group.reduce((sum, s) => sum + s.probability, 0),
      alike: suspect.alike.filter((f) => !suspects.some((s) => s.fault === f))
    });
  }
  return rows;
}

/** The faults that the leading one hides. */
export const hiddenFaults = (beside: Beside | null | undefined): FaultId[] =>
  (beside?.faults ?? []).flatMap(({ fault, hidden }) => (hidden ? [fault] : []));

/** Faults that a run could not have shown because the leading one hides them, in the words of a blind spot. */
const hiddenBehind = (beside: Beside | null | undefined): BlindSpot[] =>
  hiddenFaults(beside).map((fault) => ({
    fault,
    because: `${midSentence(FAULTS[beside!.leading].title)} hides it: with both the run would have looked the same`,
    toShow: 'Put that right first, then drive the same again'
  }));

/** Everything a run could not have shown, by its own drive and air or behind its leading cause, each fault once. */
export const notShownBy = ({
  couldNotShow,
  beside
}: {
  readonly couldNotShow: readonly BlindSpot[];
  readonly beside?: Beside | null;
}): BlindSpot[] => [
  ...couldNotShow,
  ...hiddenBehind(beside).filter((h) => !couldNotShow.some((b) => b.fault === h.fault))
];

export interface BlindGroup {
  readonly because: string;
  readonly toShow: string;
  readonly titles: readonly string[];
}

/** Blind spots that one and the same drive would show, told together. */
export function groupedBlindSpots(spots: Analysis['couldNotShow']): BlindGroup[] {
  const groups = new Map<string, { because: string; toShow: string; titles: string[] }>();
  for (const { fault, because, toShow } of spots) {
    const key = `${because}|${toShow}`;
    const group = groups.get(key) ?? { because, toShow, titles: [] };
    group.titles.push(FAULTS[fault].title);
    groups.set(key, group);
  }
  return [...groups.values()];
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
