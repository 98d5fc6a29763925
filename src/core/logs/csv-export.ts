import { guarded } from './csv-formula';
import { CHANNELS, type ChannelKey, type Log } from './channels';

const DIGITS: Partial<Record<ChannelKey, number>> = { rpm: 0, fan_rpm: 0, ac_on: 0 };

/** A reading in two decimals, as instruments give it. */
const rounded = (value: number, key: ChannelKey) => String(Number(value.toFixed(DIGITS[key] ?? 2)));

/** The fewest digits that come back as the very number that is kept. */
function exactly(value: number): string {
  for (let digits = 4; digits < 9; digits++) {
    const short = Number(value.toPrecision(digits));
    if (Math.fround(short) === value) return String(short);
  }
  return String(value);
}

/**
 * Writes a log with the canonical columns: header row, seconds from start, blank where there is no reading. `exact`
 * keeps every digit, for a file that must come back as it was.
 */
export function writeLog(log: Log, { exact = false }: { readonly exact?: boolean } = {}): string {
  const keys = CHANNELS.map((c) => c.key).filter((key) => log.channels[key]);
  const hasEvents = log.events.length > 0;
  const events = new Map(log.events.map((e) => [nearest(log.t, e.t), e.text]));
  const lines = [['t_s', ...keys, ...(hasEvents ? ['event'] : [])].join(',')];
  for (let i = 0; i < log.t.length; i++) {
    const cells = keys.map((key) => {
      const value = log.channels[key]![i];
      if (Number.isNaN(value)) return '';
      return exact ? exactly(value) : rounded(value, key);
    });
    if (hasEvents) cells.push(quoted(guarded(events.get(i) ?? '')));
    const t = exact ? log.t[i] : Number(log.t[i].toFixed(3));
    lines.push([String(t), ...cells].join(','));
  }
  return lines.join('\r\n') + '\r\n';
}

const quoted = (text: string) => (/[",\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text);

function nearest(t: Float64Array, wanted: number): number {
  let low = 0;
  let high = t.length - 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (t[mid] < wanted) low = mid + 1;
    else high = mid;
  }
  return low > 0 && wanted - t[low - 1] < t[low] - wanted ? low - 1 : low;
}
