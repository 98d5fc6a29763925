import { readFileSync } from 'node:fs';
import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import { memoryOf } from '../../src/core/handover/memory/memory';
import { fingerprintOf, type Fingerprint } from '../../src/core/handover/memory/fingerprint';
import { DRIVES, type DriveName } from '../../src/core/physics/plant/drive';
import { logFrom } from '../../src/core/runs/log-from';
import { normalDraw, seeded } from '../../src/core/base/random';
import { heatTimeOf } from '../../src/core/runs/fit';
import { measure } from '../../src/core/runs/features';
import { driveOf, toGrid } from '../../src/core/runs/grid';
import { rankingStride } from '../../src/core/runs/observed-run';
import { plantFor, type PlantParams } from '../../src/core/physics/plant/params';
import { strangeVehicle } from '../../src/simulation/cases/strange-vehicle';

const SHEETS = ['qh-03-curlew', 'qh-11-fathom', 'qh-14-pip', 'qh-26-scoot'];
const DRIVEN: readonly DriveName[] = ['mixed', 'ridge', 'yard', 'queue'];
const DAY_MS = 86_400_000;
const BEGIN = Date.parse('2025-12-01T08:00:00Z');

/** A run of a day of the island's year: wet winters around 3 °C, short summers around 19 °C, and weather. */
function printOn(
  spec: SpecSheet,
  plant: PlantParams,
  day: number,
  severity: number,
  seed: number
): Fingerprint | null {
  const random = seeded(seed * 1009 + day);
  const ambientC = 11 - 8 * Math.cos((2 * Math.PI * (day - 45)) / 365) + 3 * normalDraw(random);
  const log = logFrom({
    spec,
    fault: severity > 0 ? 'thermostat-stuck-open' : 'none',
    severity,
    legs: DRIVES[DRIVEN[Math.floor(random() * DRIVEN.length)]],
    ambientC,
    startC: ambientC + 2 * random(),
    columns: random() < 0.6 ? 'scan' : 'all',
    seed: seed * 53 + day,
    plant
  });
  const grid = toGrid(log, spec);
  const run = driveOf(grid, rankingStride(grid));
  const usual = plantFor(spec);
  const features = measure(grid, run, heatTimeOf(grid, run, usual), spec, usual.fan.kind !== 'none');
  const at = new Date(BEGIN + day * DAY_MS).toISOString();
  return fingerprintOf({ id: `${day}`, at, verdict: 'none', jumps: 0, features }, usual.startOpenC);
}

const EVERY_DAYS = 14;
/** The thermostat begins to leak in spring and leaks more every week. */
const FAILS_FROM = 150;
const PER_DAY = 0.4 / 200;

export interface MemoryFigures {
  readonly healthyYears: number;
  readonly falseAlarms: number;
  readonly failing: number;
  readonly found: number;
  readonly medianDelayDays: number;
  readonly medianSeverity: number;
}

/** Years of vehicles looked at fortnight by fortnight: how soon a slow leak is told, and how often weather alone is. */
export function memoryFigures(vehicles: number): MemoryFigures {
  let falseAlarms = 0;
  const delays: number[] = [];
  for (let v = 0; v < vehicles; v++) {
    const spec = JSON.parse(
      readFileSync(`demo/specs/${SHEETS[v % SHEETS.length]}.spec.json`, 'utf8')
    ) as SpecSheet;
    const plant = strangeVehicle(spec, seeded(v * 31 + 7));
    const year = (severityOn: (day: number) => number): number | null => {
      const prints: Fingerprint[] = [];
      for (let day = 0; day < 365; day += EVERY_DAYS) {
        const print = printOn(spec, plant, day, severityOn(day), v + 1);
        if (print) prints.push(print);
        const { warnings } = memoryOf(prints, null);
        if (warnings.length > 0) return day;
      }
      return null;
    };
    if (year(() => 0) !== null) falseAlarms++;
    const told = year((day) => Math.max(0, (day - FAILS_FROM) * PER_DAY));
    if (told !== null && told > FAILS_FROM) delays.push(told - FAILS_FROM);
  }
  delays.sort((a, b) => a - b);
  const median = delays[Math.floor(delays.length / 2)] ?? NaN;
  return {
    healthyYears: vehicles,
    falseAlarms,
    failing: vehicles,
    found: delays.length,
    medianDelayDays: median,
    medianSeverity: median * PER_DAY
  };
}
