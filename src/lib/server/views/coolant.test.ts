import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EventInput } from '../../../core/record/events';
import { coolantView } from './coolant';
import type { Database } from '../db/database';
import { append } from '../record/record';
import { testDatabase } from '../db/test-database';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

const write = (stream: string, body: EventInput, id: string = randomUUID()) =>
  append(db, { id, stream, who: 'Ysolt Brandy', at: '2026-11-24T08:00:00.000Z', ...body });
const service = (nowPct: number, more: object = {}): EventInput => ({
  kind: 'coolant.serviced',
  payload: { outL: 4, inL: 4, withPct: 50, nowPct, renewed: true, odometerKm: 84_000, ...more }
});

describe('the coolant of a vehicle', () => {
  it('is what was written last in any of its jobs, without what was undone', async () => {
    const [vehicleId, first, second, wrong] = Array.from({ length: 4 }, () => randomUUID());
    await write(`vehicle:${vehicleId}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-91', name: 'Ostrelle Pip 1.0' }
    });
    for (const id of [first, second])
      await write(`job:${id}`, { kind: 'job.opened', payload: { vehicleId, complaint: 'Coolant service' } });
    await write(`job:${first}`, service(44));
    await write(`job:${second}`, service(33), wrong);
    const now = async () => (await coolantView(db, null)).served.map((s) => s.service.nowPct);
    expect(await now()).toEqual([44, 33]);
    const undo = randomUUID();
    await write(`job:${second}`, { kind: 'undo', payload: { of: wrong } }, undo);
    expect(await now()).toEqual([44]);
    await write(`job:${second}`, { kind: 'undo', payload: { of: undo } });
    expect(await now()).toEqual([44, 33]);
    const { job } = await coolantView(db, String((await db.jobs.findByPk(second))!.number));
    expect(job).toMatchObject({ id: second, vehicleId, closed: false });
  });

  it('refuses what cannot be, by its field', async () => {
    const answer = await write(`job:${randomUUID()}`, service(80));
    expect(answer).toMatchObject({ ok: false, problems: [{ field: 'nowPct' }] });
    const nothing = await write(`job:${randomUUID()}`, service(50, { outL: 0, inL: 0 }));
    expect(nothing).toMatchObject({ ok: false, problems: [{ field: 'inL' }] });
  });
});
