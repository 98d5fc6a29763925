/** The words a person typed to find something. */
export const wordsOf = (asked: string): string[] => asked.split(/\s+/).filter(Boolean).slice(0, 8);

/** A pattern for LIKE that matches whatever contains a word in small letters: its own wildcards stand for themselves. */
export const containing = (word: string): string =>
  `%${word.toLowerCase().replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
