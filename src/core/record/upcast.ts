import { isPlainObject } from '../base/open-format';
import { bad, good, type Result } from '../base/result';
import { EVENT_VERSIONS, recordEventSchema, type EventKind, type RecordEvent } from './events';

type Payload = Readonly<Record<string, unknown>>;

/** Checks that a log answers, or a technician's word: their readings have always been that word. */
const RUN_CHECKS: readonly unknown[] = ['warm-up-run', 'road-run'];

/**
 * How a payload of one version becomes one of the next: the step at index 0 leads from version 1 to 2. What the
 * schema fills in by a default needs no step. A payload that is in its new shape already is left as it is.
 */
const STEPS: Partial<Record<EventKind, readonly ((payload: Payload) => Payload)[]>> = {
  'check.recorded': [
    // Checks that had no rule of their own yet were judged by hand, in the place of their readings.
    (payload) =>
      payload.byHand === undefined &&
      isPlainObject(payload.readings) &&
      'judged' in payload.readings &&
      !RUN_CHECKS.includes(payload.check)
        ? { ...payload, byHand: true }
        : payload
  ],
  'shop.priced': [
    (payload) => payload,
    // A sign for any money stood where nobody had named the shop's own.
    (payload) => (payload.currency === '¤' ? { ...payload, currency: '' } : payload)
  ]
};

/** An event of any version in the shape of today; what is no event is left for the schema to refuse. Pure. */
export function upcast(input: unknown): unknown {
  if (!isPlainObject(input) || typeof input.kind !== 'string' || !Object.hasOwn(EVENT_VERSIONS, input.kind))
    return input;
  const kind = input.kind as EventKind;
  const version = input.version ?? 1;
  if (typeof version !== 'number' || version >= EVENT_VERSIONS[kind] || !isPlainObject(input.payload))
    return input;
  const payload = (STEPS[kind] ?? []).slice(version - 1).reduce((p, step) => step(p), input.payload);
  return { ...input, payload, version: EVENT_VERSIONS[kind] };
}

/** Every event of a list in the shape of today; anything but a list is left as it is. */
export const upcastAll = (input: unknown): unknown => (Array.isArray(input) ? input.map(upcast) : input);

/**
 * Reads one entry from outside or of an earlier version, the only place where that is done: what is wrong with it by
 * field, or the entry in the shape of today with its readings in their own form.
 */
export function readEvent(input: unknown): Result<RecordEvent> {
  const parsed = recordEventSchema.safeParse(upcast(input));
  if (parsed.success) return good(parsed.data);
  const field = (path: readonly PropertyKey[]) =>
    path
      .filter((p) => p !== 'payload' && p !== 'readings')
      .map(String)
      .join('.');
  return bad(...parsed.error.issues.map((i) => ({ field: field(i.path), message: i.message })));
}

/**
 * Reads one entry of our own store. It was read when it was written: one of today's versions is taken as it is, an
 * earlier one is brought up to date. Throws an `Error` that names an entry which no step can bring up to date.
 */
export function readStored(stored: RecordEvent): RecordEvent {
  if (stored.version === EVENT_VERSIONS[stored.kind]) return stored;
  const read = readEvent(stored);
  if (read.ok) return read.value;
  const why = read.problems.map((p) => `${p.field ?? ''} ${p.message}`.trim()).join('; ');
  throw new Error(`entry ${stored.id} (${stored.kind}, version ${stored.version}) cannot be read: ${why}`);
}
