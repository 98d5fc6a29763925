import { literal } from 'sequelize';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { readJobFile, type JobFile } from '../../src/core/handover/job-file';
import { bringIn } from '../../src/lib/server/files/bring-in';
import type { Database } from '../../src/lib/server/db/database';
import { loadDemo } from '../../src/lib/server/files/demo';
import { loadYear } from '../../src/lib/server/files/demo-year';
import { testDatabase } from '../../src/lib/server/db/test-database';
import { testServer } from '../browser/server';
import { line, ms } from './measure';

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}/g;

/** The year once more, on vehicles of another name. */
function copied(text: string, n: number): JobFile {
  const other = (id: string) => {
    const h = createHash('sha256').update(`${n}/${id}`).digest('hex');
    return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
  };
  const json = JSON.parse(text.replace(UUID, other).replace(/"QH-(\d\d)"/g, `"Q${n}-$1"`)) as {
    number: number;
  };
  const read = readJobFile({ ...json, number: json.number + 1000 * n });
  if (!read.ok) throw new Error(read.problems[0].message);
  return read.value;
}

const TIMES = 25;
/** How many times the demo's year the shop has: BENCH_YEARS, else ten. */
const YEARS = Number(process.env.BENCH_YEARS ?? 10);

/** Waits until no job's line is due, so that the views are measured alone. */
async function projected(db: Database): Promise<void> {
  for (;;) {
    const due = await db.jobs.count({ where: literal('line_due > line_done') });
    if (due === 0) return;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}

/** How long the server takes for its views with many times the full demo: first byte to last, over loopback. */
export async function viewsBench(): Promise<void> {
  const database = await testDatabase();
  const { db } = database;
  await loadDemo(db, 'demo', new Date());
  const began = performance.now();
  await loadYear(db, 'demo/year', new Date());
  line(
    'the demo year, 140 job files brought in',
    ms(performance.now() - began),
    'aim: under 30 s with the rest'
  );
  const texts = readdirSync('demo/year').map((f) => readFileSync(`demo/year/${f}`, 'utf8'));
  for (let n = 1; n < YEARS; n++) await bringIn(db, { jobs: texts.map((t) => copied(t, n)), trusted: true });
  const [jobs, runs, events] = [await db.jobs.count(), await db.runs.count(), await db.events.count()];
  console.log(`${jobs} jobs, ${runs} runs, ${events} entries`);
  await db.sequelize.query('ANALYZE');
  const server = await testServer(database);
  const due = performance.now();
  await projected(db);
  line(`the lines of ${jobs} jobs, projected in the worker`, ms(performance.now() - due), '');
  const open = (
    await db.jobs.findOne({
      where: { outcome: 'fixed and proven' },
      order: [['lastAt', 'DESC']],
      rejectOnEmpty: true
    })
  ).number;
  const vehicle = (await db.vehicles.findOne({ where: { fleetNo: 'QH-31' }, rejectOnEmpty: true })).id;
  for (const path of [
    '/',
    '/jobs',
    '/jobs?q=heater',
    '/numbers',
    '/fleet',
    '/vehicles',
    `/vehicles/${vehicle}`,
    '/jobs/new',
    `/jobs/${open}`,
    `/jobs/${open}/finish`,
    `/jobs/${open}/report`,
    `/jobs/${open}/report.pdf`,
    '/api/find?q=thermostat'
  ]) {
    const times: number[] = [];
    for (let i = 0; i < TIMES; i++) {
      const start = performance.now();
      const response = await fetch(server.address + path);
      await response.arrayBuffer();
      if (!response.ok) throw new Error(`${path}: ${response.status}`);
      if (i > 2) times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    line(
      path.replace(vehicle, '…'),
      `${ms(times[times.length >> 1])} / ${ms(times[Math.floor(times.length * 0.95)])}`,
      `median / p95; aim: p95 under ${YEARS > 10 ? 100 : 25} ms`
    );
  }
  await server.end();
}
