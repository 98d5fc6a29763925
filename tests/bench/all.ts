import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Papa from 'papaparse';
import { asText, sniff } from '../../src/core/logs/csv-sniff';
import { importLog, readLog } from '../../src/core/logs/csv-import';
import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import { driveFromLegs, DRIVES } from '../../src/core/physics/plant/drive';
import { plantFor } from '../../src/core/physics/plant/params';
import { simulate } from '../../src/core/physics/plant/simulate';
import { analyse, bandFor } from '../../src/core/runs/analyse';
import { append } from '../../src/lib/server/record/record';
import type { Database } from '../../src/lib/server/db/database';
import { thin } from '../../src/core/runs/thin';
import { importRun, samplesOf } from '../../src/lib/server/runs/runs';
import { testDatabase } from '../../src/lib/server/db/test-database';
import { openBrowser, painted } from '../browser/browser';
import { testServer } from '../browser/server';
import { alarmsBench } from './alarms';
import { casesBench } from './cases';
import { circuitsBench } from './circuits';
import { blindness, confusion, healthyAlarms, pairs, table } from './confusion';
import { ladderBench } from './ladder';
import { bandBench, liveBench } from './live';
import { memoryFigures } from './memory';
import { phoneBench } from './phone';
import { tableBench } from './table';
import { viewsBench } from './views';
import { writersBench } from './writers';
import { line, median, medianAsync, ms } from './measure';

const sheet = (file: string): SpecSheet => JSON.parse(readFileSync(`demo/specs/${file}.spec.json`, 'utf8'));
const curlew = sheet('qh-03-curlew');
const HALF_HOUR = { minutes: 30 };

function plantBench(): void {
  const plant = plantFor(curlew);
  const half = (dt: number) => {
    const drive = driveFromLegs(DRIVES.mixed, 8, dt);
    const n = HALF_HOUR.minutes * (60 / dt) + 1;
    return { ...drive, rpm: drive.rpm.slice(0, n) };
  };
  for (const dt of [1, 0.5]) {
    const drive = half(dt);
    line(
      `plant, 30 minutes at ${dt} s`,
      ms(median(400, () => void simulate(plant, drive, { startC: 8 }))),
      dt === 1 ? 'aim: under 1 ms' : ''
    );
  }
}

function analyseBench(): void {
  const log = readLog(readFileSync('demo/runs/qh-03-proof.csv'));
  if (!log.ok) throw new Error('the demo log does not read');
  const n = 1801;
  const { t, channels, events } = log.value.log;
  const half = {
    t: t.slice(0, n),
    channels: Object.fromEntries(Object.entries(channels).map(([k, v]) => [k, v.slice(0, n)])),
    events
  };
  const scan = {
    ...half,
    channels: {
      ect_c: half.channels.ect_c,
      rpm: half.channels.rpm,
      speed_kmh: half.channels.speed_kmh,
      load_pct: half.channels.load_pct,
      iat_c: half.channels.iat_c
    }
  };
  line(
    'analysing a 30-minute log at 1 Hz, scan columns',
    ms(median(30, () => void analyse(scan, curlew))),
    'aim: under 60 ms without the band'
  );
  line('the same with hoses, ambient and fan', ms(median(30, () => void analyse(half, curlew))));
  line('its expected band, 200 draws', ms(median(10, () => void bandFor(half, curlew))));
}

const ROWS = 1_000_000;

/** A log of a million rows. Its lines go when it returns: left lying about, they would be walked at each collection. */
function millionRows(): string {
  const lines = ['t_s,ect_c,rpm,speed_kmh,load_pct'];
  for (let i = 0; i < ROWS; i++)
    lines.push(
      `${(i / 10).toFixed(1)},${20 + Math.min(66, i / 9000) + (i % 3)},${800 + (i % 2000)},${((i % 900) / 10).toFixed(1)},${i % 100}`
    );
  return lines.join('\n');
}

async function importBench(): Promise<void> {
  const text = millionRows();
  const bytes = new TextEncoder().encode(text);
  line('a log of a million rows, five columns', `${(bytes.length / 1048576).toFixed(0)} MiB`);
  const split = median(3, () => void Papa.parse(text), 1);
  line('papaparse alone, splitting it', ms(split));
  const layout = sniff(bytes);
  if (!layout.ok) throw new Error('the made log does not sniff');
  line('parsed, mapped and checked', ms(median(5, () => void importLog(bytes, layout.value))));

  const { db, drop } = await testDatabase();
  const [vehicleId, jobId] = [randomUUID(), randomUUID()];
  const event = (stream: string, kind: string, payload: object) =>
    append(db, { id: randomUUID(), stream, who: 'Bench', at: new Date().toISOString(), kind, payload });
  await event(`vehicle:${vehicleId}`, 'vehicle.entered', { fleetNo: 'B-1', name: 'Bench', note: '' });
  await event(`vehicle:${vehicleId}`, 'spec.saved', { sheet: curlew });
  await event(`job:${jobId}`, 'job.opened', { vehicleId, complaint: 'Bench' });
  const whole = await medianAsync(3, async () => {
    const copy = bytes.slice();
    const read = asText(copy);
    const found = read.ok ? sniff(read.value) : read;
    if (!found.ok) throw new Error('unreadable');
    const result = await importRun(db, {
      eventId: randomUUID(),
      runId: randomUUID(),
      jobId,
      who: 'Bench',
      at: new Date().toISOString(),
      fileName: 'million.csv',
      bytes: copy,
      layout: found.value,
      options: {}
    });
    if (!result.ok) throw new Error(result.problems[0].message);
  });
  line(
    'end to end: sniffed, read, checked, judged, banded, stored',
    ms(whole),
    `aim: within papaparse; ratio ${(whole / split).toFixed(2)}`
  );
  await panning(db);
  await drop();
}

/** The stretch the page asks for at each step of panning, out of a run of a million samples. */
async function panning(db: Database): Promise<void> {
  const run = (await db.runs.findOne({ order: [['importedAt', 'DESC']] }))!;
  for (const [what, span] of [
    ['a twentieth of it', run.durationS / 20],
    ['the whole of it', run.durationS]
  ] as const) {
    let from = 0;
    const step = await medianAsync(9, async () => {
      from = (from + span / 4) % Math.max(1, run.durationS - span);
      thin(await samplesOf(db, run, from, from + span), 2400, from, from + span);
    });
    line(`panning a million samples, ${what} in view`, ms(step));
  }
}

async function pageBench(): Promise<void> {
  const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
      e.isDirectory() ? files(join(folder, e.name)) : [join(folder, e.name)]
    );
  const client = files('build/client');
  const size = (ending: string) =>
    client.filter((f) => f.endsWith(ending)).reduce((sum, f) => sum + statSync(f).size, 0);
  line('all scripts of the product, gzipped', `${(size('.js.gz') / 1024).toFixed(0)} KiB`);
  const server = await testServer();
  const { driver, close } = await openBrowser();
  const job = (await server.db.jobs.findAll({ order: [['number', 'ASC']] }))[1].number;
  const times: number[] = [];
  let weight = 0;
  for (let i = 0; i < 7; i++) {
    const began = performance.now();
    await driver.get(`${server.address}/jobs/${job}`);
    await painted(driver);
    times.push(performance.now() - began);
    if (i === 0)
      weight = await driver.executeScript<number>(
        'return performance.getEntries().reduce((sum, e) => sum + (e.transferSize || 0), 0)'
      );
  }
  line('job page with its run, all it loads on a first visit', `${(weight / 1024).toFixed(0)} KiB`);
  line('job page to first curve, first visit', ms(times[0]));
  line('job page to first curve, later visits', ms(times.slice(1).sort((a, b) => a - b)[3]));
  await close();
  await server.end();
}

function confusionBench(): void {
  const options = { drives: ['mixed', 'ridge', 'idle', 'queue'] as const, ambients: [-10, 2, 14, 25, 35] };
  for (const [file, name, columns] of [
    ['qh-03-curlew', 'Tarrock Curlew 1.6, scan columns', 'scan'],
    ['qh-03-curlew', 'Tarrock Curlew 1.6, all columns', 'all'],
    ['qh-03-curlew', 'Tarrock Curlew 1.6, time and coolant only', 'bare'],
    ['qh-11-fathom', 'Ostrelle Fathom 2.2, clutch fan, all columns', 'all']
  ] as const) {
    const outcomes = confusion(sheet(file), { ...options, columns });
    console.log(`\n${name}: ${outcomes.length} runs of vehicles unlike the model`);
    console.log(table(outcomes));
    console.log(`healthy runs called faulty: ${healthyAlarms(outcomes)}`);
    console.log(blindness(outcomes));
    console.log(`pairs one run cannot tell apart here: ${pairs(outcomes)}`);
  }
}

function memoryBench(): void {
  const f = memoryFigures(120);
  line('healthy years, one run a fortnight, told to have drifted', `${f.falseAlarms} of ${f.healthyYears}`);
  line('years with a slowly leaking thermostat, told', `${f.found} of ${f.failing}`);
  line(
    'days from its first leak to the warning, median',
    `${f.medianDelayDays} d`,
    `at severity ${f.medianSeverity.toFixed(2)}`
  );
}

const PARTS: Record<string, () => void | Promise<void>> = {
  plant: plantBench,
  analyse: analyseBench,
  import: importBench,
  page: pageBench,
  phone: phoneBench,
  table: tableBench,
  live: liveBench,
  band: bandBench,
  ladder: ladderBench,
  alarms: () => alarmsBench(curlew),
  circuits: () => console.log(circuitsBench()),
  memory: memoryBench,
  cases: casesBench,
  views: viewsBench,
  writers: writersBench,
  confusion: confusionBench
};
const chosen = process.argv.slice(2);
for (const [name, run] of Object.entries(PARTS))
  if (chosen.length === 0 || chosen.includes(name)) await run();
process.exit(0);
