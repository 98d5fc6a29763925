import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { analyse } from '../runs/analyse';
import { readLog } from '../logs/csv-import';
import { summaryOfRun } from '../runs/run-summary';
import { readSpecSheet } from '../vehicle/read-sheet';
import { readEvent } from '../record/upcast';
import type { RecordEvent } from '../record/events';
import { assembleCase, USUAL_SHOP } from './case';
import { drivesOf } from './drives';

const read = readSpecSheet(JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8')));
if (!read.ok) throw new Error('the sheet of QH-03 does not read');
const sheet = read.value;
const RUN = '7c1f5c52-4d2e-4a35-9a68-2f2d3f1f0a10';
let n = 0;
const entry = (kind: string, payload: unknown): RecordEvent => {
  const event = readEvent({
    id: `7c1f5c52-4d2e-4a35-9a68-${String(++n).padStart(12, '0')}`,
    stream: 'job:7c1f5c52-4d2e-4a35-9a68-2f2d3f1f0a01',
    who: 'Tobin Skarre',
    at: `2026-12-01T07:${40 + n}:00Z`,
    version: 2,
    kind,
    payload
  });
  if (!event.ok) throw new Error(JSON.stringify(event.problems));
  return event.value;
};
const opened = entry('job.opened', {
  vehicleId: '7c1f5c52-4d2e-4a35-9a68-2f2d3f1f0a02',
  complaint: 'Hot on the ridge road',
  symptoms: [{ what: 'gauge-high', when: ['grade'] }],
  changedBefore: '',
  coolantChanged: null
});
const drives = (events: RecordEvent[], runs: Parameters<typeof assembleCase>[0]['runs'] = []) =>
  drivesOf(
    assembleCase({
      events,
      vehicleFacts: [],
      runs,
      sheet,
      shop: USUAL_SHOP,
      causes: {},
      at: '2026-12-01T09:00:00Z'
    })!
  );

describe('the drives a vehicle leaves with', () => {
  it('are those that would show what is suspected, none of them done before any run', () => {
    const { drives: list } = drives([opened]);
    expect(list.length).toBeGreaterThan(0);
    expect(list.every((d) => d.doneBy === null)).toBe(true);
    // One drive serves every suspect that it shows, and none stands there twice.
    const shown = list.flatMap((d) => d.shows.map((s) => s.fault));
    expect(new Set(shown).size).toBe(shown.length);
    expect(new Set(list.map((d) => d.text)).size).toBe(list.length);
    expect(shown).not.toContain('none');
  });

  it('are done by a run that was not blind to what they show', () => {
    const log = readLog(new Uint8Array(readFileSync('demo/runs/qh-03-ridge-road.csv')));
    if (!log.ok) throw new Error('the run does not read');
    const analysis = analyse(log.value.log, sheet);
    const run = summaryOfRun({
      id: RUN,
      fileName: 'ridge-road.csv',
      importedAt: '2026-12-01T08:30:00Z',
      startedAt: null,
      analysis,
      durationS: log.value.log.t.at(-1)!,
      endC: 70
    });
    const imported = entry('run.imported', {
      runId: RUN,
      fileName: 'ridge-road.csv',
      sizeBytes: 10,
      columns: [],
      skippedRows: 0
    });
    const { drives: list } = drives([opened, imported], [run]);
    for (const drive of list)
      expect(drive.doneBy).toBe(
        drive.shows.every((s) => !run.blind.includes(s.fault)) ? 'ridge-road.csv' : null
      );
    expect(list.some((d) => d.doneBy !== null)).toBe(true);
  });
});
