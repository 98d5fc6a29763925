import { bad, good, type Result } from '../base/result';
import { baseUnit, findUnit, UNITS, type Unit } from '../units/units';
import { CHANNELS, isChannelKey, type ChannelKey } from './channels';
import { rowReader } from './csv-rows';
import { wideOf } from './csv-long';
import { momentIn, momentOf, timeFormatOf, unaccented, type Moment, type TimeFormat } from './csv-time';

/** What a column of a file is taken for. The user may change any of it before the import. */
type ColumnUse =
  | { readonly kind: 'time'; readonly format: TimeFormat }
  | { readonly kind: 'channel'; readonly channel: ChannelKey; readonly unit: string }
  /** Tells the day, or the clock, at which the log began. */
  | { readonly kind: 'started' }
  | { readonly kind: 'event' }
  | { readonly kind: 'ignore' };

export interface Column {
  readonly header: string;
  readonly use: ColumnUse;
  /** One short reason, shown beside the column. */
  readonly why: string;
  /** A guess that the user should look at. */
  readonly doubtful: boolean;
}

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

export const MAX_LOG_BYTES = 128 * 1024 * 1024;
const DELIMITERS = [',', ';', '\t', '|'] as const;
const SAMPLE_BYTES = 128 * 1024;
/** A header stands behind no more free lines than this. */
const SAMPLE_ROWS = 400;

/**
 * Bytes as UTF-8 without a byte-order mark; UTF-16 with a mark is converted, and a long list of (time, name, value)
 * becomes a table. Refuses what is not text.
 */
export function asText(bytes: Uint8Array): Result<Uint8Array> {
  const text = decoded(bytes);
  return text.ok ? good(wideOf(text.value)) : text;
}

function decoded(bytes: Uint8Array): Result<Uint8Array> {
  if (bytes.length === 0)
    return bad({ message: 'the file is empty; expected a header row and at least one sample' });
  if (bytes.length > MAX_LOG_BYTES)
    return bad({
      message: `the file is ${Math.ceil(bytes.length / 1048576)} MiB; the limit is ${MAX_LOG_BYTES / 1048576} MiB. Cut it into parts`
    });
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return good(new TextEncoder().encode(new TextDecoder('utf-16le').decode(bytes)));
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return good(new TextEncoder().encode(new TextDecoder('utf-16be').decode(bytes)));
  const body = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf ? bytes.subarray(3) : bytes;
  const head = body.subarray(0, SAMPLE_BYTES);
  const odd = head.reduce((n, b) => n + (b === 0 || (b < 32 && b !== 9 && b !== 10 && b !== 13) ? 1 : 0), 0);
  if (odd > 0)
    return bad({
      message: 'the file is not text (it holds control bytes); expected a CSV file with a header row'
    });
  return good(body);
}

/** Text of a cell: UTF-8, or where that fails the Windows code page that older loggers write (° is one byte). */
export function decodeCell(part: Uint8Array): string {
  try {
    return UTF8.decode(part);
  } catch {
    return LATIN.decode(part);
  }
}
const UTF8 = new TextDecoder('utf-8', { fatal: true });
const LATIN = new TextDecoder('windows-1252');

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

const NUMERIC = /^[-+−]?[\d.,]*\d[.,]?(e[-+]?\d+)?$/i;
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
  cells.filter(Boolean).slice(0, 2).join(': ')
];
const anyUnit = (text: string): boolean =>
  text !== '' &&
  (Object.keys(UNITS) as (keyof typeof UNITS)[]).some((kind) => kind !== 'number' && findUnit(kind, text));

/** Header in lower case with its unit split off: `Coolant temp (°F)` → words `coolant temp`, unit `°F`. */
function splitHeader(header: string): { words: string; unit: string | undefined } {
  const brackets = [...header.matchAll(/[([{<]\s*([^)\]}>]*?)\s*[)\]}>]/g)];
  // Of several the last that is a unit says it: a source may stand in the first.
  const bracket = brackets.findLast((b) => anyUnit(b[1])) ?? brackets[0];
  if (bracket) return { words: normal(header.replace(bracket[0], ' ')), unit: bracket[1] || undefined };
  const words = normal(header);
  if (findUnit('time', words)) return { words, unit: words };
  const last = /[\s,/]([^\s,]+)$/.exec(header.replace(/_/g, ' ').trim())?.[1];
  return { words, unit: last && last.length <= 6 && anyUnit(last) ? last : undefined };
}
const normal = (text: string) =>
  unaccented(text.replace(/([a-z])([A-Z])/g, '$1 $2'))
    .replace(/[_.:#*-]+/g, ' ')
    .replace(/[’']/g, ' ')
    .replace(/\btemperature\b/g, 'temp')
    .replace(/\s+/g, ' ')
    .trim();

const TIME_WORDS =
  /^(t|t s|time|timestamp|time stamp|zeit|zeitstempel|uhrzeit|temps|heure|horodatage|tiempo|hora|tempo|ora|tijd|czas|tid|elapsed|elapsed time|seconds|secs|sec|min|mins|minutes|date|datum|fecha|data|datetime|date time|clock|ms|millis|offset|local time|log time|device time|time since start|time of day|epoch|epoch time)\b/;
const EVENT_WORDS = /^(event|events|mark|marker|note|notes|remark|comment)\b/;

function guessColumns(
  headers: readonly string[],
  sample: readonly (readonly string[])[],
  decimal: '.' | ','
): Column[] {
  const values = headers.map((_, i) => sample.map((row) => row[i] ?? ''));
  const time = pickTime(headers, values);
  const taken = new Map<ChannelKey, number>();
  const scores = headers.map((header, i) => (i === time ? [] : channelScores(header)));
  for (let round = 0; round < headers.length; round++) {
    let best: { i: number; key: ChannelKey; score: number } | undefined;
    scores.forEach((list, i) => {
      if ([...taken.values()].includes(i)) return;
      for (const { key, score } of list)
        if (!taken.has(key) && (!best || score > best.score)) best = { i, key, score };
    });
    if (!best) break;
    taken.set(best.key, best.i);
  }

  const fahrenheit = unlabelledFahrenheit(headers, values, taken, decimal);
  return headers.map((header, i): Column => {
    if (i === time) {
      const format =
        timeFormatOf(values[i].find((v) => v !== '') ?? '', splitHeader(header).unit) ?? 'seconds';
      return {
        header,
        use: { kind: 'time', format },
        why: TIME_WORDS.test(normal(header)) ? 'name and values' : 'rising values',
        doubtful: !TIME_WORDS.test(normal(header))
      };
    }
    const key = [...taken].find(([, column]) => column === i)?.[0];
    const filled = values[i].filter((v) => v !== '');
    if (!key && time >= 0 && filled.length > 0 && filled.every((v) => momentOf(v) !== undefined))
      return { header, use: { kind: 'started' }, why: 'a date or a clock', doubtful: false };
    if (key) return channelColumn(header, key, fahrenheit);
    if (EVENT_WORDS.test(normal(header)))
      return { header, use: { kind: 'event' }, why: 'name', doubtful: false };
    return { header, use: { kind: 'ignore' }, why: 'not a quantity Pyrethos uses', doubtful: false };
  });
}

function channelColumn(header: string, key: ChannelKey, fahrenheit: boolean): Column {
  const { kind } = CHANNELS.find((c) => c.key === key)!;
  if (normal(header).replaceAll(' ', '_') === key)
    return {
      header,
      use: { kind: 'channel', channel: key, unit: baseUnit(kind).symbol },
      why: 'column name of this format',
      doubtful: false
    };
  const written = splitHeader(header).unit;
  const unit = written === undefined ? undefined : findUnit(kind, written);
  if (unit)
    return {
      header,
      use: { kind: 'channel', channel: key, unit: unit.symbol },
      why: `name, unit ${unit.symbol}`,
      doubtful: false
    };
  const assumed: Unit =
    kind === 'temperature' && fahrenheit ? findUnit('temperature', '°F')! : baseUnit(kind);
  const spoken =
    kind === 'number' || kind === 'rotation'
      ? 'name'
      : `name; no unit given, ${assumed.symbol} assumed${kind === 'temperature' ? ' from the values' : ''}`;
  return {
    header,
    use: { kind: 'channel', channel: key, unit: assumed.symbol },
    why: spoken,
    doubtful: kind === 'temperature' || kind === 'speed'
  };
}

/** How well each channel fits a header: the canonical name first, then the longest matching words. */
function channelScores(header: string): { key: ChannelKey; score: number }[] {
  const words = normal(header);
  const canonical = words.replaceAll(' ', '_');
  if (isChannelKey(canonical)) return [{ key: canonical, score: 1000 }];
  const bare = splitHeader(header).words;
  return CHANNELS.flatMap((c) => {
    const hit = new RegExp(c.words, 'g');
    const found = [...`${bare} `.matchAll(hit)].map((m) => m[0].length);
    if (found.length === 0 || ('not' in c && c.not.test(bare))) return [];
    if (c.kind === 'rotation' && c.key === 'fan_rpm' && !/rpm|rev|min/.test(words)) return [];
    return [
      {
        key: c.key,
        score:
          Math.max(...found) +
          (splitHeader(header).unit && findUnit(c.kind, splitHeader(header).unit!) ? 5 : 0)
      }
    ];
  });
}

function pickTime(headers: readonly string[], values: readonly (readonly string[])[]): number {
  const candidates = headers.map((header, i) => {
    const filled = values[i].filter((v) => v !== '');
    const timed =
      filled.length > 0 && filled.filter((v) => timeFormatOf(v) !== undefined).length >= 0.6 * filled.length;
    const varies = new Set(filled).size > Math.max(1, filled.length * 0.3);
    const named = TIME_WORDS.test(normal(header));
    const rising =
      timed &&
      filled.length > 2 &&
      filled
        .slice(1, 20)
        .every(
          (v, k) => NUMERIC.test(v) && Number(v.replace(',', '.')) > Number(filled[k].replace(',', '.'))
        );
    return (named && timed ? 4 : 0) + (named && timed && varies ? 2 : 0) + (i === 0 && rising ? 2 : 0);
  });
  const best = Math.max(...candidates);
  return best > 0 ? candidates.indexOf(best) : -1;
}

/** Whether temperatures without a unit can only be °F: a coolant column above 135 would not be a running engine in °C. */
function unlabelledFahrenheit(
  headers: readonly string[],
  values: readonly (readonly string[])[],
  taken: ReadonlyMap<ChannelKey, number>,
  decimal: string
): boolean {
  const column = taken.get('ect_c');
  if (column === undefined || splitHeader(headers[column]).unit) return false;
  const numbers = values[column]
    .map((v) => Number(decimal === ',' ? v.replace(',', '.') : v))
    .filter((v) => Number.isFinite(v));
  // A shorted sensor holds one high default; a warm engine in °F moves about.
  const high = numbers.filter((v) => v > 135);
  return high.length > numbers.length * 0.08 && (new Set(high).size > 2 || high[0] > 150);
}
