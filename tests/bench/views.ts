import { literal } from 'sequelize';
import { createHash, randomUUID } from 'node:crypto';
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

/** The text of a job file once more, on vehicles and with ids of another name. */
function copiedText(text: string, n: number): string {
  const other = (id: string) => {
    const h = createHash('sha256').update(`${n}/${id}`).digest('hex');
    return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
  };
  return text.replace(UUID, other).replace(/"QH-(\d\d)"/g, `"Q${n}-$1"`);
}

function copied(text: string, n: number): JobFile {
  const json = JSON.parse(copiedText(text, n)) as { number: number };
  const read = readJobFile({ ...json, number: json.number + 1000 * n });
  if (!read.ok) throw new Error(read.problems[0].message);
  return read.value;
}

/** A shop's server runs for days: what it does the first time it is asked is not what its users wait for. */
const [WARM, TIMES] = [20, 100];
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
    for (let i = 0; i < WARM + TIMES; i++) {
      const start = performance.now();
      const response = await fetch(server.address + path);
      await response.arrayBuffer();
      if (!response.ok) throw new Error(`${path}: ${response.status}`);
      if (i >= WARM) times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    line(
      path.replace(vehicle, '…'),
      `${ms(times[times.length >> 1])} / ${ms(times[Math.floor(times.length * 0.95)])}`,
      `median / p95; aim: p95 under ${YEARS > 10 ? 100 : 25} ms`
    );
  }
  await manyRuns(db, server.address, texts[0]);
  await server.end();
}

const RUNS = 160;

/** A job of very many runs: how long it takes to open, and what another request waits while it is exported. */
async function manyRuns(db: Database, address: string, text: string): Promise<void> {
  const json = JSON.parse(copiedText(text, YEARS)) as {
    runs: { id: string }[];
    events: { id: string; kind: string; payload: { runId?: string } }[];
  };
  const [run] = json.runs;
  const imported = json.events.find((e) => e.payload.runId === run.id)!;
  for (let n = json.runs.length; n < RUNS; n++) {
    const [eventId, runId] = [randomUUID(), randomUUID()];
    json.runs.push({ ...run, id: runId });
    json.events.splice(json.events.indexOf(imported) + 1, 0, {
      ...imported,
      id: eventId,
      payload: { ...imported.payload, runId }
    });
  }
  const read = readJobFile({ ...json, number: 900_000 });
  if (!read.ok) throw new Error(read.problems[0].message);
  const brought = await bringIn(db, { jobs: [read.value], trusted: true });
  if (!brought.ok) throw new Error(brought.problems[0].message);
  const { id, number } = await db.jobs.findOne({ order: [['number', 'DESC']], rejectOnEmpty: true });
  await projected(db);
  const took = async (path: string) => {
    const start = performance.now();
    await (await fetch(address + path)).arrayBuffer();
    return performance.now() - start;
  };
  line(`a job of ${RUNS} runs opens, first time`, ms(await took(`/jobs/${number}`)), 'aim: under 300 ms');
  line('and again', ms(await took(`/jobs/${number}`)));
  let exporting = true;
  const export_ = took(`/api/jobs/${id}/job.json`).finally(() => (exporting = false));
  const waits: number[] = [];
  while (exporting) waits.push(await took('/health'));
  line(
    'its export',
    ms(await export_),
    `longest wait of another request meanwhile ${ms(Math.max(...waits))}`
  );
}
