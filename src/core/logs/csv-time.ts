/** How a time column is written. Epochs count from 1970; a clock has no date and may pass midnight. */
export type TimeFormat =
  'seconds' | 'milliseconds' | 'minutes' | 'hours' | 'epoch-s' | 'epoch-ms' | 'clock' | 'date-time';

export const TIME_FORMATS: Readonly<Record<TimeFormat, string>> = {
  seconds: 'seconds',
  milliseconds: 'milliseconds',
  minutes: 'minutes',
  hours: 'hours',
  'epoch-s': 'seconds since 1970',
  'epoch-ms': 'milliseconds since 1970',
  clock: 'clock time',
  'date-time': 'date and time'
};

const FACTOR: Partial<Record<TimeFormat, number>> = {
  seconds: 1,
  milliseconds: 1e-3,
  minutes: 60,
  hours: 3600,
  'epoch-s': 1,
  'epoch-ms': 1e-3
};
/** Half of the day, as English and Spanish clocks tell it. */
const HALF = String.raw`\s*([ap])\.?\s?m\.?`;
const CLOCK_TEXT = String.raw`(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2})(?:[.,:](\d{1,9}))?`;
const CLOCK = new RegExp(`^${CLOCK_TEXT}(?:${HALF})?$`, 'i');
const MONTH = String.raw`\p{L}{3,10}\.?`;
const DATE_TEXT = String.raw`\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{1,2}(?:\.|st|nd|rd|th)?[- ]${MONTH}[-. ,]*\d{2,4}|${MONTH} \d{1,2}(?:st|nd|rd|th)?,? \d{4}`;
const DATE = new RegExp(`^(?:\\p{L}{2,10}\\.?,? )?(${DATE_TEXT})$`, 'iu');
const DATE_TIME = new RegExp(
  `^(?:\\p{L}{2,10}\\.?,? )?(${DATE_TEXT})[T ,]+(\\d{1,2}:\\d{2}(?::\\d{2}(?:[.,:]\\d{1,9})?)?(?:${HALF.replace('(', '(?:')})?)\\s*(Z|UTC|GMT|[+-]\\d{2}:?\\d{2})?$`,
  'iu'
);

/** The months by how they begin in the main European languages, without accents. */
const MONTHS: readonly RegExp[] = [
  /^(jan|gen|ene|sty|led)/,
  /^(feb|fev|lut)/,
  /^(mar|mrt|maa|mae)/,
  /^(apr|avr|abr|kwi)/,
  /^(may|mai|mag|mei|maj)/,
  /^(jun|juin|giu|cze)/,
  /^(jul|juil|lug|lip)/,
  /^(aug|aou|ago|sie)/,
  /^(sep|set|wrz)/,
  /^(oct|okt|out|ott|paz)/,
  /^(nov|lis)/,
  /^(dec|dez|dic|des|gru)/
];

/** Small letters without accents, as words are compared. */
export const unaccented = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replaceAll('ł', 'l').replaceAll('ß', 'ss');

/** The format of one cell, with the header's unit as a hint; undefined where it is no time at all. */
export function timeFormatOf(cell: string, headerUnit?: string): TimeFormat | undefined {
  if (/^[-+]?(\d+[.,]?\d*|[.,]\d+)(e[-+]?\d+)?$/i.test(cell)) {
    const value = Number(cell.replace(',', '.'));
    if (value > 1e11) return 'epoch-ms';
    if (value > 1e9 - 1) return 'epoch-s';
    const unit = headerUnit?.toLowerCase();
    if (unit?.startsWith('ms') || unit?.startsWith('milli')) return 'milliseconds';
    if (unit?.startsWith('min')) return 'minutes';
    if (unit && /^(h|hrs?|hours?|std|stunden|heures?|horas?|ore)$/.test(unit)) return 'hours';
    return 'seconds';
  }
  if (CLOCK.test(cell)) return 'clock';
  return DATE_TIME.test(cell) ? 'date-time' : undefined;
}

/** Seconds per unit for the numeric formats; undefined for those that are read as text. */
export const timeFactor = (format: TimeFormat): number | undefined => FACTOR[format];

/** Seconds of a clock or date-time cell, on a scale of its own; undefined where it cannot be read. */
export function readTime(cell: string, format: TimeFormat): number | undefined {
  if (format === 'clock') return clockSeconds(cell);
  const match = DATE_TIME.exec(cell);
  if (!match) return undefined;
  const seconds = clockSeconds(match[2].trim());
  const day = dayNumber(match[1]);
  return seconds === undefined || day === undefined ? undefined : day * 86_400 + seconds;
}

function clockSeconds(cell: string): number | undefined {
  const match = CLOCK.exec(cell);
  if (!match) return undefined;
  const [, first, second, third, fraction, half] = match;
  // Two fields with no am or pm are hours and minutes in a date, minutes and seconds in a bare elapsed clock.
  let hours = first === undefined ? 0 : Number(first);
  let minutes = Number(second);
  let seconds = Number(third);
  if (first === undefined && half) [hours, minutes, seconds] = [minutes, seconds, 0];
  if (minutes > 59 && first !== undefined) return undefined;
  if (seconds > 59) return undefined;
  if (half) hours = (hours % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  return hours * 3600 + minutes * 60 + seconds + (fraction ? Number(`0.${fraction}`) : 0);
}

function dateParts(text: string): { year: number; month: number; day: number } {
  const word = /\p{L}{3,}/u.exec(text.replace(/(\d)(st|nd|rd|th)\b/gi, '$1'))?.[0];
  if (word) {
    const [day, year] = (text.match(/\d+/g) ?? []).map(Number);
    return { year, month: MONTHS.findIndex((m) => m.test(unaccented(word))) + 1, day };
  }
  const [first, second, third] = text.split(/[./-]/).map(Number);
  if (first >= 1000) return { year: first, month: second, day: third };
  return second > 12
    ? { year: third, month: first, day: second }
    : { year: third, month: second, day: first };
}

/** Days since 1970. Day and month order matters only across a date change; day first unless it cannot be. */
function dayNumber(text: string): number | undefined {
  const { month, day, ...parts } = dateParts(text);
  const year = parts.year < 100 ? parts.year + 2000 : parts.year;
  const ms = Date.UTC(year, month - 1, day);
  // No year of a logger's and no 31st of February.
  if (!(year >= FIRST_YEAR && year <= LAST_YEAR) || new Date(ms).getUTCDate() !== day || month < 1)
    return undefined;
  return ms / 86_400_000;
}

/** No log of an engine with a diagnostic socket is older, and a clock that runs further ahead was never set. */
const FIRST_YEAR = 1990;
const LAST_YEAR = 2100;

const isoOfSeconds = (seconds: number): string => new Date(seconds * 1000).toISOString().slice(0, 19);

/** What a cell or a free line tells of when it was: a date, a clock, or both, ISO 8601 without a zone. */
export interface Moment {
  readonly date?: string;
  readonly clock?: string;
}

/** The date and the clock of a cell; undefined where it has neither. */
export function momentOf(cell: string): Moment | undefined {
  const text = cell.trim();
  const both = readTime(text, 'date-time');
  if (both !== undefined) {
    const iso = isoOfSeconds(both);
    return { date: iso.slice(0, 10), clock: iso.slice(11) };
  }
  const date = DATE.exec(text);
  const day = date && dayNumber(date[1]);
  if (day != null) return { date: isoOfSeconds(day * 86_400).slice(0, 10) };
  const clock = CLOCK.exec(text)?.[1] !== undefined || new RegExp(`${HALF}$`, 'i').test(text);
  const seconds = clock ? clockSeconds(text) : undefined;
  return seconds === undefined || seconds >= 86_400 ? undefined : { clock: isoOfSeconds(seconds).slice(11) };
}

/** The most words of a date with its clock, `Nov 28 2026 at 8:12 PM`, and of a line that is looked through. */
const MOST_WORDS = { moment: 6, line: 60 };

/** A date with all of its year in the middle of a line: `Trip of Nov 28, 2026 8:12 PM`. */
function momentWithin(line: string): Moment | undefined {
  const words = line
    .split(/\s+/)
    .filter((w) => w !== '' && w !== 'at')
    .slice(0, MOST_WORDS.line);
  for (let from = 0; from < words.length; from++)
    for (let to = Math.min(words.length, from + MOST_WORDS.moment); to > from; to--) {
      const text = words
        .slice(from, to)
        .join(' ')
        .replace(/^[([]|[)\].,;]$/g, '');
      const moment = /\d{4}/.test(text) ? momentOf(text) : undefined;
      if (moment?.date) return moment;
    }
  return undefined;
}

/**
 * The first date, and the first clock, that free lines tell: `Date: 24-Nov-2026`, `Start time; 8:12 PM`, or in the
 * middle of other words.
 */
export function momentIn(cells: readonly string[]): Moment | undefined {
  const found = cells.flatMap((cell) => {
    const behind = /^[^\d:]{0,40}[:=]\s*(.+)$/.exec(cell)?.[1];
    return momentOf(cell) ?? (behind ? momentOf(behind) : undefined) ?? momentWithin(cell) ?? [];
  });
  const date = found.find((m) => m.date)?.date;
  return date === undefined ? undefined : { date, clock: found.find((m) => m.clock)?.clock };
}

/** When a moment was, ISO 8601 without a zone; undefined where its day or its clock is not known. */
export const startOf = (...moments: readonly (Moment | undefined)[]): string | undefined => {
  const date = moments.find((m) => m?.date)?.date;
  const clock = moments.find((m) => m?.clock)?.clock;
  return date && clock ? `${date}T${clock}` : undefined;
};

/** Local time of a date-time cell as ISO 8601 without a zone, for the record of when the run began. */
export function isoOf(cell: string): string | undefined {
  const seconds = readTime(cell, 'date-time');
  return seconds === undefined ? undefined : isoOfSeconds(seconds);
}
