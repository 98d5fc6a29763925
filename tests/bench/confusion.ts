import { ALIKE, PLANT_FAULTS } from '../../src/core/faults/registry';
import type { SpecSheet } from '../../src/core/vehicle/spec-sheet';
import type { DriveName } from '../../src/core/physics/plant/drive';
import type { FaultId } from '../../src/core/vehicle/faults';
import { plantFor } from '../../src/core/physics/plant/params';
import { seeded } from '../../src/core/base/random';
import { analyse } from '../../src/core/runs/analyse';
import { makeLog, type MadeRun } from '../../src/simulation/cases/strange-vehicle';

const GRADED = [0.45, 0.75, 1];
/** Healthy vehicles are tried more often: of them it is asked how rarely one is called faulty. */
const HEALTHY = Array.from({ length: 10 }, () => 0);
/** Faults that are there or not: a half-dead fan motor is another fault of the catalogue. */
const WHOLE = new Set<FaultId>(['fan-motor-dead', 'thermostat-stuck-closed']);
const stands = (id: FaultId): FaultId =>
  (Object.entries(ALIKE).find(([, ids]) => ids?.includes(id))?.[0] as FaultId | undefined) ?? id;

export interface Outcome extends MadeRun {
  readonly verdict: string;
  readonly topTwo: boolean;
  readonly blind: boolean;
}

export interface ConfusionOptions {
  readonly drives: readonly DriveName[];
  readonly ambients: readonly number[];
  readonly columns: MadeRun['columns'];
}

/** Every fault at three severities, on every drive and day, each on another strange vehicle. */
export function confusion(spec: SpecSheet, { drives, ambients, columns }: ConfusionOptions): Outcome[] {
  const plant = plantFor(spec);
  const outcomes: Outcome[] = [];
  let seed = 1;
  const faults = PLANT_FAULTS.filter(
    (f) => (!f.applies || f.applies(plant)) && stands(f.id) === f.id && f.id !== 'fan-command-missing'
  );
  for (const { id: fault, variants } of faults) {
    for (const drive of drives) {
      for (const ambientC of ambients) {
        for (const graded of fault === 'none' ? HEALTHY : GRADED) {
          const severity = WHOLE.has(fault) ? 0.9 + graded / 10 : graded;
          const run: MadeRun = { spec, fault, severity, drive, ambientC, columns, seed: ++seed };
          const names = Object.keys(variants);
          const a = analyse(makeLog(run, seeded(seed), names[seed % names.length]), spec);
          outcomes.push({
            ...run,
            verdict: a.verdict,
            topTwo: a.suspects.slice(0, 2).some((s) => s.fault === fault),
            blind: a.couldNotShow.some((b) => b.fault === fault)
          });
        }
      }
    }
  }
  return outcomes;
}

const share = (n: number, of: number) =>
  of === 0 ? '   –' : `${String(Math.round((100 * n) / of)).padStart(3)}%`;

/** One line a fault: named right, named right where the run could show it, in the first two, and taken for what. */
export function table(outcomes: readonly Outcome[]): string {
  const faults = [...new Set(outcomes.map((o) => o.fault))];
  const rows = faults.map((fault) => {
    const all = outcomes.filter((o) => o.fault === fault);
    const shown = all.filter((o) => !o.blind);
    const right = (list: readonly Outcome[]) => list.filter((o) => o.verdict === fault).length;
    const counts = new Map<string, number>();
    for (const { verdict } of all) if (verdict !== fault) counts.set(verdict, (counts.get(verdict) ?? 0) + 1);
    const taken = [...counts]
      .sort((a, b) => b[1] - a[1])
      .slice(0, 4)
      .map(([v, n]) => `${v} ${n}`);
    const cells = [
      share(right(all), all.length),
      share(right(shown), shown.length),
      String(shown.length).padStart(4),
      share(all.filter((o) => o.topTwo).length, all.length)
    ];
    return `${fault.padEnd(26)} ${cells.join('   ')}   ${taken.join(', ')}`;
  });
  return [`${'made'.padEnd(26)}  all   could show (runs)  top two   taken for`, ...rows].join('\n');
}

/** Healthy runs that a fault was named for, in all and at the worst ambient. */
export function healthyAlarms(outcomes: readonly Outcome[]): string {
  const alarms = (list: readonly Outcome[]) =>
    list.filter((o) => o.verdict !== 'none' && o.verdict !== 'not-enough').length;
  const healthy = outcomes.filter((o) => o.fault === 'none');
  const worst = [...new Set(healthy.map((o) => o.ambientC))]
    .map((ambientC) => healthy.filter((o) => o.ambientC === ambientC))
    .sort((a, b) => alarms(b) / b.length - alarms(a) / a.length)[0];
  return `${alarms(healthy)} of ${healthy.length}; worst at ${worst[0].ambientC} °C: ${alarms(worst)} of ${worst.length}`;
}

/** Whether blind spots are honest: what was declared invisible and yet named, what should have shown and did not. */
export function blindness(outcomes: readonly Outcome[]): string {
  const faulty = outcomes.filter((o) => o.fault !== 'none');
  const blind = faulty.filter((o) => o.blind);
  const shown = faulty.filter((o) => !o.blind);
  const count = (list: readonly Outcome[], is: (o: Outcome) => boolean) =>
    `${list.filter(is).length} of ${list.length}`;
  return [
    `declared blind and yet named: ${count(blind, (o) => o.verdict === o.fault)}`,
    `could show, named right: ${count(shown, (o) => o.verdict === o.fault)}`,
    `in the first two: ${count(shown, (o) => o.topTwo)}`,
    `called healthy: ${count(shown, (o) => o.verdict === 'none')}`
  ].join('; ');
}

/** Pairs of faults mixed up in more than one in ten of the runs that should have shown the first. */
export function pairs(outcomes: readonly Outcome[]): string {
  const found: string[] = [];
  for (const fault of new Set(outcomes.map((o) => o.fault))) {
    const shown = outcomes.filter((o) => o.fault === fault && !o.blind);
    for (const verdict of new Set(shown.map((o) => o.verdict))) {
      const n = shown.filter((o) => o.verdict === verdict).length;
      if (verdict !== fault && verdict !== 'not-enough' && shown.length > 4 && n / shown.length > 0.1)
        found.push(`${fault} → ${verdict} (${n} of ${shown.length})`);
    }
  }
  return found.join('; ') || 'none';
}
