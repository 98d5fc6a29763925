import { alive, openBrowser } from '../browser/browser';
import { testServer } from '../browser/server';
import { line, ms } from './measure';

const ROWS = 10_000;
const FRAMES = 240;
/** A quick thumb: so many pixels a frame. */
const STEP_PX = 300;

/** Scrolls by a step at every frame and notes how long each took. */
const SCROLL = `
  const done = arguments[arguments.length - 1];
  const box = document.querySelector('[role="region"]');
  const took = [];
  let last = performance.now();
  const next = (now) => {
    took.push(now - last);
    last = now;
    if (took.length > ${FRAMES}) return done(took.slice(1));
    box.scrollTop += ${STEP_PX};
    requestAnimationFrame(next);
  };
  requestAnimationFrame(next);`;

/** All jobs as a table of ten thousand rows, scrolled. */
export async function tableBench(): Promise<void> {
  const server = await testServer();
  await server.db.sequelize.query(
    `INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at)
     SELECT gen_random_uuid(), (SELECT id FROM vehicles LIMIT 1), 'Copy ' || n, 'closed', now(), now()
     FROM generate_series(1, ${ROWS}) n`
  );
  const { driver, close } = await openBrowser();
  await driver.get(`${server.address}/jobs/table`);
  await alive(driver);
  const took = (await driver.executeAsyncScript<number[]>(SCROLL)).toSorted((a, b) => a - b);
  const at = (share: number) => took[Math.floor(share * (took.length - 1))];
  line(
    `table of ${ROWS} rows, ${STEP_PX} px a frame`,
    ms(at(0.5)),
    `a frame; p95 ${ms(at(0.95))}, longest ${ms(at(1))}, ${took.filter((t) => t > 17.5).length} of ${FRAMES} missed 60 a second`
  );
  await close();
  await server.end();
}
