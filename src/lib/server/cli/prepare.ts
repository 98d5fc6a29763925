import { projectLines } from '../cases/lines';
import { connect } from '../db/database';
import { byDay, loadDemo } from '../files/demo';
import { loadYear } from '../files/demo-year';
import { log } from '../log';
import { migrate } from '../db/migrate';
import { grantServing } from '../db/server-role';

/** What bin/start runs before serving: database up to date, demo there (PYRETHOS_DEMO: 0 none, small without the year), and the role that serves let in (PYRETHOS_SERVER_URL). */
const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set');
const db = connect(url);
try {
  await migrate(db);
  const demo = process.env.PYRETHOS_DEMO;
  if (demo !== '0') await loadDemo(db, 'demo', new Date(), byDay);
  if (demo !== '0' && demo !== 'small') await loadYear(db, 'demo/year', new Date());
  // So that the first lists need not wait for what they show.
  await projectLines(db);
  const serves = process.env.PYRETHOS_SERVER_URL;
  if (serves) {
    const { username, password } = new URL(serves);
    await grantServing(db, decodeURIComponent(username), decodeURIComponent(password));
  }
} catch (error) {
  log.fatal({ error: (error as Error).message }, 'could not prepare the database');
  process.exitCode = 1;
} finally {
  await db.sequelize.close();
}
