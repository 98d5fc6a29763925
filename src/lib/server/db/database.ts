import { Sequelize } from 'sequelize';
import { defineModels, type Models } from './models';

export interface Database extends Models {
  readonly sequelize: Sequelize;
}

/** Nobody waits for a connection longer than this. */
const ACQUIRE_MS = 10_000;
/** A server gives a question up that a stalled database does not answer: whoever asked is told, and asks again. */
const SERVING = {
  connectionTimeoutMillis: 5000,
  // A question without an answer is followed by a rollback without one: whoever asked waits for both.
  statement_timeout: 10_000,
  query_timeout: 12_000,
  idle_in_transaction_session_timeout: 60_000
};

/** For a connection that stands as long as its server: one that nobody answers is given up, and a dead line is noticed. */
export const STANDING = { connectionTimeoutMillis: 5000, keepAlive: true } as const;

/** Connects to any PostgreSQL given by its URL. The pool is small: several server processes may share one database. */
export function connect(url: string, limits: object = {}): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    // A connection that was let go learns the tables anew, which takes longer than what it is asked for.
    pool: { max: 8, idle: 300_000, acquire: ACQUIRE_MS },
    dialectOptions: limits,
    define: { underscored: true, timestamps: false }
  });
  return { sequelize, ...defineModels(sequelize) };
}

let shared: Database | undefined;

/** The database of this process, from DATABASE_URL. */
export function database(): Database {
  if (!shared) {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('DATABASE_URL is not set; start Pyrethos with bin/start');
    shared = connect(url, SERVING);
  }
  return shared;
}

/** Lets go of the connections, so that a server told to stop ends at once. */
export async function closeDatabase(): Promise<void> {
  await shared?.sequelize.close();
  shared = undefined;
}
