import { writeFileSync } from 'node:fs';
import { caseOf, type Mix } from '../../../src/simulation/cases/case';
import { Patient } from '../../../src/simulation/technician/play';
import { hurried, ours, popular, textbook, type Fared } from './planners';
import { SPECS } from './specs';

/** One share of the jobs: `diagnosis.mjs MIX FROM TO FILE [planner …]`. Each worker of the benchmark is one of these. */
const PLANNERS = { ours, hurried, textbook, popular };
const [mix, from, to, file, ...only] = process.argv.slice(2);
const names = (Object.keys(PLANNERS) as (keyof typeof PLANNERS)[]).filter(
  (n) => only.length === 0 || only.includes(n)
);
const all: Record<string, Fared[]> = Object.fromEntries(names.map((n) => [n, []]));
for (let seed = Number(from); seed <= Number(to); seed++) {
  const patient = new Patient(caseOf(seed, { specs: SPECS, mix: mix as Mix }));
  for (const name of names) all[name].push(PLANNERS[name](patient));
}
writeFileSync(file, JSON.stringify(all));
