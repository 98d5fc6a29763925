import { bad, good, type Problem, type Result } from '../base/result';
import { CHANNELS, type ChannelKey, type Log, type LogEvent } from './channels';
import { asShare, readCells, targetsOf, wrongWidth } from './csv-cells';
import { clockReader, expectedTime, findGaps, pick, settleRepeats } from './csv-clock';
import { rowReader } from './csv-rows';
import type { Column } from './csv-columns';
import { asText, sniff, type Layout } from './csv-sniff';
import { decodeCell } from './csv-text';
import { momentOf, startOf, timeFormatOf, type TimeFormat } from './csv-time';
import { unguarded } from './csv-formula';
import { doubtsOf } from './csv-doubts';

export interface ImportOptions {
  /** Leave rows out that cannot be read, instead of refusing the file. */
  readonly skipBrokenRows?: boolean;
  /** Take the file although its times or units give an engine that no engine can be. */
  readonly asItIs?: boolean;
}

/** What was done to a file on the way in, in numbers a person can check. */
export interface ImportReport {
  readonly rows: number;
  readonly brokenRows: number;
  readonly repeatedTimes: number;
  readonly backwardTimes: number;
  readonly blankCells: number;
  readonly gaps: readonly { readonly fromS: number; readonly toS: number }[];
}

export interface ImportedLog {
  readonly log: Log;
  readonly report: ImportReport;
}

const MAX_LOG_ROWS = 2_000_000;
const MOST_NAMED = 5;
/** Reads a file end to end with its own guess of the columns: the way of the command line. */
export function readLog(file: Uint8Array, options: ImportOptions = {}): Result<ImportedLog> {
  const text = asText(file);
  if (!text.ok) return text;
  const layout = sniff(text.value);
  return layout.ok ? importLog(text.value, layout.value, options) : layout;
}

/**
 * Reads the samples of a file by a layout (from {@link sniff}, corrected by the user or not).
 * Needs a time and a coolant column. Broken rows refuse the file, named by line, unless told to skip them;
 * repeated and backward times are dropped or spread, and counted. `bytes` come from {@link asText}.
 */
export function importLog(
  bytes: Uint8Array,
  layout: Layout,
  options: ImportOptions = {}
): Result<ImportedLog> {
  const problems = checkColumns(layout);
  if (problems.length > 0) return bad(...problems);

  const timeCell = layout.columns.findIndex((c) => c.use.kind === 'time');
  const timeFormat = (layout.columns[timeCell].use as { format: TimeFormat }).format;
  const eventCell = layout.columns.findIndex((c) => c.use.kind === 'event');
  let capacity = Math.min(MAX_LOG_ROWS, Math.max(1024, Math.ceil(bytes.length / 24)));
  let times = new Float64Array(capacity);
  const targets = targetsOf(layout.columns, capacity);
  const events: LogEvent[] = [];
  const broken: Problem[] = [];
  const reader = rowReader(bytes, layout.delimiter, layout.decimal, decodeCell);
  const width = layout.columns.length;
  const clock = clockReader(timeFormat);
  const count = { rows: 0, broken: 0, blank: 0, repeated: 0, backward: 0 };
  let firstBackward: Problem | undefined;
  let firstRepeated: Problem | undefined;
  const startedCell = layout.columns.findIndex((c) => c.use.kind === 'started');
  let startedAt: string | undefined;
  let last = -Infinity;

  const breakRow = (problem: Problem) => {
    count.broken++;
    if (broken.length < MOST_NAMED) broken.push(problem);
  };

  while (reader.next()) {
    if (reader.line < layout.dataLine) continue;
    if (count.rows >= MAX_LOG_ROWS)
      return bad({
        line: reader.line,
        message: `more than ${MAX_LOG_ROWS.toLocaleString('en')} samples; cut the log into parts`
      });
    const cutOff = !reader.complete && reader.width < width;
    if (cutOff && count.rows > 0) continue;
    const shape = wrongWidth(reader, width);
    if (shape) {
      breakRow(shape);
      continue;
    }
    const t = clock(reader, timeCell);
    if (t === undefined) {
      breakRow({
        line: reader.line,
        field: layout.columns[timeCell].header,
        message: `“${reader.text(timeCell)}” is not a time; expected ${expectedTime(timeFormat)}`
      });
      continue;
    }
    if (t < last) {
      count.backward++;
      firstBackward ??= {
        line: reader.line,
        message: `time goes back from ${last - times[0]} s to ${t - times[0]} s`
      };
      continue;
    }
    if (count.rows === capacity) {
      capacity = Math.min(MAX_LOG_ROWS, capacity * 2);
      times = grown(times, capacity);
      for (const target of targets) target.values = grown(target.values, capacity);
    }
    const problem = readCells(reader, targets, count);
    if (problem) {
      breakRow(problem);
      continue;
    }
    if (t === last) {
      count.repeated++;
      firstRepeated ??= { line: reader.line, message: 'the time is the same as in the row before' };
    }
    if (eventCell >= 0) {
      const text = reader.text(eventCell);
      if (text !== '') events.push({ t, text: unguarded(text) });
    }
    if (count.rows === 0)
      startedAt = startOf(
        // A clock that begins at nothing counts from the start, and is none of the day.
        timeFormat === 'date-time' || (timeFormat === 'clock' && t >= 60)
          ? momentOf(reader.text(timeCell))
          : undefined,
        startedCell < 0 ? undefined : momentOf(reader.text(startedCell)),
        layout.recorded ?? undefined
      );
    times[count.rows++] = t;
    last = t;
  }

  if (count.broken > 0 && !options.skipBrokenRows)
    return bad(
      ...broken,
      ...(count.broken > broken.length
        ? [{ message: `and ${count.broken - broken.length} more broken rows` }]
        : [])
    );
  if (count.rows < 2)
    return bad({
      message: `only ${count.rows} readable sample${count.rows === 1 ? '' : 's'}; a log needs at least two`
    });
  if (count.backward > Math.max(3, count.rows * 0.05))
    return bad({
      ...firstBackward,
      message: `${firstBackward!.message} and stays there for ${count.backward} rows; expected one log with rising time. Two logs in one file? Split it here`
    });

  const seconds = times.slice(0, count.rows);
  const warnings: Problem[] = [...(options.skipBrokenRows ? broken : [])];
  const repeated = settleRepeats(seconds);
  if (repeated.spread)
    warnings.push({
      ...firstRepeated,
      message: `${count.repeated} rows repeat the time of the row before; spread evenly between the stamps`
    });
  else if (count.repeated > 0)
    warnings.push({
      ...firstRepeated,
      message: `${count.repeated} row${count.repeated === 1 ? ' repeats' : 's repeat'} the time of the row before; the last of each was kept`
    });
  if (firstBackward)
    warnings.push({
      ...firstBackward,
      message: `${firstBackward.message}; ${count.backward} row${count.backward === 1 ? '' : 's'} left out`
    });

  const t0 = seconds[0];
  const keep = repeated.keep;
  const t = pick(seconds, keep).map((s) => s - t0);
  const channels: Partial<Record<ChannelKey, Float32Array>> = {};
  for (const target of targets) {
    const values = pick(target.values.subarray(0, count.rows), keep);
    const key = target.channel.key as ChannelKey;
    if (!values.some((v) => !Number.isNaN(v))) {
      if (key === 'ect_c')
        return bad({
          field: target.header,
          message: 'every cell of the coolant column is blank; expected temperatures'
        });
      continue;
    }
    channels[key] = asShare(target, values, warnings);
  }
  const doubts = doubtsOf({
    t,
    ect: channels.ect_c!,
    column: targets.find((g) => g.channel.key === 'ect_c')!,
    doubtful: layout.columns.some((c) => c.use.kind === 'channel' && c.use.channel === 'ect_c' && c.doubtful),
    timeHeader: layout.columns[timeCell].header,
    startedAt
  });
  const refused = doubts.filter((d) => !d.may || !options.asItIs);
  if (refused.length > 0)
    return bad(...refused.map(({ may, ...problem }) => (may ? { ...problem, ask: true } : problem)));
  const gaps = findGaps(t);
  if (gaps.length > 0)
    warnings.push({
      message: `${gaps.length} gap${gaps.length === 1 ? '' : 's'} in the log, the longest ${Math.round(Math.max(...gaps.map((g) => g.toS - g.fromS)))} s`
    });
  return good(
    {
      log: { t, channels, events: events.map((e) => ({ ...e, t: e.t - t0 })), startedAt },
      report: {
        rows: t.length,
        brokenRows: count.broken,
        repeatedTimes: count.repeated,
        backwardTimes: count.backward,
        blankCells: count.blank,
        gaps
      }
    },
    warnings
  );
}

/** Whether a layout can be imported at all; one problem for each thing that is missing or said twice. */
export function checkColumns(layout: Layout): Problem[] {
  const headers = layout.columns
    .map((c) => `“${c.header}”`)
    .join(', ')
    .slice(0, 200);
  const used = (kind: string) => layout.columns.filter((c) => c.use.kind === kind);
  const problems: Problem[] = [];
  const place = { line: layout.headerLine || undefined };
  if (used('time').length === 0)
    problems.push({
      ...place,
      message: `no time column among ${headers}; expected seconds, a clock time or a date and time`
    });
  if (used('time').length > 1)
    problems.push({
      ...place,
      message: `two columns are marked as time (${used('time')
        .map((c) => c.header)
        .join(', ')}); keep one`
    });
  for (const { key, title } of CHANNELS) {
    const columns = layout.columns.filter((c) => c.use.kind === 'channel' && c.use.channel === key);
    if (key === 'ect_c' && columns.length === 0)
      problems.push({
        ...place,
        message: `no coolant temperature column among ${headers}; expected ect_c or a name such as “Coolant temp (°C)”`
      });
    if (columns.length > 1)
      problems.push({
        ...place,
        message: `two columns are marked as ${title} (${columns.map((c) => c.header).join(', ')}); keep one`
      });
  }
  return problems;
}

/** Re-reads the time format of a column after the user has made it the time column. */
export const timeUseOf = (header: string, sample: string): Column['use'] => ({
  kind: 'time',
  format: timeFormatOf(sample, /[([](.*?)[)\]]/.exec(header)?.[1]) ?? 'seconds'
});

function grown<T extends Float32Array | Float64Array>(values: T, capacity: number): T {
  const next = new (values.constructor as new (n: number) => T)(capacity);
  next.set(values as never);
  return next;
}
