/** A title inside a sentence: lower case, but for abbreviations. */
export const midSentence = (title: string): string =>
  /^[A-Z][A-Z\d]/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1);

/** Words as they begin a sentence. */
export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A chance (0 to 1) in whole percent, the same wherever it stands; the ends are never told as certain. */
export const sayChance = (p: number): string =>
  p < 0.01 ? '<\u00a01\u00a0%' : p > 0.99 ? '>\u00a099\u00a0%' : `${Math.round(100 * p)}\u00a0%`;

/** How sure, in words: least chance (0 to 1) of each, as the trade says it. */
const SURE = [
  [0.97, 'almost certain'],
  [0.9, 'very likely'],
  [0.7, 'likely'],
  [0.3, 'possible'],
  [0.1, 'unlikely'],
  [0, 'very unlikely']
] as const;

/** A chance (0 to 1) in words, by its whole percent: what stands beside it says the same. */
export const sayLikely = (p: number): (typeof SURE)[number][1] =>
  SURE.find(([least]) => Math.round(100 * p) / 100 >= least)![1];

/** How much a finding weighs, by its decibans (10 · log₁₀ of how many times as well one cause explains it as the others). */
export const sayWeight = (decibans: number): 'strong' | 'clear' | 'weak' =>
  Math.abs(decibans) >= 10 ? 'strong' : Math.abs(decibans) >= 5 ? 'clear' : 'weak';

/** The figure behind it: how many times more, or less, likely this finding is under the cause. */
export const sayOdds = (decibans: number): string => {
  const times = 10 ** (Math.abs(decibans) / 10);
  return `${times < 10 ? times.toFixed(1) : Math.min(times, 9999).toFixed(0)} times as ${decibans > 0 ? 'likely' : 'unlikely'}`;
};

/** Minutes and seconds of a run: 3:05. */
export const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
