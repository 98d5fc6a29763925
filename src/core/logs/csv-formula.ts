/** What a spreadsheet takes for the beginning of a formula, behind any number of our own marks. */
const FORMULA = /^'*[=+\-@\t\r]/;

/** A text of a cell that no spreadsheet runs: one that looks like a formula has a mark before it. */
export const guarded = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);

/** The text as it was before {@link guarded}. */
export const unguarded = (text: string): string =>
  text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text;
