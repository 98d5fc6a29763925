import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import { DRIVES, type DriveName } from '../../src/core/physics/plant/drive';
import { normalDraw, seeded } from '../../src/core/base/random';
import { analyse } from '../../src/core/runs/analyse';
import { logFrom } from '../../src/core/runs/log-from';
import { strangeVehicle } from '../../src/simulation/cases/strange-vehicle';

const AMBIENTS = [-20, -10, 0, 10, 20, 30, 40];
const NAMES = ['mixed', 'queue', 'yard', 'ridge'] as const satisfies readonly DriveName[];
/** What a driver may have set, as a multiple of what is usual on such a day: shut, and twice as far open. */
const HEATERS = { off: 0, on: 2 } as const;
/** Runs a cell: BENCH_ALARMS, else 200. */
const RUNS = Number(process.env.BENCH_ALARMS ?? 200);

/** How many healthy strange vehicles a run calls faulty, by the air and by the heater: each cell of the table. */
export function alarmsBench(spec: SpecSheet): void {
  console.log(`\nHealthy runs called faulty, ${RUNS} a cell, scan columns; in brackets: not enough to say`);
  console.log('| air | heater off | heater on |\n|---|---|---|');
  let [alarms, all] = [0, 0];
  for (const ambientC of AMBIENTS) {
    const cells = Object.values(HEATERS).map((heater) => {
      let [faulty, open] = [0, 0];
      for (let k = 0; k < RUNS; k++) {
        const random = seeded(1000 * (ambientC + 50) + 100_000 * heater + k);
        const made = strangeVehicle(spec, random);
        const { verdict } = analyse(
          logFrom({
            spec,
            fault: 'none',
            severity: 0,
            legs: DRIVES[NAMES[k % NAMES.length]],
            ambientC,
            startC: ambientC + 0.6 * normalDraw(random),
            columns: 'scan',
            seed: k + 1,
            plant: { ...made, heater: heater * made.heater }
          }),
          spec
        );
        if (verdict === 'not-enough') open++;
        else if (verdict !== 'none') faulty++;
      }
      alarms += faulty;
      all += RUNS;
      return `${faulty} (${open})`;
    });
    console.log(`| ${ambientC} °C | ${cells.join(' | ')} |`);
  }
  console.log(`${alarms} of ${all}: ${((100 * alarms) / all).toFixed(2)} %`);
}
