/** A title inside a sentence: lower case, but for abbreviations. */
export const midSentence = (title: string): string =>
  /^[A-Z][A-Z\d]/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1);

/** A chance (0 to 1) in whole percent, the same wherever it stands; the ends are never told as certain. */
export const sayChance = (p: number): string =>
  p < 0.01 ? '<\u00a01\u00a0%' : p > 0.99 ? '>\u00a099\u00a0%' : `${Math.round(100 * p)}\u00a0%`;

/** Minutes and seconds of a run: 3:05. */
export const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;
