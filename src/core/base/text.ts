/** A title inside a sentence: lower case, but for abbreviations. */
export const midSentence = (title: string): string =>
  /^[A-Z]{2}/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1);
