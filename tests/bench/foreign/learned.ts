import { readFileSync } from 'node:fs';
import { RandomForestClassifier } from 'ml-random-forest';
import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Played } from './play';
import { onEveryCore } from './shards';

/**
 * A player that learns: a forest of decision trees, grown on jobs of the foreign world, with every check done. It knows
 * nothing of engines and all of that world's habits, so it tells what the readings hold; what the second opinion makes
 * of the same readings stands beside it. `node learned.mjs WORKER [jobs] [trained on]`, or files of jobs already played:
 * `node learned.mjs --files TESTED.json TRAINED.json ...`.
 */
const [first, ...rest] = process.argv.slice(2);
const read = (file: string) => JSON.parse(readFileSync(file, 'utf8')) as Played[];
const TRAINED_FROM = 20_001;
const [tested, trained] =
  first === '--files'
    ? [read(rest[0]), rest.slice(1).flatMap(read)]
    : [
        await onEveryCore(first)('all', 1, Number(rest[0] ?? 500)),
        await onEveryCore(first)('all', TRAINED_FROM, Number(rest[1] ?? 3000))
      ];

/** What hardly any job reads teaches nothing. */
const SEEN_IN = 0.01;
const seen = new Map<string, number>();
for (const { read } of trained)
  for (const name of Object.keys(read!)) seen.set(name, (seen.get(name) ?? 0) + 1);
const names = [...seen].filter(([, n]) => n >= SEEN_IN * trained.length).map(([name]) => name);
/** What was not read lies below everything that can be. */
const NOT_READ = -1000;
const rowOf = ({ read }: Played) => names.map((name) => read![name] ?? NOT_READ);

const faults = [...new Set(trained.map((p) => p.faults[0]))];
const forest = new RandomForestClassifier({
  seed: 7,
  nEstimators: 120,
  maxFeatures: Math.min(1, 40 / names.length),
  replacement: true,
  useSampleBagging: true,
  noOOB: true,
  treeOptions: { minNumSamples: 3 }
});
forest.train(
  trained.map(rowOf),
  trained.map((p) => faults.indexOf(p.faults[0]))
);
const said: FaultId[] = forest.predict(tested.map(rowOf)).map((k: number) => faults[k]);

const right = (name: (p: Played, i: number) => FaultId) =>
  ((100 * tested.filter((p, i) => p.faults.includes(name(p, i))).length) / tested.length).toFixed(1);
const ours = right((p) => p.suspects[0][0]);
const learned = right((_, i) => said[i]);
const either =
  (100 * tested.filter((p, i) => p.faults.includes(said[i]) || p.faults.includes(p.suspects[0][0])).length) /
  tested.length;
console.log(
  `${tested.length} jobs, every check done, ${names.length} readings and results each: named right by the second opinion ${ours} %, by a forest grown on ${trained.length} other jobs ${learned} %, by either ${either.toFixed(1)} %`
);
