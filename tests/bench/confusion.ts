import { analyse } from '../../src/core/run/analyse';
import type { SpecSheet } from '../../src/core/formats/spec-sheet';
import { PLANT_FAULTS, type FaultId } from '../../src/core/plant/faults';
import { ALIKE } from '../../src/core/run/candidates';
import { plantFor } from '../../src/core/plant/params';
import { seeded } from '../../src/core/random';
import { makeLog, type MadeRun } from './world';
import type { DriveName } from '../../src/core/plant/drive';

const GRADED = [0.45, 0.75, 1];
const WHOLE = new Set<FaultId>(['fan-motor-dead', 'thermostat-stuck-closed']);
const stands = (id: FaultId): FaultId =>
  (Object.entries(ALIKE).find(([, ids]) => ids?.includes(id))?.[0] as FaultId) ?? id;

export interface Outcome extends MadeRun {
  readonly verdict: string;
  readonly topTwo: boolean;
  readonly blind: boolean;
  readonly probability: number;
}

/** Runs the whole grid of faults, severities, drives, ambients and columns on one spec sheet. */
export function confusion(
  spec: SpecSheet,
  options: { drives: DriveName[]; ambients: number[]; columns: MadeRun['columns'][] }
): Outcome[] {
  const plant = plantFor(spec);
  const outcomes: Outcome[] = [];
  let seed = 1;
  for (const fault of PLANT_FAULTS) {
    if (
      (fault.applies && !fault.applies(plant)) ||
      stands(fault.id) !== fault.id ||
      fault.id === 'fan-command-missing'
    )
      continue;
    for (const drive of options.drives)
      for (const ambientC of options.ambients)
        for (const columns of options.columns)
          for (const graded of GRADED) {
            const severity = WHOLE.has(fault.id) ? 0.9 + graded / 10 : graded;
            const run: MadeRun = { spec, fault: fault.id, severity, drive, ambientC, columns, seed: ++seed };
            const names = Object.keys(fault.variants);
            const a = analyse(makeLog(run, seeded(seed), names[seed % names.length]), spec);
            const blind = a.couldNotShow.some((b) => b.fault === fault.id);
            outcomes.push({
              ...run,
              verdict: a.verdict,
              topTwo: a.suspects.slice(0, 2).some((s) => s.fault === fault.id),
              blind,
              probability: a.suspects[0].probability
            });
          }
  }
  return outcomes;
}

export function table(outcomes: Outcome[]): string {
  const faults = [...new Set(outcomes.map((o) => o.fault))];
  return faults
    .map((fault) => {
      const rows = outcomes.filter((o) => o.fault === fault);
      const seen = rows.filter((o) => !o.blind);
      const right = (list: Outcome[]) => list.filter((o) => o.verdict === fault).length;
      const counts = new Map<string, number>();
      for (const r of rows) if (r.verdict !== fault) counts.set(r.verdict, (counts.get(r.verdict) ?? 0) + 1);
      const taken = [...counts]
        .sort((a, b) => b[1] - a[1])
        .slice(0, 4)
        .map(([v, n]) => `${v} ${n}`)
        .join(', ');
      const share = (n: number, of: number) =>
        of === 0 ? '  – ' : `${String(Math.round((100 * n) / of)).padStart(3)}%`;
      return `${fault.padEnd(26)} ${share(right(rows), rows.length)} all  ${share(right(seen), seen.length)} where it could show  top two ${share(rows.filter((o) => o.topTwo).length, rows.length)}   taken for: ${taken}`;
    })
    .join('\n');
}
