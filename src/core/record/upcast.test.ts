import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { judgeChecks } from '../diagnosis/judged';
import { deriveJob, deriveVehicle } from './derive';
import { describeEvent } from './describe-event';
import { EVENT_VERSIONS, type RecordEvent } from './events';
import { readEvent, readStored, upcast } from './upcast';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const entry = (n: number, kind: string, payload: object, more: object = {}) => ({
  id: uuid(n),
  stream: `job:${uuid(900)}`,
  who: 'Tobin Skarre',
  at: `2026-03-0${n}T09:00:00.000Z`,
  kind,
  payload,
  ...more
});
const read = (input: unknown): RecordEvent => {
  const result = readEvent(input);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

describe('an entry of an earlier version', () => {
  it('judged by hand, before its check had a rule, still counts as it was judged', () => {
    const opened = read(entry(1, 'job.opened', { vehicleId: uuid(7), complaint: 'No fan' }));
    const byHand = read(
      entry(2, 'check.recorded', {
        check: 'relay-socket',
        readings: { judged: 'fail', found: 'No feed at 30' }
      })
    );
    const state = deriveJob([opened, byHand])!;
    const [judged] = judgeChecks(state, [], null);
    expect(judged).toMatchObject({
      check: 'relay-socket',
      byHand: true,
      words: 'fail: No feed at 30',
      outcome: { result: 'fail', says: 'Judged by hand: No feed at 30' }
    });
    expect(describeEvent(byHand)).toBe('Relay socket: fail: No feed at 30');
  });
  it('judged by hand without words is refused, in the words of that form', () => {
    const refused = readEvent(
      entry(2, 'check.recorded', { check: 'relay-socket', readings: { judged: 'fail', found: '' } })
    );
    expect(refused).toMatchObject({
      ok: false,
      problems: [{ field: 'found', message: expect.stringContaining('Write down what was measured') }]
    });
  });
  it('is complete once it is read: what was asked for later has its default', () => {
    const opened = read(entry(1, 'job.opened', { vehicleId: uuid(7), complaint: 'Slow to warm' }));
    expect(opened.payload).toMatchObject({ symptoms: [], changedBefore: '', coolantChanged: null });
    const closed = read(entry(2, 'job.closed', { outcome: 'declined' }));
    expect(closed.payload).toMatchObject({ cause: null, lookAgain: null });
    const priced = read({
      ...entry(3, 'shop.priced', { labourPerHour: 71 }),
      stream: `shop:${uuid(1)}`
    });
    expect(priced.payload).toMatchObject({ labourPerHour: 71, misnamed: 300, parts: {} });
  });
  it('carries the version of today, and reading it again changes nothing', () => {
    const first = read(entry(2, 'check.recorded', { check: 'codes', readings: { codes: [] } }));
    expect(first.version).toBe(EVENT_VERSIONS['check.recorded']);
    expect(upcast(first)).toBe(first);
    expect(read(JSON.parse(JSON.stringify(first)))).toEqual(first);
  });
});

describe('an entry of a newer version', () => {
  it('is refused with both numbers', () => {
    const newer = readEvent(entry(2, 'job.noted', { text: 'x' }, { version: 9 }));
    expect(newer).toMatchObject({
      ok: false,
      problems: [{ field: 'version', message: expect.stringMatching(/version 9.*version 2/) }]
    });
  });
});

describe('the store', () => {
  it('gives back an entry of today as it is, without reading it twice', () => {
    const today = read(entry(2, 'job.noted', { text: 'Heard a whistle' }));
    expect(readStored(today)).toBe(today);
  });
  it('names an entry that cannot be brought up to date', () => {
    const broken = entry(2, 'job.closed', { outcome: 'vanished' }, { version: 1 }) as RecordEvent;
    expect(() => readStored(broken)).toThrow(new RegExp(`${uuid(2)}.*job.closed, version 1.*outcome`));
  });
});

/** The demo's year as it was written before entries had a version. */
const YEAR = JSON.parse(readFileSync('tests/files/version-1/year.json', 'utf8')) as {
  readonly vehicles: Readonly<Record<string, readonly RecordEvent[]>>;
  readonly jobs: readonly { readonly file: string; readonly events: readonly RecordEvent[] }[];
};
const broughtUp = (old: RecordEvent): RecordEvent => {
  const now = read(old);
  expect(now).toMatchObject({ id: old.id, kind: old.kind, who: old.who, version: EVENT_VERSIONS[old.kind] });
  // Nothing that was written is lost: the payload of today holds it.
  expect(now.payload).toMatchObject(old.payload);
  return now;
};

describe('a year of work of version 1', () => {
  it.each(YEAR.jobs)('$file comes in whole', ({ events }) => {
    const state = deriveJob(events.map(broughtUp))!;
    expect(state.checks).toHaveLength(events.filter((e) => e.kind === 'check.recorded').length);
    expect(state.repairs).toHaveLength(events.filter((e) => e.kind === 'repair.done').length);
  });
  it('has vehicles with their sheets', () => {
    for (const events of Object.values(YEAR.vehicles))
      expect(deriveVehicle(events.map(broughtUp))?.sheet).toBeTruthy();
  });
});
