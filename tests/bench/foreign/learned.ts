import { readFileSync } from 'node:fs';
import { seeded } from '../../../src/core/base/random';
import type { FaultId } from '../../../src/core/vehicle/faults';
import type { Played } from './play';
import { onEveryCore } from './shards';

/**
 * A player that learns: softmax regression on all that was read, fitted to jobs of the foreign world with every check
 * done. It knows nothing of engines and all of that world's habits, so it tells what the readings hold; what the second
 * opinion makes of the same readings stands beside it. `node learned.mjs WORKER [jobs] [trained on]`, or files of jobs already played:
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
/** Mean and spread of each reading, so that all weigh alike; what was not read says nothing. */
const scale = names.map((name) => {
  const values = trained.flatMap(({ read }) => (name in read! ? [read![name]] : []));
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const sd = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
  return { mean: sd < 1e-9 ? 0 : mean, sd: sd < 1e-9 ? 1 : sd };
});
/** Which readings a job has, and how far each is from the usual: most are not there, so only those are kept. */
const rowOf = ({ read }: Played) =>
  names.flatMap((name, k) => {
    if (!(name in read!)) return [];
    const z = (read![name] - scale[k].mean) / scale[k].sd;
    return [{ k, z: Math.max(-4, Math.min(4, z)) }];
  });

const faults = [...new Set(trained.map((p) => p.faults[0]))];
const wide = names.length;
const weights = faults.map(() => new Float64Array(wide + 1));
const scoresOf = (row: ReturnType<typeof rowOf>) =>
  weights.map((w) => row.reduce((sum, { k, z }) => sum + w[k] * z, w[wide]));
/** Passes over the jobs, the step of the first, and how strongly weights are drawn to nothing. */
const PASSES = 60;
const STEP = 0.02;
const DRAWN = 2e-4;
const random = seeded(7);
const rows = trained.map((p) => ({ row: rowOf(p), is: faults.indexOf(p.faults[0]) }));
for (let pass = 0; pass < PASSES; pass++) {
  const step = STEP / (1 + pass / 10);
  for (let i = rows.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [rows[i], rows[j]] = [rows[j], rows[i]];
  }
  for (const { row, is } of rows) {
    const scores = scoresOf(row);
    const top = Math.max(...scores);
    const shares = scores.map((x) => Math.exp(x - top));
    const sum = shares.reduce((a, b) => a + b, 0);
    weights.forEach((w, f) => {
      const off = step * (shares[f] / sum - Number(f === is));
      for (const { k, z } of row) w[k] -= off * z + step * DRAWN * w[k];
      w[wide] -= off;
    });
  }
}
const said: FaultId[] = tested.map((p) => {
  const scores = scoresOf(rowOf(p));
  return faults[scores.indexOf(Math.max(...scores))];
});

const right = (name: (p: Played, i: number) => FaultId) =>
  ((100 * tested.filter((p, i) => p.faults.includes(name(p, i))).length) / tested.length).toFixed(1);
const ours = right((p) => p.suspects[0][0]);
const learned = right((_, i) => said[i]);
const either =
  (100 * tested.filter((p, i) => p.faults.includes(said[i]) || p.faults.includes(p.suspects[0][0])).length) /
  tested.length;
console.log(
  `${tested.length} jobs, every check done, ${names.length} readings and results each: named right by the second opinion ${ours} %, by softmax regression fitted to ${trained.length} other jobs ${learned} %, by either ${either.toFixed(1)} %`
);
