import { baseUnit, findUnit, UNITS, type Unit } from '../units/units';
import { CHANNELS, isChannelKey, type ChannelKey } from './channels';
import { momentOf, timeFormatOf, unaccented, type TimeFormat } from './csv-time';

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

export const NUMERIC = /^[-+−]?[\d.,]*\d[.,]?(e[-+]?\d+)?$/i;
export const anyUnit = (text: string): boolean =>
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

/** What each column is, by its header and its values. */
export function guessColumns(
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
