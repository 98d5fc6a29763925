import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { instrumentOf } from '../../../core/measure/instruments';
import type { EventInput } from '../../../core/record/events';
import { resistanceAt } from '../../../core/physics/thermistor/curve';
import type { Curve } from '../../../core/vehicle/sensor-curve';
import { shopCurves } from './curves';
import type { Database } from '../db/database';
import { exportJob } from '../files/job-export';
import { migrate } from '../db/migrate';
import { append } from './record';
import { testDatabase } from '../db/test-database';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

const write = (stream: string, body: EventInput, id: string = randomUUID()) =>
  append(db, { id, stream, who: 'Maren Oake', at: '2026-11-24T08:00:00.000Z', ...body });
const titles = async () => (await shopCurves(db)).map((c) => c.title);
/** A family that is none of ours. */
const harbour: Curve = { kind: 'beta', r25Ohm: 6200, betaK: 4100 };
const saved = (title: string, curve: Curve = harbour): EventInput => ({
  kind: 'curve.saved',
  payload: { title, curve: structuredClone(curve) as never }
});

describe('the migration to curves', () => {
  it('gives a database that was there before an empty library, and keeps its record', async () => {
    const old = await testDatabase('0003-live');
    await old.db.sequelize.query(
      "INSERT INTO events (id, stream, kind, payload, who, at) VALUES ($1, $2, 'job.noted', '{}', 'Tobin Skarre', now())",
      { bind: [randomUUID(), `job:${randomUUID()}`] }
    );
    expect(await migrate(old.db, '0004-curves')).toEqual(['0004-curves']);
    expect(await shopCurves(old.db)).toEqual([]);
    expect(await old.db.events.count()).toBe(1);
    await old.drop();
  });
});

describe('curves of the shop', () => {
  it('are kept, renamed, dropped and brought back', async () => {
    const stream = `curve:${randomUUID()}`;
    const [first, second, dropped] = [randomUUID(), randomUUID(), randomUUID()];
    await write(stream, saved('Harbour tractors'), first);
    expect(await titles()).toEqual(['Harbour tractors']);
    await write(stream, saved('Harbour tractors, blue plug'), second);
    expect(await titles()).toEqual(['Harbour tractors, blue plug']);
    await write(stream, { kind: 'curve.dropped', payload: {} }, dropped);
    expect(await titles()).toEqual([]);
    await write(stream, { kind: 'undo', payload: { of: dropped } });
    expect(await titles()).toEqual(['Harbour tractors, blue plug']);
    await write(stream, { kind: 'undo', payload: { of: second } });
    await write(stream, { kind: 'undo', payload: { of: first } });
    expect(await titles()).toEqual([]);
  });

  it('must fall as they warm and have a name; the row that does not is named', async () => {
    const points: [number, number][] = [
      [0, 6735],
      [25, 7000]
    ];
    const rising = await write(`curve:${randomUUID()}`, saved('Rising', { kind: 'table', points }));
    expect(rising).toMatchObject({
      ok: false,
      problems: [{ field: 'curve.points.1', message: expect.stringContaining('row 2') as string }]
    });
    const nameless = await write(`curve:${randomUUID()}`, saved(' '));
    expect(nameless).toMatchObject({ ok: false, problems: [{ field: 'title' }] });
    expect(await titles()).toEqual([]);
  });

  it('tell the ladder of a job that a sensor of theirs was fitted', async () => {
    const [vehicleId, jobId] = [randomUUID(), randomUUID()];
    const sheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
    await write(`vehicle:${vehicleId}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-90', name: 'Tarrock Curlew 1.6' }
    });
    await write(`vehicle:${vehicleId}`, { kind: 'spec.saved', payload: { sheet } });
    await write(`job:${jobId}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Reads cold' } });
    const points = [8, 25, 45, 62, 78, 90].map((celsius) => ({
      celsius,
      instrument: instrumentOf('contact'),
      ohm: Math.round(resistanceAt(harbour, celsius)),
      volts: null
    }));
    await write(`job:${jobId}`, {
      kind: 'check.recorded',
      payload: { check: 'ect-ladder', readings: { points } }
    });
    const says = async () => (await exportJob(db, jobId))!.checks[0].says;
    expect(await says()).not.toContain('Harbour');
    await write(`curve:${randomUUID()}`, saved('Harbour tractors'));
    expect(await says()).toContain('A healthy sensor of another family, Harbour tractors');
  });
});
