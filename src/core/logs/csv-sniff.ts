import { bad, good, type Result } from '../base/result';
import { anyUnit, guessColumns, NUMERIC, type Column } from './csv-columns';
import { wideOf } from './csv-long';
import { rowReader } from './csv-rows';
import { decodeCell, decoded, SAMPLE_BYTES } from './csv-text';
import { momentIn, timeFormatOf, type Moment } from './csv-time';

/** How a file is laid out, as far as its bytes tell. */
export interface Layout {
  readonly delimiter: ',' | ';' | '\t' | '|';
  readonly decimal: '.' | ',';
  /** Line of the column names; 0 where the file starts with data. */
  readonly headerLine: number;
  /** Line of the first sample. */
  readonly dataLine: number;
  readonly columns: readonly Column[];
  /** What the free lines before the header tell of when it began: a date, and perhaps a clock. */
  readonly recorded: Moment | null;
  /** The first rows as text, for the preview. */
  readonly preview: readonly (readonly string[])[];
}

const DELIMITERS = [',', ';', '\t', '|'] as const;
/** A header stands behind no more free lines than this. */
const SAMPLE_ROWS = 400;

/** What is read of a file: its bytes as text, and a long list of (time, name, value) as a table. Refuses what is not text. */
export function asText(bytes: Uint8Array): Result<Uint8Array> {
  const text = decoded(bytes);
  return text.ok ? good(wideOf(text.value)) : text;
}

/** Works out separator, decimal sign, header and the meaning of each column. `bytes` come from {@link asText}. */
export function sniff(bytes: Uint8Array): Result<Layout> {
  const head = bytes.subarray(0, SAMPLE_BYTES);
  const delimiter = bestDelimiter(head);
  const rows = readSome(head, delimiter, SAMPLE_ROWS);
  if (rows.length === 0)
    return bad({ message: 'the file holds no rows; expected a header row and at least one sample' });

  const usual = commonest(rows.filter((r) => isData(r.cells)).map((r) => r.cells.length));
  const first = rows.findIndex((row) => isData(row.cells) && row.cells.length === usual);
  if (first < 0)
    return bad({
      line: rows[0].line,
      message: 'no row of numbers follows; expected a header row, then rows that start with a time'
    });
  const width = rows[first].cells.length;
  const unitRow =
    first > 1 &&
    rows[first - 1].cells.length <= width &&
    rows[first - 2].cells.length >= width - 1 &&
    rows[first - 2].cells.length > 1 &&
    looksLikeUnits(rows[first - 1].cells);
  const headerIndex = unitRow ? first - 2 : first - 1;
  const named =
    headerIndex >= 0 && rows[headerIndex].cells.length >= width - 1 && rows[headerIndex].cells.length > 1;
  const headers = Array.from({ length: width }, (_, i) => {
    const name = (named && rows[headerIndex].cells[i]) || `column ${i + 1}`;
    const unit = unitRow ? (rows[first - 1].cells[i] ?? '').replace(/^[([{<]\s*|\s*[)\]}>]$/g, '') : '';
    return unit ? `${name} [${unit}]` : name;
  });

  const whole = rows.length < SAMPLE_ROWS && bytes.length <= SAMPLE_BYTES;
  const sample = [
    ...rows.slice(first).map((r) => r.cells),
    ...(whole ? [] : laterRows(bytes, delimiter, width))
  ];
  const decimal = sample.some((cells) => cells.some((c) => /^[-+]?\d+,\d+$/.test(c))) ? ',' : '.';
  const columns = guessColumns(headers, sample, decimal);
  return good({
    delimiter,
    decimal,
    headerLine: named ? rows[headerIndex].line : 0,
    dataLine: rows[first].line,
    columns,
    recorded: momentIn(rows.slice(0, Math.max(0, headerIndex)).flatMap(freeLine)) ?? null,
    preview: rows.slice(first, first + 8).map((r) => r.cells)
  });
}

function readSome(bytes: Uint8Array, delimiter: string, most: number) {
  const reader = rowReader(bytes, delimiter, '.', decodeCell);
  const rows: { line: number; cells: string[] }[] = [];
  while (rows.length < most && reader.next())
    rows.push({ line: reader.line, cells: Array.from({ length: reader.width }, (_, i) => reader.text(i)) });
  return rows;
}

/** Rows from the middle and the end: a log starts cold and its first rows alone do not tell °C from °F. */
function laterRows(bytes: Uint8Array, delimiter: string, width: number): string[][] {
  return [0.25, 0.5, 0.75, 0.97].flatMap((share) => {
    const from = bytes.indexOf(10, Math.floor(bytes.length * share));
    if (from < 0) return [];
    return readSome(bytes.subarray(from + 1, from + 4096), delimiter, 8)
      .map((r) => r.cells)
      .filter((c) => c.length === width && isData(c));
  });
}

function bestDelimiter(head: Uint8Array): Layout['delimiter'] {
  const scored = DELIMITERS.map((delimiter) => {
    // Free lines before the header have no columns, whatever they are cut by.
    const rows = readSome(head, delimiter, SAMPLE_ROWS).filter((r) => r.cells.length > 1);
    const common = commonest(rows.map((r) => r.cells.length));
    const alike = rows.filter((r) => r.cells.length === common);
    const data = alike.filter((r) => isData(r.cells)).length;
    return { delimiter, score: 1000 * data + 20 * alike.length + Math.min(common, 20) };
  });
  return scored.reduce((best, next) => (next.score > best.score ? next : best)).delimiter;
}

/** The value that comes most often, 1 for none; the first of those that tie. */
function commonest(values: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 1;
}

const isData = (cells: readonly string[]) => {
  const filled = cells.filter((c) => c !== '');
  const numbers = filled.filter((c) => NUMERIC.test(c) || timeFormatOf(c) !== undefined).length;
  return cells.length > 1 && filled.length > 0 && numbers / filled.length >= 0.5;
};
/** A row of units: hardly a cell that is none, and none that is a figure. */
function looksLikeUnits(cells: readonly string[]): boolean {
  const filled = cells
    .map((c) => c.replace(/^[([{<]\s*|\s*[)\]}>]$/g, ''))
    .filter((c) => !/^[-–\s]*$/.test(c));
  const units = filled.filter((c) => anyUnit(c)).length;
  return units > 0 && units >= filled.length / 2 && !filled.some((c) => NUMERIC.test(c));
}
/** The cells of a line before the header; of two, the first names the second. */
const freeLine = ({ cells }: { readonly cells: readonly string[] }): string[] => [
  ...cells,
  cells.filter(Boolean).slice(-2).join(' '),
  cells.filter(Boolean).slice(0, 2).join(': '),
  cells.join(' ')
];
