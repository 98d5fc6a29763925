import { rowReader } from './csv-rows';
import { decodeCell } from './csv-text';
import { momentOf, timeFormatOf, unaccented } from './csv-time';

/** Some loggers write a line a value: time, name, value and perhaps its unit. */
interface LongColumns {
  readonly delimiter: string;
  readonly width: number;
  readonly headerLine: number;
  readonly time: number;
  readonly name: number;
  readonly value: number;
  readonly unit: number;
}

const HEAD_BYTES = 64 * 1024;
const HEAD_ROWS = 300;
const MOST_NAMES = 60;
const MOST_COLUMNS = 6;
const NAME_WORDS =
  /^(name|parameter|pid|signal|channel|item|sensor|measurement|quantity|kanal|grosse|nom|nombre|nome|parametre|parametro)\b/;
const VALUE_WORDS = /^(value|reading|wert|messwert|valeur|valor|valore|data)\b/;
const UNIT_WORDS = /^(units?|einheit|unite|unidad|unita)\b/;

const isFigure = (cell: string) => /^[-+−]?\d+([.,]\d+)?$/.test(cell);

/** A long list of (time, name, value) as a table with a column a name; anything else as it came. Pure. */
export function wideOf(bytes: Uint8Array): Uint8Array {
  const found = longColumns(bytes);
  return found ? pivoted(bytes, found) : bytes;
}

/** The columns of a long list: one of few names that come again and again, one of values, one of times. */
function longColumns(bytes: Uint8Array): LongColumns | null {
  const head = bytes.subarray(0, HEAD_BYTES);
  for (const delimiter of [',', ';', '\t', '|']) {
    const rows: { line: number; cells: string[] }[] = [];
    const reader = rowReader(head, delimiter, '.', decodeCell);
    while (rows.length < HEAD_ROWS && reader.next())
      rows.push({ line: reader.line, cells: Array.from({ length: reader.width }, (_, i) => reader.text(i)) });
    // The last may be cut off.
    rows.pop();
    for (const [i, { cells, line }] of rows.slice(0, 60).entries()) {
      const words = cells.map((c) => unaccented(c).trim());
      const at = (w: RegExp) => words.findIndex((c) => w.test(c));
      const [name, value, unit] = [at(NAME_WORDS), at(VALUE_WORDS), at(UNIT_WORDS)];
      if (name < 0 || value < 0 || cells.length < 3 || cells.length > MOST_COLUMNS) continue;
      const data = rows.slice(i + 1).filter((r) => r.cells.length === cells.length);
      const time = cells.findIndex(
        (_, k) =>
          k !== name &&
          k !== value &&
          k !== unit &&
          data.every((r) => timeFormatOf(r.cells[k]) !== undefined || momentOf(r.cells[k]) !== undefined)
      );
      const names = new Set(data.map((r) => r.cells[name]));
      if (time < 0 || data.length < 4 || names.size > Math.min(MOST_NAMES, data.length / 2)) continue;
      if ([...names].some((n) => isFigure(n))) continue;
      return { delimiter, width: cells.length, headerLine: line, time, name, value, unit };
    }
  }
  return null;
}

/** One row for each time, with what was told at it; names carry their units. Free lines before the list stay. */
function pivoted(bytes: Uint8Array, c: LongColumns): Uint8Array {
  const { delimiter, headerLine } = c;
  const names = new Map<string, number>();
  const rows: { time: string; values: string[] }[] = [];
  const free: string[] = [];
  let timeName = 'time';
  const reader = rowReader(bytes, delimiter, '.', decodeCell);
  while (reader.next()) {
    if (reader.line < headerLine) {
      free.push(
        Array.from({ length: reader.width }, (_, i) => quoted(reader.text(i), delimiter)).join(delimiter)
      );
      continue;
    }
    if (reader.line === headerLine) {
      timeName = reader.text(c.time);
      continue;
    }
    if (reader.width < c.width) continue;
    const unit = c.unit < 0 ? '' : reader.text(c.unit);
    const name = `${reader.text(c.name)}${unit ? ` [${unit}]` : ''}`;
    let at = names.get(name);
    if (at === undefined) names.set(name, (at = names.size));
    const time = reader.text(c.time);
    const last = rows.at(-1);
    if (last?.time === time) last.values[at] = reader.text(c.value);
    else {
      const values: string[] = [];
      values[at] = reader.text(c.value);
      rows.push({ time, values });
    }
  }
  const line = (cells: readonly string[]) => cells.map((cell) => quoted(cell, delimiter)).join(delimiter);
  const table = rows.map(({ time, values }) =>
    line([time, ...Array.from({ length: names.size }, (_, i) => values[i] ?? '')])
  );
  return new TextEncoder().encode([...free, line([timeName, ...names.keys()]), ...table, ''].join('\n'));
}

const quoted = (cell: string, delimiter: string): string =>
  cell.includes(delimiter) || cell.includes('"') ? `"${cell.replaceAll('"', '""')}"` : cell;
