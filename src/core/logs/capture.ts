import { readCodes } from './bus/codes';
import { groupOf, readBroadcast } from './bus/broadcast';
import { isAnswer, isHeading, readFrame, type StampedFrame } from './bus/frame';
import { readAnswer } from './bus/identifiers';
import { Assembler } from './bus/isotp';
import { freezeSaid, readFreeze, takeFreeze, type Freeze, type FrozenSoFar } from './bus/freeze';
import { readinessSaid, readReadiness, type Readiness } from './bus/readiness';
import { bad, good, type Problem, type Result } from '../base/result';
import { CHANNELS, type ChannelKey, type Log } from './channels';
import { findGaps } from './csv-clock';
import type { ImportedLog } from './csv-import';

/** What a bus capture held besides samples. */
interface CaptureReport {
  readonly frames: number;
  /** Frames of other traffic, requests and answers that are not decoded. */
  readonly skipped: number;
  readonly brokenLines: number;
  readonly stored: readonly string[];
  readonly pending: readonly string[];
  /** The last that the engine’s control unit said of its own tests; null where nobody asked. */
  readonly readiness: Readiness | null;
  /** How it was when a code was set (service 02). */
  readonly freeze: Freeze | null;
}

export interface CapturedLog extends ImportedLog {
  readonly capture: CaptureReport;
}

/** A value is held until the next one for this long at most, s: slow identifiers are asked less often. */
const HELD_S = 12;
const A_FRAME = '(seconds.micros) interface ID#DATA';
const FIRST_LINES = 20;
const FIRST_BYTES = 4096;

/** Whether a file looks like a bus capture: most of its first lines are frames. */
export function isCapture(file: Uint8Array): boolean {
  const lines = new TextDecoder()
    .decode(file.subarray(0, FIRST_BYTES))
    .split(/\r?\n/, FIRST_LINES)
    .filter((l) => l.trim() !== '');
  return (
    lines.length > 0 &&
    lines.filter((l) => isHeading(l.trim()) || readFrame(l.trim()) !== null).length > lines.length / 2 &&
    lines.some((l) => readFrame(l.trim()) !== null)
  );
}

interface Value {
  readonly t: number;
  readonly value: number;
}

/** What one control unit said: values by channel in the order of time, and its codes. */
interface Unit {
  readonly assembler: Assembler;
  readonly values: Partial<Record<ChannelKey, Value[]>>;
  readonly codes: { readonly stored: Set<string>; readonly pending: Set<string> };
  readiness: Readiness | null;
  readonly freeze: FrozenSoFar;
}

/**
 * Reads a text capture of diagnostic traffic, one frame a line. Answers to service 01 become channels, one sample
 * for each coolant temperature; codes of services 03 and 07 are told in the report; the rest is counted and
 * skipped. Where several control units answer, the one that tells the coolant most often is the engine's; others
 * only fill channels it does not have.
 */
export function readCapture(text: string): Result<CapturedLog> {
  const units = new Map<number, Unit>();
  const warnings: Problem[] = [];
  let frames = 0;
  let used = 0;
  let brokenLines = 0;
  let firstBroken: number | null = null;
  let last = -Infinity;
  let backwards = 0;
  const lines = text.split(/\r?\n/);
  const since = clockOf(lines);
  for (const [i, raw] of lines.entries()) {
    const line = raw.trim();
    if (line === '' || isHeading(line)) continue;
    const read = readFrame(line);
    const frame = read && { ...read, t: since(read.t) };
    if (!frame) {
      // A capture that was cut off ends in half a line.
      if (i < lines.length - 1) {
        brokenLines++;
        firstBroken ??= i + 1;
      }
      continue;
    }
    frames++;
    if (frame.t < last) {
      backwards++;
      continue;
    }
    last = frame.t;
    if (isAnswer(frame.id)) {
      if (take(unitOf(units, frame.id), frame.t, frame.data)) used++;
    } else if (takeBroadcast(units, frame)) used++;
  }
  if (frames === 0)
    return bad({
      line: 1,
      message: `is no frame of a bus capture; expected ${A_FRAME}`
    });
  const engine = [...units.values()].toSorted((a, b) => count(b) - count(a))[0];
  if (!engine || count(engine) < 2)
    return bad({
      message: `holds ${frames} frames and fewer than two coolant temperatures; expected answers to service 01, identifier 05 or 67, or the broadcast group of engine temperatures (65262)`
    });
  if (firstBroken !== null)
    warnings.push({
      line: firstBroken,
      message: `${brokenLines === 1 ? 'is no frame and was' : `and ${brokenLines - 1} more are no frames and were`} skipped; expected ${A_FRAME}`
    });
  if (backwards > 0) warnings.push({ message: `${backwards} frames go back in time and were left out` });
  const others = [...units.values()].filter((u) => u !== engine);
  const log = logOf(engine, others);
  const all = (of: 'stored' | 'pending') => [
    ...new Set([...units.values()].flatMap((u) => [...u.codes[of]]))
  ];
  const stored = all('stored');
  const pending = all('pending');
  if (stored.length + pending.length > 0)
    warnings.push({
      message: `trouble codes on the bus: ${[...stored.map((c) => `${c} stored`), ...pending.map((c) => `${c} pending`)].join(', ')}`
    });
  const readiness = engine.readiness ?? others.find((u) => u.readiness)?.readiness ?? null;
  const freeze = freezeOf([engine, ...others]);
  if (readiness) warnings.push({ message: readinessSaid(readiness) });
  if (freeze) warnings.push({ message: freezeSaid(freeze) });
  return good(
    {
      log,
      report: {
        rows: log.t.length,
        brokenRows: brokenLines,
        repeatedTimes: 0,
        backwardTimes: backwards,
        blankCells: 0,
        gaps: findGaps(log.t)
      },
      capture: { frames, skipped: frames - used, brokenLines, stored, pending, readiness, freeze }
    },
    warnings
  );
}

function unitOf(units: Map<number, Unit>, id: number): Unit {
  let unit = units.get(id);
  if (!unit) {
    unit = {
      assembler: new Assembler(),
      values: {},
      codes: { stored: new Set(), pending: new Set() },
      readiness: null,
      freeze: { code: null, values: new Map() }
    };
    units.set(id, unit);
  }
  return unit;
}

/** Keys of senders of broadcast traffic, which are no identifiers of answers. */
const BROADCAST = 0x4000_0000;

/** Whether the frame was of use: broadcast traffic with a value that a log of the cooling needs. */
function takeBroadcast(units: Map<number, Unit>, { t, id, data }: StampedFrame): boolean {
  const told = readBroadcast(id, data);
  if (told.length === 0) return false;
  const unit = unitOf(units, BROADCAST + groupOf(id)!.sender);
  for (const { channel, value } of told) (unit.values[channel] ??= []).push({ t, value });
  return true;
}

/**
 * How a capture counts: by one clock, or each frame from the one before it, as its heading says or as its times tell,
 * which then go to and fro by less than a minute. Returns what turns a frame's time into one since the beginning, s;
 * a date in the heading is where that lies.
 */
function clockOf(lines: readonly string[]): (t: number) => number {
  const head = lines.slice(0, FIRST_LINES).map((l) => l.trim());
  const began = head.flatMap((l) => /^date\s+(.+)$/i.exec(l)?.[1] ?? []).map(secondsOfDate)[0] ?? 0;
  const times = lines.slice(0, 400).flatMap((l) => readFrame(l.trim())?.t ?? []);
  const falls = times.filter((t, i) => i > 0 && t < times[i - 1]).length;
  const relative =
    head.some((l) => /timestamps\s+relative/i.test(l)) ||
    (times.every((t) => t < 60) && falls > times.length / 5);
  let sum = began;
  return (t) => (relative ? (sum += t) : began + t);
}

/** “Tue Nov 24 08:12:00 2026”, with am or pm or without, as seconds since 1970 by the clock of the place. */
function secondsOfDate(text: string): number {
  const plain = text.replace(/^[a-z]{3}\s+/i, '').replace(/\.\d+/, '');
  const ms = Date.parse(`${plain} UTC`);
  return Number.isNaN(ms) ? 0 : ms / 1000;
}

const count = (unit: Unit): number => unit.values.ect_c?.length ?? 0;

/** Whether the frame was of use: part of a decoded answer. */
function take(unit: Unit, t: number, data: Uint8Array): boolean {
  const message = unit.assembler.take(data);
  if (!message) return data.length > 0 && data[0] >> 4 !== 3;
  const body = message.subarray(1);
  switch (message[0]) {
    case 0x41: {
      if (body[0] === 0x01) {
        unit.readiness = readReadiness(body.subarray(1)) ?? unit.readiness;
        return unit.readiness !== null;
      }
      const answers = readAnswer(body);
      const direct = answers.some((a) => a.identifier.id === 0x05);
      for (const { identifier, value } of answers) {
        // Both coolant identifiers in one answer are one temperature.
        if (!identifier.channel || (identifier.id === 0x67 && direct)) continue;
        (unit.values[identifier.channel] ??= []).push({ t, value });
      }
      return answers.length > 0;
    }
    case 0x43:
    case 0x47: {
      const into = unit.codes[message[0] === 0x43 ? 'stored' : 'pending'];
      for (const code of readCodes(body)) into.add(code);
      return true;
    }
    case 0x42:
      return takeFreeze(unit.freeze, body);
    default:
      return false;
  }
}

function freezeOf(units: readonly Unit[]): Freeze | null {
  for (const unit of units) {
    const freeze = readFreeze(unit.freeze);
    if (freeze) return freeze;
  }
  return null;
}

/** One sample for each coolant temperature; other channels hold their last value for a while. */
function logOf(engine: Unit, others: readonly Unit[]): Log {
  const ect = engine.values.ect_c!;
  const t0 = ect[0].t;
  const channels: Partial<Record<ChannelKey, Float32Array>> = {
    ect_c: Float32Array.from(ect, (v) => v.value)
  };
  for (const { key } of CHANNELS) {
    if (key === 'ect_c') continue;
    const values = engine.values[key] ?? others.find((u) => u.values[key])?.values[key];
    if (values) channels[key] = held(values, ect);
  }
  return { t: Float64Array.from(ect, (v) => v.t - t0), channels, events: [], startedAt: startOf(t0) };
}

function held(values: readonly Value[], at: readonly Value[]): Float32Array {
  const column = new Float32Array(at.length).fill(NaN);
  let i = -1;
  for (let n = 0; n < at.length; n++) {
    while (i + 1 < values.length && values[i + 1].t <= at[n].t + 0.05) i++;
    if (i >= 0 && at[n].t - values[i].t <= HELD_S) column[n] = values[i].value;
    // The first answers of a capture come one after the other: a value just after the sample counts for it.
    else if (i < 0 && values[0].t - at[n].t < 1.5) column[n] = values[0].value;
  }
  return column;
}

/** Seconds that are a date since 1970 tell when it began; small ones count from nowhere. */
/** Seconds since 1970 that are a date of a log: from 2001 to 2100. */
const startOf = (seconds: number): string | undefined =>
  seconds > 1e9 && seconds < 4.1e9 ? new Date(seconds * 1000).toISOString() : undefined;
