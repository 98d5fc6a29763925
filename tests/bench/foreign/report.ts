import { readFileSync, writeFileSync } from 'node:fs';
import { curesOf, FAULTS } from '../../../src/core/faults/registry';
import type { RepairId } from '../../../src/core/vehicle/repairs';
import type { Played } from './play';
import { onEveryCore } from './shards';

/**
 * Whole jobs in a world that the product did not make: plays them on every core and writes what came of it into
 * docs/benchmark.md between its two marks. `node report.mjs WORKER [jobs]`.
 */
const [worker, jobs = '1000'] = process.argv.slice(2);
const DOC = 'docs/benchmark.md';
const MARKS = ['<!-- foreign: written by npm run bench:diagnosis -->', '<!-- end of foreign -->'] as const;

const pct = (n: number, of: number, digits = 1) => (of === 0 ? '–' : `${((100 * n) / of).toFixed(digits)} %`);
const named = (p: Played) => p.faults.includes(p.suspects[0][0]);
const healthy = (p: Played) => p.faults[0] === 'none';
/** What is done first cures what is wrong, or one of two things that are. */
const cured = (p: Played) =>
  healthy(p)
    ? p.repairs[0] === 'none'
    : p.repairs.some((r) => p.faults.some((f) => curesOf(r as RepairId).includes(f)));
const count = (list: readonly Played[], of: (p: Played) => boolean) => list.filter(of).length;
const mean = (list: readonly Played[], of: (p: Played) => number) =>
  list.reduce((sum, p) => sum + of(p), 0) / list.length;

function row(title: string, list: readonly Played[]): string {
  const sound = list.filter(healthy);
  const faulty = list.filter((p) => !healthy(p));
  return `| ${title} | ${pct(count(list, named), list.length)} | ${pct(count(list, cured), list.length)} | ${pct(
    count(sound, (p) => !named(p)),
    sound.length
  )} | ${pct(
    count(faulty, (p) => p.repairs[0] === 'none'),
    faulty.length
  )} | ${mean(list, (p) => p.checks.length).toFixed(1)} | ${title.startsWith('Every') ? '–' : mean(list, (p) => p.minutes).toFixed(0)} |`;
}

function sureness(list: readonly Played[]): string {
  const edges = [0, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 0.99, 1.01];
  return edges
    .slice(0, -1)
    .map((low, i) => {
      const bin = list.filter((p) => p.suspects[0][1] >= low && p.suspects[0][1] < edges[i + 1]);
      return `| ${Math.round(100 * low)} to ${Math.min(100, Math.round(100 * edges[i + 1]))} % | ${bin.length} | ${pct(
        bin.reduce((sum, p) => sum + p.suspects[0][1], 0),
        bin.length
      )} | ${pct(count(bin, named), bin.length)} |`;
    })
    .join('\n');
}

function deciles(list: readonly Played[]): string {
  return Array.from({ length: 10 }, (_, i) => {
    const bin = list.flatMap((p) =>
      p.suspects.flatMap(([fault, q]) =>
        Math.min(9, Math.floor(10 * q)) === i ? [{ q, is: p.faults.includes(fault) }] : []
      )
    );
    const said = bin.reduce((sum, b) => sum + b.q, 0);
    const was = bin.filter((b) => b.is).length;
    const off = bin.length >= 50 && Math.abs(said - was) / bin.length > 0.05 ? ' (beyond 5 points)' : '';
    return `| ${10 * i} to ${10 * (i + 1)} % | ${bin.length} | ${pct(said, bin.length)} | ${pct(was, bin.length)}${off} |`;
  }).join('\n');
}

function missed(list: readonly Played[]): string {
  const faults = [...new Set(list.map((p) => p.faults[0]))];
  return faults
    .map((fault) => {
      const of = list.filter((p) => p.faults[0] === fault);
      const wrong = of.filter((p) => !named(p));
      const taken = [...new Set(wrong.map((p) => p.suspects[0][0]))]
        .map((f) => [f, count(wrong, (p) => p.suspects[0][0] === f)] as const)
        .toSorted((a, b) => b[1] - a[1])
        .slice(0, 3);
      return { fault, n: of.length, right: 1 - wrong.length / of.length, taken };
    })
    .filter((r) => r.right < 0.92)
    .toSorted((a, b) => a.right - b.right)
    .map(
      (r) =>
        `| ${FAULTS[r.fault].title} | ${r.n} | ${(100 * r.right).toFixed(0)} % | ${r.taken.map(([f, n]) => `${FAULTS[f].title.toLowerCase()} ${n}`).join(', ')} |`
    )
    .join('\n');
}

const n = Number(jobs);
const played = onEveryCore(worker);
const advice = await played('advice', 1, n);
const book = await played('book', 1, Math.round(n / 2));
const all = await played('all', 1, Math.round(n / 2));
const minutes = [advice, book].map((list) => mean(list, (p) => p.minutes));
const text = `
${n} jobs of six kinds of vehicle that are on no demo sheet, every fault as often as every other, a tenth of them sound, two faults in 8 % of the rest, sheets with gaps, ${pct(4, 100, 0)} of the readings of something else and as many checks that cannot be done.

| player | fault named right | right repair first | sound, told faulty | faulty, called sound | checks | hands-on min |
|---|---|---|---|---|---|---|
${row('Pyrethos', advice)}
${row('Fixed order', book)}
${row('Every check there is', all)}

Hands-on minutes against the fixed order’s: ${pct(minutes[0], minutes[1], 0)}. Readings that were refused: ${advice.flatMap((p) => p.refused).length}.

How sure the second opinion was of the one it named, and how often that was right:

| said | jobs | on average | right |
|---|---|---|---|
${sureness(advice)}

Every suspect’s share at the end of a job:

| given | suspects | said on average | were right |
|---|---|---|---|
${deciles(advice)}

Faults that are named right in fewer than 92 % of their jobs:

| fault | jobs | named right | taken for |
|---|---|---|---|
${missed(advice)}
`;
const doc = readFileSync(DOC, 'utf8');
const [from, to] = MARKS.map((m) => doc.indexOf(m));
if (from < 0 || to < from) throw new Error(`${DOC} has lost the marks ${MARKS.join(' and ')}`);
writeFileSync(DOC, `${doc.slice(0, from + MARKS[0].length)}\n${text}\n${doc.slice(to)}`);
console.log(text);
