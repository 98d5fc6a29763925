import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testDatabase, type TestDatabase } from '../db/test-database';
import { endFeed, feedOf, newFeed } from './feed';

let own: TestDatabase;
beforeAll(async () => void (own = await testDatabase()));
afterAll(() => own.drop());

const PERSON = '5b0c0f9e-9d8f-4c57-9a7e-2f6a8f1f7d11';

describe('an address that a calendar program follows', () => {
  it('is of one person, and ends with the next one or by itself', async () => {
    const first = await newFeed(own.db, 'Pell Harrow', null);
    expect(await feedOf(own.db, first)).toBe('Pell Harrow');
    const second = await newFeed(own.db, 'Pell Harrow', null);
    expect(await feedOf(own.db, first)).toBeNull();
    expect(await feedOf(own.db, second)).toBe('Pell Harrow');
    expect(await endFeed(own.db, 'Pell Harrow')).toBe(true);
    expect(await feedOf(own.db, second)).toBeNull();
    expect(await endFeed(own.db, 'Pell Harrow')).toBe(false);
  });

  it('cannot be read out of the database, and ends with the person who made it', async () => {
    await own.db.sequelize.query(
      `INSERT INTO people (id, name, role, passphrase) VALUES ($1, 'Maren Oake', 'lead', 'x')`,
      { bind: [PERSON] }
    );
    const token = await newFeed(own.db, 'Maren Oake', PERSON);
    const rows = await own.db.sequelize.query<{ row: string }>(
      'SELECT calendar_feeds::text AS row FROM calendar_feeds',
      { type: QueryTypes.SELECT }
    );
    expect(rows).toHaveLength(1);
    expect(rows[0].row).not.toContain(token);
    expect(await feedOf(own.db, token)).toBe('Maren Oake');
    await own.db.sequelize.query('UPDATE people SET active = false WHERE id = $1', { bind: [PERSON] });
    expect(await feedOf(own.db, token)).toBeNull();
  });
});
