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
const CLOCK = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2})(?:[.,](\d{1,9}))?\s*([ap]m)?$/i;
const DATE_TIME =
  /^(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{4}\/\d{1,2}\/\d{1,2})[T ,]+(\d{1,2}:\d{2}(?::\d{2}(?:[.,]\d{1,9})?)?(?:\s*[ap]m)?)\s*(Z|[+-]\d{2}:?\d{2})?$/i;

/** The format of one cell, with the header's unit as a hint; undefined where it is no time at all. */
export function timeFormatOf(cell: string, headerUnit?: string): TimeFormat | undefined {
  if (/^[-+]?(\d+[.,]?\d*|[.,]\d+)(e[-+]?\d+)?$/i.test(cell)) {
    const value = Number(cell.replace(',', '.'));
    if (value > 1e11) return 'epoch-ms';
    if (value > 1e9 - 1) return 'epoch-s';
    const unit = headerUnit?.toLowerCase();
    if (unit?.startsWith('ms') || unit?.startsWith('milli')) return 'milliseconds';
    if (unit?.startsWith('min')) return 'minutes';
    if (unit === 'h' || unit?.startsWith('hour')) return 'hours';
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
  const seconds = clockSeconds(match[2]);
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
  if (half) hours = (hours % 12) + (half.toLowerCase() === 'pm' ? 12 : 0);
  return hours * 3600 + minutes * 60 + seconds + (fraction ? Number(`0.${fraction}`) : 0);
}

/** Days since 1970. Day and month order matters only across a date change; day first unless it cannot be. */
function dayNumber(text: string): number | undefined {
  const parts = text.split(/[./-]/).map(Number);
  let [year, month, day] = parts;
  if (parts[0] < 1000) {
    [day, month, year] = parts;
    if (month > 12) [day, month] = [month, day];
    if (year < 100) year += 2000;
  }
  if (month < 1 || month > 12 || day < 1 || day > 31) return undefined;
  return Date.UTC(year, month - 1, day) / 86_400_000;
}

/** Local time of a date-time cell as ISO 8601 without a zone, for the record of when the run began. */
export function isoOf(cell: string): string | undefined {
  const seconds = readTime(cell, 'date-time');
  return seconds === undefined ? undefined : new Date(seconds * 1000).toISOString().slice(0, 19);
}
