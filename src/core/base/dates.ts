/** How a person writes dates, by the locale that writes so. */
export const DATE_FORMS = {
  'en-GB': '27 Nov, 14:05',
  'en-US': 'Nov 27, 2:05 PM',
  'sv-SE': '2026-11-27 14:05'
} as const;
export type DateForm = keyof typeof DATE_FORMS;

/** The form of a choice that was kept; else that of the first language a browser asks for; else day before month. */
export function dateFormOf(kept: string | undefined, languages: string | null): DateForm {
  const forms = Object.keys(DATE_FORMS) as DateForm[];
  const chosen = forms.find((f) => f === kept);
  const first = languages?.split(',')[0].split(';')[0].trim().toLowerCase();
  return chosen ?? forms.find((f) => f.toLowerCase() === first) ?? 'en-GB';
}

const SHAPES = {
  moment: { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  day: { weekday: 'long', day: 'numeric', month: 'long' },
  date: { day: 'numeric', month: 'short', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
  weekday: { weekday: 'short' }
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;

/** Words stay English in a form whose locale has others: there the numbers of the form alone are written. */
const NUMBERS_ONLY: Partial<Record<keyof typeof SHAPES, Intl.DateTimeFormatOptions>> = {
  moment: { day: '2-digit', month: '2-digit', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  date: { day: '2-digit', month: '2-digit', year: 'numeric' }
};

/** Making a formatter takes a hundred times as long as using it, and a list asks for dozens of dates. */
const formatters = new Map<string, Intl.DateTimeFormat>();
function formatter(zone: string, shape: keyof typeof SHAPES, form: DateForm): Intl.DateTimeFormat {
  const key = `${form} ${zone} ${shape}`;
  const numbers = form === 'sv-SE' ? NUMBERS_ONLY[shape] : undefined;
  const locale = form === 'sv-SE' && !numbers ? 'en-GB' : form;
  const options: Intl.DateTimeFormatOptions = { timeZone: zone, ...(numbers ?? SHAPES[shape]) };
  // A twelve-hour clock has no leading zero.
  if (form === 'en-US' && options.hour) options.hour = 'numeric';
  const made = formatters.get(key) ?? new Intl.DateTimeFormat(locale, options);
  formatters.set(key, made);
  return made;
}

const isDay = (iso: string): boolean => iso.length === 10;

/**
 * A moment in a time zone (IANA), or a day, which is the same in every zone (both ISO 8601), as a person writes it.
 * Throws a `RangeError` where either is none.
 */
export const writtenDate = (
  iso: string,
  zone: string,
  shape: keyof typeof SHAPES,
  form: DateForm = 'en-GB'
): string => formatter(isDay(iso) ? 'UTC' : zone, shape, form).format(new Date(iso));

/** An hour of today, or with its weekday where it is another day's. */
export function writtenHour(iso: string, zone: string, now: string, form: DateForm = 'en-GB'): string {
  const write = (at: string, shape: keyof typeof SHAPES) => writtenDate(at, zone, shape, form);
  const time = write(iso, 'time');
  return write(iso, 'date') === write(now, 'date') ? time : `${write(iso, 'weekday')} ${time}`;
}
