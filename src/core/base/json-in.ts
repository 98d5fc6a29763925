/** What JSON can write and no database keeps as text: a zero character, and half of a character. */
const NO_TEXT = /\\u(?:0000|d[89a-f])/i;

/**
 * JSON from outside, parsed. Zero characters are left out of its texts, and a half of a character becomes the sign for
 * what cannot be read, as they would in any text file. Throws a `SyntaxError` where it is no JSON.
 */
export const jsonIn = (text: string): unknown =>
  NO_TEXT.test(text)
    ? JSON.parse(text, (_, v: unknown) => (typeof v === 'string' ? v.replaceAll('\0', '').toWellFormed() : v))
    : JSON.parse(text);
