import { randomBytes } from 'node:crypto';
import { connect, type Database } from './database';
import { migrate } from './migrate';

/** A database of its own on the test cluster, migrated (or only up to `to`), and dropped at the end. */
export async function testDatabase(
  to?: string
): Promise<{ db: Database; url: string; drop(): Promise<void> }> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set; run the tests through bin/test');
  const name = `t_${randomBytes(6).toString('hex')}`;
  const admin = connect(base);
  await admin.sequelize.query(`CREATE DATABASE ${name}`);
  const url = Object.assign(new URL(base), { pathname: `/${name}` }).toString();
  const db = connect(url);
  await migrate(db, to);
  return {
    db,
    url,
    async drop() {
      await db.sequelize.close();
      await admin.sequelize.query(`DROP DATABASE ${name} WITH (FORCE)`);
      await admin.sequelize.close();
    }
  };
}
