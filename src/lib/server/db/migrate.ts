import type { Migration } from './migration';
import { SequelizeStorage, Umzug } from 'umzug';
import type { Database } from './database';
import { log } from '../log';
import { ground } from './migrations/0001-ground';
import { intake } from './migrations/0002-intake';
import { curves } from './migrations/0004-curves';
import { causes } from './migrations/0005-causes';
import { endings } from './migrations/0006-endings';
import { versions } from './migrations/0007-versions';
import { cases } from './migrations/0008-cases';
import { finding } from './migrations/0009-finding';
import { demo } from './migrations/0010-demo';
import { ending } from './migrations/0011-ending';
import { photos } from './migrations/0012-photos';
import { people } from './migrations/0013-people';
import { fence } from './migrations/0014-fence';
import { board } from './migrations/0015-board';
import { calendar } from './migrations/0016-calendar';
import { practice } from './migrations/0017-practice';
import { waited } from './migrations/0018-waited';
import { live } from './migrations/0003-live';
import { deriveAnew } from '../record/record';

const MIGRATIONS: readonly Migration[] = [
  ground,
  intake,
  live,
  curves,
  causes,
  endings,
  versions,
  cases,
  finding,
  demo,
  ending,
  photos,
  people,
  fence,
  board,
  calendar,
  practice,
  waited
];
/** Their names in the order they are run. */
export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map((m) => m.name);
const LOCK = 7_309_001;

/** Brings the database up to date, or up to `to`. Safe to call from several processes at once. Returns what was run. */
export async function migrate(db: Database, to?: string): Promise<string[]> {
  return db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCK], transaction });
    const umzug = new Umzug({
      migrations: MIGRATIONS.map(({ name, sql }) => ({
        name,
        up: async () => {
          await db.sequelize.transaction((t) => db.sequelize.query(sql, { transaction: t }));
        }
      })),
      storage: new SequelizeStorage({ sequelize: db.sequelize, tableName: 'migrations' }),
      logger: undefined
    });
    const done = await umzug.up(to ? { to } : {});
    // What is derived is written by the code of today, which knows the tables of today only.
    const whole = to === undefined || to === MIGRATION_NAMES.at(-1);
    if (whole && MIGRATIONS.some((m) => m.derivedAnew && done.some((d) => d.name === m.name)))
      await deriveAnew(db, transaction);
    if (done.length > 0) log.info({ migrations: done.map((m) => m.name) }, 'database migrated');
    return done.map((m) => m.name);
  });
}
