import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deriveJob } from './derive';
import { activeEvents } from './active';
import type { EventInput, RecordEvent } from './events';
import { readEvent } from './upcast';
import { factsOf } from '../diagnosis/judged';
import { markText, MARKS } from './live';
import { describeEvent } from './describe-event';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const at = (n: number) => new Date(Date.UTC(2026, 10, 25, 8, n)).toISOString();
const read = (n: number, body: object) =>
  readEvent({ id: uuid(n), stream: `job:${uuid(900)}`, who: 'Tobin Skarre', at: at(n), ...body });
function entry(n: number, body: EventInput): RecordEvent {
  const result = read(n, body);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
}
const runId = uuid(700);
const opened = entry(1, { kind: 'job.opened', payload: { vehicleId: uuid(500), complaint: 'Slow to warm' } });
const started = entry(2, {
  kind: 'run.started',
  payload: { runId, source: { kind: 'adapter', address: '127.0.0.1:5191', name: 'Bay 1' } }
});
const mark = (n: number, t: number, of = runId) =>
  entry(n, { kind: 'run.marked', payload: { runId: of, t, mark: 'fan', text: '' } });
const typed = (n: number, t: number, coolantC: number) =>
  entry(n, { kind: 'run.read', payload: { runId, t, coolantC } });
const ended = entry(9, { kind: 'run.ended', payload: { runId, fileName: 'QH-03 2026-11-25', samples: 900 } });
const undo = (n: number, of: number) => entry(n, { kind: 'undo', payload: { of: uuid(of) } });

describe('a live run in the record', () => {
  it('is live from its start to its end, and then one of the job’s runs', () => {
    expect(deriveJob([opened])!.live).toBeNull();
    expect(deriveJob([opened, started])!.live).toMatchObject({ runId, startedAt: at(2), marks: [] });
    const after = deriveJob([opened, started, ended])!;
    expect([after.live, after.runIds]).toEqual([null, [runId]]);
  });

  it('holds its marks and readings in the order of their times, whenever they were sent', () => {
    const { live } = deriveJob([
      opened,
      started,
      mark(3, 60),
      typed(4, 90, 40),
      mark(5, 20),
      typed(6, 30, 20)
    ])!;
    expect(live!.marks.map((m) => m.t)).toEqual([20, 60]);
    expect(live!.readings).toEqual([
      { t: 30, celsius: 20 },
      { t: 90, celsius: 40 }
    ]);
  });

  it('takes no mark of another run, and none after its end', () => {
    expect(deriveJob([opened, started, mark(3, 60, uuid(701))])!.live!.marks).toEqual([]);
    expect(deriveJob([opened, started, ended, mark(10, 60)])!.live).toBeNull();
  });

  it('loses a mark that is undone, and is gone when its start is', () => {
    expect(
      deriveJob([opened, started, mark(3, 60), mark(4, 80), undo(5, 3)])!.live!.marks.map((m) => m.t)
    ).toEqual([80]);
    expect(deriveJob([opened, started, undo(3, 2)])!.live).toBeNull();
  });

  it('tells that the engine was started', () => {
    const facts = factsOf(deriveJob([opened, started])!, []);
    expect(facts.map((f) => f.fact)).toEqual([{ kind: 'started', at: at(2) }]);
  });

  it('reads as plain words', () => {
    expect(describeEvent(started)).toBe('Recording began over Bay 1');
    expect(describeEvent(mark(3, 125))).toBe('Mark at 2:05: Fan');
    expect(describeEvent(typed(4, 61, 40))).toBe('Read 40\u00a0°C at 1:01');
    expect(describeEvent(ended)).toBe('Recording ended with 900 samples');
    expect(markText({ mark: 'plain', text: 'hose warm' })).toBe('hose warm');
    expect(markText({ mark: 'fan', text: 'roars' })).toBe('Fan: roars');
  });

  it('has a key of its own for each mark', () => {
    const keys = Object.values(MARKS).map((m) => m.key);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it.each([
    [{ kind: 'run.marked', payload: { runId, t: -1, mark: 'fan' } }, 't'],
    [{ kind: 'run.marked', payload: { runId, t: 5, mark: 'wheel' } }, 'mark'],
    [{ kind: 'run.read', payload: { runId, t: 5, coolantC: 300 } }, 'coolantC'],
    [
      {
        kind: 'run.started',
        payload: { runId, source: { kind: 'adapter', address: 'http://x/', name: '' } }
      },
      'source.address'
    ]
  ])('refuses %j by its field', (body, field) => {
    const result = read(3, body);
    expect(!result.ok && result.problems[0].field).toBe(field);
  });
});

describe('undo and redo, always', () => {
  /** Events 1 to n, then undos of any event before them, undos included. */
  const history = fc.integer({ min: 2, max: 8 }).chain((n) =>
    fc.array(fc.nat(), { maxLength: 8 }).map((picks) => {
      const events: RecordEvent[] = [
        opened,
        ...Array.from({ length: n }, (_, i) =>
          entry(10 + i, { kind: 'job.noted', payload: { text: `note ${i}` } })
        )
      ];
      for (const [i, pick] of picks.entries()) {
        const target = events[1 + (pick % (events.length - 1))];
        events.push(entry(50 + i, { kind: 'undo', payload: { of: target.id } }));
      }
      return events;
    })
  );
  it('an undo that is undone leaves things as if neither had been', () => {
    fc.assert(
      fc.property(history, (events) => {
        const last = events[events.length - 1];
        fc.pre(last.kind === 'undo');
        const redone = [...events, entry(90, { kind: 'undo', payload: { of: last.id } })];
        expect(activeEvents(redone).map((e) => e.id)).toEqual(
          activeEvents(events.slice(0, -1)).map((e) => e.id)
        );
      })
    );
  });
  it('nothing stands that was never entered, and the order stays', () => {
    fc.assert(
      fc.property(history, (events) => {
        const ids = events.filter((e) => e.kind !== 'undo').map((e) => e.id);
        const stands = activeEvents(events).map((e) => e.id);
        expect(ids.filter((id) => stands.includes(id))).toEqual(stands);
      })
    );
  });
});
