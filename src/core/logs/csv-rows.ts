/**
 * A row reader for delimited text that works on bytes and knows its line numbers.
 *
 * It is our own for a measured reason (docs/architecture.md): on a million rows of five columns it is some
 * twenty times as fast as the packaged parsers tried, and one of those joined a short row to the next in
 * silence, where a technician needs the line named. Well-formed input is checked against papaparse in its test.
 */
export interface RowReader {
  /** Moves to the next row that has any text. False at the end. */
  next(): boolean;
  /** Cells of the present row. */
  readonly width: number;
  /** Line on which the present row starts, from 1. */
  readonly line: number;
  /** Whether the present row ended with a line end (a last row cut off in mid-write does not). */
  readonly complete: boolean;
  text(cell: number): string;
  /** The cell as a number: NaN where blank, undefined where it is text. `decimal` is a dot or a comma. */
  number(cell: number): number | undefined;
}

const QUOTE = 34;
const CR = 13;
const LF = 10;
const SPACE = 32;
const MINUS = 45;
const PLUS = 43;
const ZERO = 48;
/** Cells of a row that are kept apart. */
const MOST_CELLS = 4096;
const POW10 = Array.from({ length: 16 }, (_, i) => 10 ** i);

export function rowReader(
  bytes: Uint8Array,
  delimiter: string,
  decimal: '.' | ',',
  decode: (part: Uint8Array) => string
): RowReader {
  const delim = delimiter.charCodeAt(0);
  const point = decimal.charCodeAt(0);
  const end = bytes.length;
  const from = new Int32Array(MOST_CELLS);
  const to = new Int32Array(MOST_CELLS);
  /** What a cell of plain figures says, read while it is marked; NaN where it is to be read with more care. */
  const plain = new Float64Array(MOST_CELLS);
  let at = 0;
  let lineNow = 1;
  const row = { width: 0, line: 0, complete: true };

  /**
   * Marks the cells of one row and reads those of plain figures; returns whether any holds text. Its place is kept in a
   * local: this is the inner loop.
   */
  function scan(): boolean {
    let i = at;
    let width = 0;
    row.line = lineNow;
    row.complete = false;
    let filled = false;
    for (;;) {
      let start = i;
      let quoted = false;
      let value = NaN;
      if (i < end && bytes[i] === QUOTE) {
        quoted = true;
        start = ++i;
        while (i < end && !(bytes[i] === QUOTE && bytes[i + 1] !== QUOTE)) {
          if (bytes[i] === LF) lineNow++;
          i += bytes[i] === QUOTE ? 2 : 1;
        }
      } else {
        const negative = i < end && bytes[i] === MINUS;
        if (negative) i++;
        const first = i;
        let mantissa = 0;
        let pointAt = -1;
        for (; i < end; i++) {
          const d = bytes[i] - ZERO;
          if (d >= 0 && d <= 9) mantissa = mantissa * 10 + d;
          else if (bytes[i] === point && point !== delim && pointAt < 0) pointAt = i;
          else break;
        }
        const figures = i - first - (pointAt < 0 ? 0 : 1);
        // A double holds fifteen figures exactly.
        if (figures > 0 && figures <= 15) {
          value = pointAt < 0 ? mantissa : mantissa / POW10[i - pointAt - 1];
          if (negative) value = -value;
        }
        for (; i < end; i++) {
          const c = bytes[i];
          if (c === delim || c === LF || c === CR) break;
          value = NaN;
        }
      }
      const cell = width < MOST_CELLS ? width : MOST_CELLS - 1;
      width++;
      from[cell] = start;
      to[cell] = i;
      plain[cell] = value;
      if (quoted || i > start) filled = true;
      if (quoted) while (i < end && bytes[i] !== delim && bytes[i] !== LF && bytes[i] !== CR) i++;
      if (i >= end) {
        i = end + 1;
        break;
      }
      const c = bytes[i++];
      if (c === delim) continue;
      row.complete = true;
      if (c === CR && i < end && bytes[i] === LF) i++;
      lineNow++;
      break;
    }
    row.width = width;
    at = i;
    return filled;
  }

  /** A cell that is blank, has blanks around it, a plus, more figures than a double holds, an exponent, or is text. */
  function carefulNumber(cell: number): number | undefined {
    let i = from[cell];
    let stop = to[cell];
    while (i < stop && bytes[i] <= SPACE) i++;
    while (stop > i && bytes[stop - 1] <= SPACE) stop--;
    if (i === stop) return NaN;
    const first = i;
    const negative = bytes[i] === MINUS;
    if (negative || bytes[i] === PLUS) i++;
    let mantissa = 0;
    let digits = 0;
    let decimals = -1;
    for (; i < stop; i++) {
      const d = bytes[i] - ZERO;
      if (d >= 0 && d <= 9) {
        digits++;
        // A double holds fifteen digits: further decimals change nothing and cost exactness.
        if (digits > 15 && decimals >= 0) continue;
        mantissa = mantissa * 10 + d;
        if (decimals >= 0) decimals++;
      } else if (bytes[i] === point && decimals < 0) decimals = 0;
      else return slowNumber(first, stop);
    }
    if (digits === 0 || (digits > 15 && decimals < 0)) return slowNumber(first, stop);
    if (decimals > 0) mantissa /= POW10[decimals];
    return negative ? -mantissa : mantissa;
  }

  function slowNumber(start: number, stop: number): number | undefined {
    let text = decode(bytes.subarray(start, stop)).replace(/[−–]/g, '-');
    if (decimal === ',') text = text.replace(',', '.');
    const value = /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(text) ? Number(text) : undefined;
    return value !== undefined && Number.isFinite(value) ? value : undefined;
  }

  return {
    next() {
      while (at <= end) {
        if (at === end) {
          at++;
          return false;
        }
        if (scan()) return true;
      }
      return false;
    },
    get width() {
      return row.width;
    },
    get line() {
      return row.line;
    },
    get complete() {
      return row.complete;
    },
    text: (cell) =>
      cell < row.width ? decode(bytes.subarray(from[cell], to[cell])).replace(/""/g, '"').trim() : '',
    number: (cell) => {
      const value = plain[cell];
      return Number.isNaN(value) ? carefulNumber(cell) : value;
    }
  };
}
