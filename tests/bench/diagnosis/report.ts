import { FAULTS, repairFor } from '../../../src/core/faults/registry';
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import type { Mix } from '../../../src/simulation/cases/case';
import type { Fared } from './planners';

/**
 * The benchmark of whole jobs: runs them on every core, and writes what came of it into docs/benchmark.md between
 * its two marks. `node report.mjs WORKER [jobs] [even]`.
 */
type All = Record<'ours' | 'hurried' | 'textbook' | 'popular', Fared[]>;
const [worker, jobs = '2000', evenJobs = '600'] = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'diagnosis-'));
const DOC = 'docs/benchmark.md';
const MARKS = [
  '<!-- diagnosis: written by npm run bench:diagnosis -->',
  '<!-- end of diagnosis -->'
] as const;

async function play(mix: Mix, n: number): Promise<All> {
  const shards = availableParallelism();
  const parts = await Promise.all(
    Array.from({ length: shards }, async (_, k) => {
      const file = join(folder, `${mix}-${k}.json`);
      const [from, to] = [Math.floor((n * k) / shards) + 1, Math.floor((n * (k + 1)) / shards)];
      await promisify(execFile)(process.execPath, [worker, mix, String(from), String(to), file]);
      return JSON.parse(readFileSync(file, 'utf8')) as All;
    })
  );
  return Object.fromEntries(
    Object.keys(parts[0]).map((k) => [k, parts.flatMap((p) => p[k as keyof All])])
  ) as All;
}

const mean = (list: readonly Fared[], of: (f: Fared) => number): number =>
  list.reduce((sum, f) => sum + of(f), 0) / list.length;
const median = (list: readonly number[]): number =>
  list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];
const pct = (x: number, digits = 1) => `${(100 * x).toFixed(digits)} %`;
const right = (f: Fared) => (f.named === f.fault ? 1 : 0);
const sameRepair = (f: Fared) => (repairFor(f.named) === repairFor(f.fault) ? 1 : 0);

const TITLES: Record<keyof All, string> = {
  ours: 'Pyrethos, usual costs',
  hurried: 'Pyrethos, a comeback costs little',
  textbook: 'Fixed order',
  popular: 'Popular part first'
};

function table(all: All): string {
  const rows = (Object.keys(TITLES) as (keyof All)[]).map((k) => {
    const f = all[k];
    const named = k === 'popular' ? '–' : pct(mean(f, right));
    const first =
      k === 'popular' ? pct(mean(f, (x) => (x.comebacks === 0 ? 1 : 0))) : pct(mean(f, sameRepair));
    return `| ${TITLES[k]} | ${named} | ${first} | ${mean(f, (x) => x.handsOnMin).toFixed(0)} (${median(f.map((x) => x.handsOnMin)).toFixed(0)}) | ${mean(f, (x) => x.checks.length).toFixed(1)} | ${mean(f, (x) => x.parts).toFixed(0)} | ${mean(f, (x) => x.comebacks).toFixed(2)} | ${mean(f, (x) => x.money).toFixed(0)} |`;
  });
  return [
    '| planner | fault named right | right repair first | hands-on min, mean (median) | checks | parts | comebacks | all in all |',
    '|---|---|---|---|---|---|---|---|',
    ...rows
  ].join('\n');
}

function calibration(list: readonly Fared[]): string {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, said: 0, was: 0 }));
  for (const f of list)
    for (const [fault, p] of f.shares) {
      const bin = bins[Math.min(9, Math.floor(10 * p))];
      bin.n++;
      bin.said += p;
      bin.was += fault === f.fault ? 1 : 0;
    }
  return [
    '| given | suspects | said on average | were right |',
    '|---|---|---|---|',
    ...bins.map(
      (b, i) =>
        `| ${10 * i} to ${10 * (i + 1)} % | ${b.n} | ${b.n ? pct(b.said / b.n) : '–'} | ${b.n ? pct(b.was / b.n) : '–'}${b.n >= 50 && Math.abs(b.said - b.was) / b.n > 0.05 ? ' (beyond 5 points)' : ''} |`
    )
  ].join('\n');
}

function missed(list: readonly Fared[]): string {
  const faults = [...new Set(list.map((f) => f.fault))];
  const rows = faults
    .map((fault) => {
      const mine = list.filter((f) => f.fault === fault);
      const wrong = mine.filter((f) => f.named !== fault);
      const taken = [...new Set(wrong.map((f) => f.named))]
        .map((n) => ({ n, times: wrong.filter((f) => f.named === n).length }))
        .sort((a, b) => b.times - a.times);
      return { fault, n: mine.length, wrong: wrong.length, taken };
    })
    .filter((r) => r.wrong / r.n > 0.05)
    .sort((a, b) => b.wrong / b.n - a.wrong / a.n);
  return [
    '| fault | jobs | named right | taken for |',
    '|---|---|---|---|',
    ...rows.map(
      (r) =>
        `| ${FAULTS[r.fault].title} | ${r.n} | ${pct(1 - r.wrong / r.n, 0)} | ${r.taken
          .slice(0, 3)
          .map((t) => `${FAULTS[t.n].title.toLowerCase()} ${t.times}`)
          .join(', ')} |`
    )
  ].join('\n');
}

const trade = await play('trade', Number(jobs));
const even = await play('even', Number(evenJobs));
const blunders = mean(trade.ours, (f) => f.blunders);
const text = `
${jobs} jobs with a hidden fault, each on another strange vehicle of a demo sheet; faults as often as the catalogue’s priors. ${blunders.toFixed(2)} wrong readings a job in ours.

${table(trade)}

Hands-on minutes against the fixed order’s: ${pct(mean(trade.ours, (f) => f.handsOnMin) / mean(trade.textbook, (f) => f.handsOnMin), 0)} at usual costs (${pct(mean(trade.ours, right))} right against ${pct(mean(trade.textbook, right))}), ${pct(mean(trade.hurried, (f) => f.handsOnMin) / mean(trade.textbook, (f) => f.handsOnMin), 0)} in the hurried shop (${pct(mean(trade.hurried, right))} right).

Calibration of every suspect’s share at the end of a job, usual costs:

${calibration(trade.ours)}

Faults that are named right in fewer than 95 % of their jobs:

${missed(trade.ours)}

${evenJobs} jobs more, every fault as often as every other:

${table(even)}

${missed(even.ours)}
`;
const doc = readFileSync(DOC, 'utf8');
const [from, to] = MARKS.map((m) => doc.indexOf(m));
if (from < 0 || to < from) throw new Error(`${DOC} has lost the marks ${MARKS.join(' and ')}`);
writeFileSync(DOC, `${doc.slice(0, from + MARKS[0].length)}\n${text}\n${doc.slice(to)}`);
console.log(text);
