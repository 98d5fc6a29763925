import { FAULTS } from '../faults/registry';
import { midSentence, sayChance, sayLikely, sentence } from '../base/text';
import type { FaultId } from '../vehicle/faults';
import type { Analysis } from './analyse';
import type { BlindSpot } from './blind';

/** The verdict as a headline. */
export const verdictTitle = (a: Pick<Analysis, 'verdict'>): string =>
  a.verdict === 'not-enough' ? 'Not enough to say' : FAULTS[a.verdict].title;

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
    return `${FAULTS[a.verdict].means}; or ${others.map((f) => midSentence(FAULTS[f].title)).join(', ')}, which draws nearly the same curve on this drive. Together ${sayLikely(told.probability)}. Another check tells them apart; the same run again does not.`;
  const rival =
    second && second.probability >= 0.1
      ? ` ${FAULTS[second.fault].title} could explain it too (${sayChance(second.probability)}).`
      : '';
  const means = FAULTS[a.verdict].means;
  return `${means}: ${sayLikely(first?.probability ?? 0)}.${rival}`;
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

/** Faults that a run did not show because the one it settled on hides them; `blind` it was to the others anyway. */
const hiddenBy = (
  { verdict, beside }: Pick<Analysis, 'verdict' | 'beside'>,
  blind: readonly FaultId[]
): FaultId[] =>
  beside && beside.leading === verdict
    ? beside.faults.flatMap(({ fault, hidden }) => (hidden && !blind.includes(fault) ? [fault] : []))
    : [];

/** Everything a run could not show, by its own drive and air or behind what it settled on. */
export const notShownBy = (
  run: Pick<Analysis, 'verdict' | 'beside'> & { readonly blind: readonly FaultId[] }
): FaultId[] => [...run.blind, ...hiddenBy(run, run.blind)];

/** The same with the reasons, and what would show it. */
export const notShownSpots = (a: Pick<Analysis, 'verdict' | 'couldNotShow' | 'beside'>): BlindSpot[] => [
  ...a.couldNotShow,
  ...hiddenBy(
    a,
    a.couldNotShow.map((b) => b.fault)
  ).map((fault) => ({
    fault,
    because: `${midSentence(verdictTitle(a))} hides it: this run does not tell whether both are there`,
    toShow: 'Put that right first, then drive the same again'
  }))
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
