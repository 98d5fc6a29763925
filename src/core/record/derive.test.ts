import { describe, expect, it } from 'vitest';
import { deriveJob, deriveVehicle } from './derive';
import { activeEvents } from './active';
import type { EventInput, RecordEvent } from './events';
import { readEvent } from './upcast';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const event = (n: number, body: EventInput): RecordEvent => {
  const read = readEvent({
    id: uuid(n),
    stream: `${body.kind === 'vehicle.entered' || body.kind === 'spec.saved' ? 'vehicle' : 'job'}:${uuid(900)}`,
    who: 'Maren Oake',
    at: new Date(Date.UTC(2026, 10, 24, 8, n)).toISOString(),
    ...body
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};
const opened = event(1, { kind: 'job.opened', payload: { vehicleId: uuid(500), complaint: 'Slow to warm' } });
const run = (n: number) =>
  event(n, {
    kind: 'run.imported',
    payload: { runId: uuid(600 + n), fileName: 'a.csv', sizeBytes: 10, columns: [], skippedRows: 0 }
  });
const undo = (n: number, of: number) => event(n, { kind: 'undo', payload: { of: uuid(of) } });

describe('the record', () => {
  it('leaves out what was undone, and brings it back when the undo is undone', () => {
    expect(deriveJob([opened, run(2), run(3), undo(4, 3)])!.runIds).toEqual([uuid(602)]);
    expect(deriveJob([opened, run(2), run(3), undo(4, 3), undo(5, 4)])!.runIds).toEqual([
      uuid(602),
      uuid(603)
    ]);
    expect(deriveJob([opened, run(2), undo(3, 2), undo(4, 3), undo(5, 4)])!.runIds).toEqual([]);
  });

  it('has no job once its opening is undone', () => {
    expect(deriveJob([opened, undo(2, 1)])).toBeNull();
    expect(activeEvents([opened, undo(2, 1)])).toEqual([]);
  });

  it('knows when a job was last touched and how it ended', () => {
    const job = deriveJob([
      opened,
      run(2),
      event(9, { kind: 'job.closed', payload: { outcome: 'fixed and proven' } })
    ])!;
    expect([job.state, job.outcome, job.lastAt]).toEqual([
      'closed',
      'fixed and proven',
      '2026-11-24T08:09:00.000Z'
    ]);
  });

  it('counts the revisions of a sheet and goes back to the one before', () => {
    const sheet = (n: number, name: string) =>
      event(n, {
        kind: 'spec.saved',
        payload: {
          sheet: {
            format: 'pyrethos.spec-sheet',
            version: 1,
            name,
            thermostat: { startOpenC: 86, fullOpenC: 99 }
          }
        }
      });
    const entered = event(1, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-03', name: 'Tarrock Curlew 1.6', note: '' }
    });
    const events = [entered, sheet(2, 'first'), sheet(3, 'second')];
    expect(deriveVehicle(events)!.sheet).toMatchObject({ revision: 2, sheet: { name: 'second' } });
    expect(deriveVehicle([...events, undo(4, 3)])!.sheet).toMatchObject({
      revision: 1,
      sheet: { name: 'first' }
    });
  });
});
