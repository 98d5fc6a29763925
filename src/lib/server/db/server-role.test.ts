import { randomBytes, randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { append } from '../record/record';
import { connect, type Database } from './database';
import { grantServing } from './server-role';
import { testDatabase, type TestDatabase } from './test-database';

const role = `server_${randomBytes(4).toString('hex')}`;
let there: TestDatabase;
let serving: Database;
beforeAll(async () => {
  there = await testDatabase();
  // As every start does: the second time changes nothing.
  await grantServing(there.db, role, 'first');
  await grantServing(there.db, role, `it's "new"`);
  serving = connect(
    Object.assign(new URL(there.url), {
      username: role,
      password: encodeURIComponent(`it's "new"`)
    }).toString()
  );
});
afterAll(async () => {
  await serving.sequelize.close();
  await there.db.sequelize.query(`DROP OWNED BY ${role}; DROP ROLE ${role}`);
  await there.drop();
});

it('the role that serves adds to the record, and can neither change nor empty it', async () => {
  const stream = `vehicle:${randomUUID()}`;
  const at = new Date().toISOString();
  const entered = { kind: 'vehicle.entered', payload: { fleetNo: 'QH-41', name: 'Lundmar Drover' } };
  expect((await append(serving, { id: randomUUID(), stream, at, who: 'Maren Oake', ...entered })).ok).toBe(
    true
  );
  const renamed = { kind: 'vehicle.entered', payload: { fleetNo: 'QH-42', name: 'Lundmar Drover' } };
  expect((await append(serving, { id: randomUUID(), stream, at, who: 'Maren Oake', ...renamed })).ok).toBe(
    true
  );
  for (const forbidden of [
    "UPDATE events SET who = 'x'",
    'DELETE FROM events',
    'TRUNCATE events',
    'ALTER TABLE events DISABLE TRIGGER ALL',
    'DROP TABLE events',
    'DELETE FROM security_events',
    'DELETE FROM migrations',
    'CREATE TABLE more (id int)'
  ])
    await expect(serving.sequelize.query(forbidden), forbidden).rejects.toThrow(
      /permission denied|must be owner/
    );
  expect(await there.db.events.count({ where: { stream } })).toBe(2);
});

it('a name that is none is refused before anything is asked', async () => {
  await expect(grantServing(there.db, 'x; DROP TABLE events', 'y')).rejects.toThrow('make a name');
});
