import { CHECK_IDS, checkOf, type CheckId } from '../../../src/core/checks/registry';
import { sharesOf } from '../../../src/core/checks/results';
import type { FaultId } from '../../../src/core/vehicle/faults';
import { caseOf } from '../../../src/simulation/cases/case';
import { Patient } from '../../../src/simulation/technician/play';
import { SPECS } from './specs';

/**
 * What each check says of each suspect on simulated vehicles, beside what its own `strength` supposes: every check of
 * every job, on other jobs than the benchmark's, half of them without a fault. `node strengths.mjs [jobs]`.
 */
const jobs = Number(process.argv[2] ?? 1000);
const OTHER_JOBS = 100_000;

interface Said {
  jobs: number;
  for: number;
  against: number;
}
const tallies = new Map<string, Said>();
const tally = (check: CheckId, fault: FaultId, of: 'it' | 'none'): Said => {
  const key = `${check} ${fault} ${of}`;
  const had = tallies.get(key) ?? { jobs: 0, for: 0, against: 0 };
  tallies.set(key, had);
  return had;
};

for (let seed = OTHER_JOBS + 1; seed <= OTHER_JOBS + jobs; seed++) {
  const patient = new Patient(caseOf(seed, { specs: SPECS, mix: seed % 2 ? 'even' : 'trade' }));
  const { fault, spec } = patient.c;
  for (const id of CHECK_IDS) {
    if (id === 'soak' || checkOf(id).lacks?.(spec)) continue;
    const judged = patient.ask(id)?.judged;
    if (!judged) continue;
    const says = (f: FaultId, way: 'for' | 'against') =>
      judged.outcome.points.some((p) => p.fault === f && p.way === way);
    for (const f of checkOf(id).speaksTo) {
      if (fault !== 'none' && fault !== f) continue;
      const t = tally(id, f, fault === f ? 'it' : 'none');
      t.jobs++;
      if (says(f, 'for')) t.for++;
      else if (says(f, 'against')) t.against++;
    }
  }
}

const pct = (n: number, of: number) => (of === 0 ? '–' : `${((100 * n) / of).toFixed(1)} %`);
console.log(
  '| check | suspect | jobs | finds | supposed | falsely | supposed | misses of clears | supposed |'
);
console.log('|---|---|---|---|---|---|---|---|---|');
for (const id of CHECK_IDS)
  for (const f of checkOf(id).speaksTo) {
    const [it, none] = [tally(id, f, 'it'), tally(id, f, 'none')];
    if (it.jobs === 0) continue;
    const { finds, falsely, misses } = sharesOf(id, f);
    const clears = none.against / Math.max(1, none.jobs);
    console.log(
      `| ${id} | ${f} | ${it.jobs} | ${pct(it.for, it.jobs)} | ${100 * finds} | ${pct(none.for, none.jobs)} | ${100 * falsely} | ${clears > 0 ? pct(it.against / clears, it.jobs) : '–'} | ${100 * misses} |`
    );
  }
