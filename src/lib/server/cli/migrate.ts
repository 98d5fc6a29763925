import { connect } from '../db/database';
import { migrate } from '../db/migrate';
import { log } from '../log';

/** What bin/restore runs when the tables are those of a backup: brings them to the version of this program. */
const db = connect(process.env.DATABASE_URL!);
try {
  await migrate(db);
} catch (error) {
  log.fatal({ error: (error as Error).message }, 'could not migrate the database');
  process.exitCode = 1;
} finally {
  await db.sequelize.close();
}
