/** The words a person typed to find something. No text of the database has a zero character, and none is asked for. */
export const wordsOf = (asked: string): string[] =>
  asked.replaceAll('\0', ' ').split(/\s+/).filter(Boolean).slice(0, 8);

/** A pattern for LIKE that matches whatever contains a word in small letters: its own wildcards stand for themselves. */
export const containing = (word: string): string =>
  `%${word.toLowerCase().replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
