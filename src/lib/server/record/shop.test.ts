import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { streamOf, type EventInput } from '../../../core/record/events';
import { SHOP_ID } from '../../../core/record/shop';
import { USUAL_COSTS } from '../../../core/record/shop-costs';
import type { Database } from '../db/database';
import { migrate } from '../db/migrate';
import { append } from './record';
import { loadCase } from '../cases/load-case';
import { causesNow, shopNow } from './shop';
import { testDatabase } from '../db/test-database';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => ({ db, drop } = await testDatabase()));
afterAll(() => drop());

const AT = '2026-11-24T08:00:00.000Z';
const write = (stream: string, body: EventInput, id: string = randomUUID()) =>
  append(db, { id, stream, who: 'Maren Oake', at: AT, ...body });

describe('the migration to causes', () => {
  it('keeps the closed jobs that were there, without a cause', async () => {
    const old = await testDatabase('0004-curves');
    const [vehicle, job] = [randomUUID(), randomUUID()];
    await old.db.sequelize.query(
      "INSERT INTO vehicles (id, fleet_no, name, note) VALUES ($1, 'QH-30', 'Kvesta Parcel', '')",
      { bind: [vehicle] }
    );
    await old.db.sequelize.query(
      "INSERT INTO jobs (id, vehicle_id, complaint, state, outcome, opened_at, last_at, words) VALUES ($1, $2, 'Hot', 'closed', 'no fault found', now(), now(), '')",
      { bind: [job, vehicle] }
    );
    expect(await migrate(old.db, '0005-causes')).toEqual(['0005-causes']);
    expect(await old.db.jobs.findByPk(job, { attributes: ['outcome', 'cause'] })).toMatchObject({
      outcome: 'no fault found',
      cause: null
    });
    await old.drop();
  });
});

describe('the shop', () => {
  it('keeps its rates and prices, and takes them back', async () => {
    const stream = streamOf('shop', SHOP_ID);
    expect(await shopNow(db)).toMatchObject({ costs: USUAL_COSTS, currencyKnown: false });
    const priced = randomUUID();
    const parts = { thermostat: { price: 61, shelf: true } };
    await write(stream, { kind: 'shop.priced', payload: { labourPerHour: 72, parts } }, priced);
    expect(await shopNow(db)).toMatchObject({
      costs: { ...USUAL_COSTS, labourPerHour: 72, parts },
      currencyKnown: true
    });
    await write(stream, { kind: 'undo', payload: { of: priced } });
    expect((await shopNow(db)).costs).toEqual(USUAL_COSTS);
  });

  it('keeps which tools it is without and its own minutes, and refuses what no shop has', async () => {
    const stream = streamOf('shop', SHOP_ID);
    expect((await shopNow(db)).checks).toEqual({ without: [], minutes: {} });
    const equipped = randomUUID();
    const payload = { without: ['Optical tachometer' as const], minutes: { 'hose-rush': 5 } };
    await write(stream, { kind: 'shop.equipped', payload }, equipped);
    expect((await shopNow(db)).checks).toEqual(payload);
    const wrong = await write(stream, {
      kind: 'shop.equipped',
      payload: { without: [], minutes: { 'hose-rush': 0 } }
    });
    expect(wrong).toMatchObject({ ok: false, problems: [{ field: 'minutes.hose-rush' }] });
    await write(stream, { kind: 'undo', payload: { of: equipped } });
    expect((await shopNow(db)).checks.without).toEqual([]);
  });

  it('refuses a price that cannot be, by its field', async () => {
    const answer = await write(streamOf('shop', SHOP_ID), {
      kind: 'shop.priced',
      payload: { labourPerHour: -1 }
    });
    expect(answer).toMatchObject({ ok: false, problems: [{ field: 'labourPerHour' }] });
  });

  it('learns what its closed jobs turned out to be, but not from the job in hand or an undone closing', async () => {
    const vehicle = randomUUID();
    await write(`vehicle:${vehicle}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-31', name: 'Ostrelle Pip' }
    });
    const open = async () => {
      const job = randomUUID();
      await write(`job:${job}`, { kind: 'job.opened', payload: { vehicleId: vehicle, complaint: 'Hot' } });
      return job;
    };
    const close = async (cause: 'ect-intermittent' | 'coolant-low', at = AT) => {
      const [job, closed] = [await open(), randomUUID()];
      await write(`job:${job}`, { kind: 'repair.done', payload: { repairs: ['connector'] } });
      const payload = { outcome: 'fixed, unproven' as const, cause };
      await append(db, {
        id: closed,
        stream: `job:${job}`,
        who: 'Maren Oake',
        at,
        kind: 'job.closed',
        payload
      });
      return { job, closed };
    };
    const causesOf = async (job: string) => (await loadCase(db, job, AT)).causes;
    const first = await close('ect-intermittent');
    await close('ect-intermittent');
    const last = await close('coolant-low', '2026-11-25T08:00:00.000Z');
    const inHand = await open();
    expect(await causesOf(inHand)).toEqual({ 'ect-intermittent': 2, 'coolant-low': 1 });
    // A closed job is a closed book: it rests on what was known before it was closed, and not on itself.
    expect(await causesOf(first.job)).toEqual({});
    expect(await causesOf(last.job)).toEqual({ 'ect-intermittent': 2 });
    expect(await causesNow(db)).toEqual({ 'ect-intermittent': 2, 'coolant-low': 1 });
    await write(`job:${last.job}`, { kind: 'undo', payload: { of: last.closed } });
    expect(await causesNow(db)).toEqual({ 'ect-intermittent': 2 });
    // Open again, it does not learn from itself.
    expect(await causesOf(last.job)).toEqual({ 'ect-intermittent': 2 });
  });

  it('closes a job only in words that its record has earned', async () => {
    const vehicle = randomUUID();
    await write(`vehicle:${vehicle}`, {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-32', name: 'Tarrock Curlew' }
    });
    const stream = `job:${randomUUID()}`;
    await write(stream, { kind: 'job.opened', payload: { vehicleId: vehicle, complaint: 'Hot' } });
    const close = (outcome: 'fixed and proven' | 'fixed, unproven' | 'no fault found') =>
      write(stream, { kind: 'job.closed', payload: { outcome } });
    expect(await close('fixed, unproven')).toMatchObject({
      ok: false,
      problems: [{ field: 'outcome', message: expect.stringContaining('no repair is on record') }]
    });
    await write(stream, { kind: 'repair.done', payload: { repairs: ['thermostat'] } });
    expect(await close('fixed and proven')).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('a run in its band since the repair') }]
    });
    expect(await close('no fault found')).toMatchObject({ ok: false });
    expect(await close('fixed, unproven')).toMatchObject({ ok: true });
    expect(await write(stream, { kind: 'job.reopened', payload: { why: 'Hot again' } })).toMatchObject({
      ok: true
    });
    const job = await db.jobs.findByPk(stream.slice('job:'.length));
    expect(job).toMatchObject({ state: 'open', outcome: null, cause: null });
  });
});
