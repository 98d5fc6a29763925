import { Sequelize } from 'sequelize';
import { defineModels, type Models } from './models';

export interface Database extends Models {
  readonly sequelize: Sequelize;
}

/** Connects to any PostgreSQL given by its URL. The pool is small: several server processes may share one database. */
export function connect(url: string): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    // A connection that was let go learns the tables anew, which takes longer than what it is asked for.
    pool: { max: 8, idle: 300_000 },
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
    shared = connect(url);
  }
  return shared;
}

/** Lets go of the connections, so that a server told to stop ends at once. */
export async function closeDatabase(): Promise<void> {
  await shared?.sequelize.close();
  shared = undefined;
}
