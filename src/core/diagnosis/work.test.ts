import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readSpecSheet } from '../vehicle/read-sheet';
import type { RecordEvent } from '../record/events';
import { readEvent } from '../record/upcast';
import { assembleCase, USUAL_SHOP } from './case';
import { workOf } from './work';

const JOB = '6c1f5c52-4d2e-4a35-9a68-2f2d3f1f0a01';
const VEHICLE = '6c1f5c52-4d2e-4a35-9a68-2f2d3f1f0a02';
const read = readSpecSheet(JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8')));
if (!read.ok) throw new Error('the sheet of QH-03 does not read');
const sheet = read.value;

let n = 0;
const entry = (kind: string, payload: unknown, at: string): RecordEvent => {
  const event = readEvent({
    id: `6c1f5c52-4d2e-4a35-9a68-${String(++n).padStart(12, '0')}`,
    stream: `job:${JOB}`,
    who: 'Tobin Skarre',
    at,
    version: 2,
    kind,
    payload
  });
  if (!event.ok) throw new Error(JSON.stringify(event.problems));
  return event.value;
};
const opened = entry(
  'job.opened',
  {
    vehicleId: VEHICLE,
    complaint: 'Slow to warm, heater weak on the ridge road',
    symptoms: [{ what: 'heater-weak', when: [] }],
    changedBefore: '',
    coolantChanged: null
  },
  '2026-12-01T07:40:00Z'
);
const stood = entry(
  'engine.noted',
  { kind: 'ran-until', at: '2026-11-30T16:00:00Z', coolantC: 88, ambientC: 5 },
  '2026-12-01T07:41:00Z'
);
const NOW = '2026-12-01T08:00:00Z';
const work = (...events: RecordEvent[]) =>
  workOf(assembleCase({ events, vehicleFacts: [], runs: [], sheet, shop: USUAL_SHOP, causes: {}, at: NOW })!);

describe('what is to be done on a job', () => {
  it('tells what was known of the engine’s last day, above the air, and whether it ran on', () => {
    const started = entry(
      'engine.noted',
      { kind: 'started', at: '2026-12-01T07:50:00Z' },
      '2026-12-01T07:50:00Z'
    );
    const { past } = work(opened, stood, started).engine;
    expect(past!.map((p) => [p.at, p.running])).toEqual([
      ['2026-11-30T16:00:00Z', false],
      ['2026-12-01T07:50:00Z', true]
    ]);
    expect(past![0].overC).toBeCloseTo(83, 6);
    // It stood for sixteen hours: nothing is left.
    expect(past![1].overC).toBeLessThan(2);
  });

  it('begins with what needs the engine cold, and what runs it comes after', () => {
    const { tasks, engine } = work(opened, stood);
    expect(engine.overC).toBeLessThan(2);
    const kinds = tasks.map((t) => (t.runs ? 'runs' : t.engine));
    expect(kinds[0]).toBe('cold');
    expect(kinds.lastIndexOf('cold')).toBeLessThan(kinds.indexOf('runs'));
    const run = tasks.find((t) => t.id === 'check/hose-rush')!;
    // Nobody runs an engine in a bay without extraction.
    expect(run).toMatchObject({ engine: 'cold', runs: true, places: ['extraction', 'yard'] });
    for (const t of tasks) expect(t.chance).toBeGreaterThan(0);
  });

  it('is the repair that was decided and its proof, with the part it waits for', () => {
    const decided = entry(
      'repair.decided',
      { repairs: ['thermostat'], why: 'Everything points to it', parts: [] },
      '2026-12-01T07:50:00Z'
    );
    const { tasks } = work(opened, stood, decided);
    expect(tasks.map((t) => t.kind)).toEqual(['repair', 'proof']);
    expect(tasks[0]).toMatchObject({
      chance: 1,
      engine: 'cool',
      skill: 'cooling',
      part: { ordered: '2026-12-01T07:50:00Z', days: null }
    });
    expect(tasks[1]).toMatchObject({ engine: 'cold', runs: true });
  });

  it('takes the word of whoever pinned a task, stretched it, or promised the vehicle', () => {
    const [first] = work(opened, stood).tasks;
    const said = [
      entry('job.promised', { at: '2026-12-01T16:00:00Z' }, NOW),
      entry('task.stretched', { task: first.id, title: first.title, minutes: 33 }, NOW),
      entry(
        'task.pinned',
        { task: first.id, title: first.title, person: 'Maren Oake', place: null, start: null },
        NOW
      )
    ];
    const after = work(opened, stood, ...said);
    expect(after.promised).toBe('2026-12-01T16:00:00Z');
    expect(after.tasks.find((t) => t.id === first.id)).toMatchObject({
      minutes: 33,
      pin: { person: 'Maren Oake', place: null, start: null }
    });
    const free = entry(
      'task.pinned',
      { task: first.id, title: first.title, person: null, place: null, start: null },
      NOW
    );
    expect(work(opened, stood, ...said, free).tasks.find((t) => t.id === first.id)!.pin).toBeNull();
  });

  it('is a look at it again, where it is closed', () => {
    const closed = entry(
      'job.closed',
      { outcome: 'no fault found', cause: null, lookAgain: '2026-12-04' },
      '2026-12-01T07:55:00Z'
    );
    const { tasks } = work(opened, stood, closed);
    expect(tasks.map((t) => [t.kind, t.notBefore])).toEqual([['recheck', '2026-12-04']]);
  });
});
