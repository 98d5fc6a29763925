import { readFileSync, writeFileSync } from 'node:fs';
import { writeLog } from '../src/core/logs/csv-export';
import { readSpecSheet } from '../src/core/vehicle/read-sheet';
import { DRIVES, type Leg } from '../src/core/physics/plant/drive';
import type { FaultId } from '../src/core/vehicle/faults';
import { logFrom } from '../src/core/runs/log-from';

/** Makes the demo's logs from the plant with fixed seeds: `npm run demo:make`. The files are committed. */
interface DemoRun {
  readonly file: string;
  readonly spec: string;
  readonly fault: FaultId;
  readonly severity: number;
  readonly variant?: string;
  readonly legs: readonly Leg[];
  readonly ambientC: number;
  readonly columns?: 'all' | 'scan' | 'bare';
}

const queue: readonly Leg[] = [
  ...DRIVES.yard.slice(1, 5),
  { minutes: 7, speedKmh: 62, load: 0.45, rpm: 2000 },
  { minutes: 16, speedKmh: 0, load: 0.42, rpm: 1050, ac: true },
  { minutes: 8, speedKmh: 70, load: 0.4, rpm: 2100 }
];
const fastIdle: readonly Leg[] = [
  { minutes: 2, speedKmh: 0, load: 0.2, rpm: 800 },
  { minutes: 24, speedKmh: 0, load: 0.3, rpm: 1800 },
  { minutes: 4, speedKmh: 0, load: 0.2, rpm: 800 }
];
const plough: readonly Leg[] = [
  { minutes: 5, speedKmh: 0, load: 0.2, rpm: 750 },
  { minutes: 22, speedKmh: 34, load: 0.55, rpm: 1500 },
  { minutes: 8, speedKmh: 0, load: 0.2, rpm: 750 }
];
const grade: readonly Leg[] = [
  { minutes: 3, speedKmh: 0, load: 0.2, rpm: 780 },
  { minutes: 7, speedKmh: 60, load: 0.35, rpm: 2000 },
  { minutes: 10, speedKmh: 30, load: 0.95, rpm: 3000 },
  { minutes: 4, speedKmh: 55, load: 0.2, rpm: 1800 },
  { minutes: 9, speedKmh: 0, load: 0.2, rpm: 780 }
];

const RUNS: readonly DemoRun[] = [
  {
    file: 'qh-03-ridge-road',
    spec: 'qh-03-curlew',
    fault: 'thermostat-stuck-open',
    severity: 0.36,
    legs: DRIVES.mixed,
    ambientC: 4
  },
  { file: 'qh-03-proof', spec: 'qh-03-curlew', fault: 'none', severity: 0, legs: DRIVES.mixed, ambientC: 6 },
  {
    file: 'qh-03-last-autumn',
    spec: 'qh-03-curlew',
    fault: 'none',
    severity: 0,
    legs: DRIVES.queue,
    ambientC: 14
  },
  {
    file: 'qh-07-post-round',
    spec: 'qh-07-parcel',
    fault: 'fan-controller-shorted',
    severity: 0.35,
    legs: DRIVES.mixed,
    ambientC: 9
  },
  {
    file: 'qh-11-harbour-queue',
    spec: 'qh-11-fathom',
    fault: 'airflow-restricted',
    severity: 0.65,
    legs: queue,
    ambientC: 19
  },
  {
    file: 'qh-14-district-round',
    spec: 'qh-14-pip',
    fault: 'sensor-branch-restricted',
    severity: 0.55,
    legs: DRIVES.mixed,
    ambientC: 8
  },
  {
    file: 'qh-19-night-shift',
    spec: 'qh-19-plough',
    fault: 'clutch-circuit-open',
    severity: 1,
    legs: plough,
    ambientC: -2
  },
  {
    file: 'qh-22-chapel-hill',
    spec: 'qh-22-heron',
    fault: 'fan-setpoint-modified',
    severity: 0.7,
    variant: 'late',
    legs: grade,
    ambientC: 21
  },
  {
    file: 'qh-26-car-park',
    spec: 'qh-26-scoot',
    fault: 'ect-intermittent',
    severity: 0.35,
    legs: DRIVES.yard,
    ambientC: 11,
    columns: 'scan'
  },
  {
    file: 'qh-26-short-hop',
    spec: 'qh-26-scoot',
    fault: 'none',
    severity: 0,
    legs: DRIVES.short,
    ambientC: 3,
    columns: 'scan'
  },
  { file: 'qh-03-fast-idle', spec: 'qh-03-curlew', fault: 'none', severity: 0, legs: fastIdle, ambientC: 6 }
];

for (const [i, run] of RUNS.entries()) {
  const sheet = readSpecSheet(JSON.parse(readFileSync(`demo/specs/${run.spec}.spec.json`, 'utf8')));
  if (!sheet.ok) throw new Error(`${run.spec}: ${sheet.problems[0].message}`);
  const log = logFrom({
    ...run,
    spec: sheet.value,
    startC: run.ambientC + 0.5,
    columns: run.columns ?? 'all',
    seed: 1000 + i
  });
  writeFileSync(`demo/runs/${run.file}.csv`, writeLog(log));
}
