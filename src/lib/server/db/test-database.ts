import { randomBytes } from 'node:crypto';
import { connect, type Database } from './database';
import { loadDemo } from '../files/demo';
import { migrate } from './migrate';

export interface TestDatabase {
  readonly db: Database;
  readonly url: string;
  drop(): Promise<void>;
}

const LOCK = 7_309_002;

async function made(sql: (name: string) => string): Promise<TestDatabase> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set; run the tests through bin/test');
  const name = `t_${randomBytes(6).toString('hex')}`;
  const admin = connect(base);
  await admin.sequelize.query(sql(name));
  const url = Object.assign(new URL(base), { pathname: `/${name}` }).toString();
  const db = connect(url);
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

/** A database of its own on the test cluster, migrated (or only up to `to`), and dropped at the end. */
export async function testDatabase(to?: string): Promise<TestDatabase> {
  const there = await made((name) => `CREATE DATABASE ${name}`);
  await migrate(there.db, to);
  return there;
}

/** The same with the demo in it: loaded once for all files of a test run, and copied for each. */
export async function demoDatabase(): Promise<TestDatabase> {
  // All workers of one run have the same parent.
  const template = `t_demo_${process.ppid}`;
  const admin = connect(process.env.TEST_DATABASE_URL!);
  try {
    await admin.sequelize.transaction(async (transaction) => {
      await admin.sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCK], transaction });
      const [there] = await admin.sequelize.query('SELECT 1 FROM pg_database WHERE datname = $1', {
        bind: [template]
      });
      if (there.length > 0) return;
      await admin.sequelize.query(`CREATE DATABASE ${template}`);
      const url = Object.assign(new URL(process.env.TEST_DATABASE_URL!), { pathname: `/${template}` });
      const db = connect(url.toString());
      await migrate(db);
      await loadDemo(db, 'demo', new Date());
      await db.sequelize.close();
    });
    return await made((name) => `CREATE DATABASE ${name} TEMPLATE ${template}`);
  } finally {
    await admin.sequelize.close();
  }
}
