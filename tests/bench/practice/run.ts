import { readdirSync, readFileSync } from 'node:fs';
import { LEVEL_IDS, readPracticeCase, type PracticeCase } from '../../../src/core/practice/case';
import { playedByAdvice } from '../../../src/simulation/practice/beside';
import { endlessCase } from '../../../src/simulation/practice/endless';

/** The second opinion over all written cases and many endless ones: what it repairs, and how hard a level is as measured. */
const ENDLESS = Number(process.argv[2] ?? 500);

const written: PracticeCase[] = readdirSync('practice').map((file) => {
  const read = readPracticeCase(JSON.parse(readFileSync(`practice/${file}`, 'utf8')));
  if (!read.ok) throw new Error(`${file}: ${read.problems[0].message}`);
  return read.value;
});
const sheets = [...new Map(written.map((c) => [c.sheet.name, c.sheet])).values()];

const played = (of: PracticeCase) => {
  const { practice, moves } = playedByAdvice(of);
  return {
    of,
    right: practice.repaired && practice.hurt === null,
    hurt: practice.hurt !== null,
    checks: moves.filter((m) => m.kind === 'check').length,
    minutes: practice.handsOnMin,
    money: practice.money
  };
};
const mean = (all: readonly number[]) => all.reduce((a, b) => a + b, 0) / Math.max(1, all.length);

function table(title: string, all: readonly ReturnType<typeof played>[]): void {
  console.log(
    `\n${title}\n\n| level | cases | repaired | hurt | checks | minutes | money |\n|---|---|---|---|---|---|---|`
  );
  for (const level of [...LEVEL_IDS, null]) {
    const of = all.filter((p) => level === null || p.of.level === level);
    if (of.length === 0) continue;
    const share = (100 * of.filter((p) => p.right).length) / of.length;
    console.log(
      `| ${level ?? 'all'} | ${of.length} | ${share.toFixed(0)} % | ${of.filter((p) => p.hurt).length} | ${mean(of.map((p) => p.checks)).toFixed(1)} | ${mean(of.map((p) => p.minutes)).toFixed(0)} | ${mean(of.map((p) => p.money)).toFixed(0)} |`
    );
  }
}

const own = written.map(played);
table('Written cases', own);
for (const p of own.filter((o) => !o.right))
  console.log(`not repaired: ${p.of.id} (${p.of.faults.map((f) => f.fault).join(' + ') || 'nothing'})`);
table(
  'Cases by number',
  Array.from({ length: ENDLESS }, (_, i) =>
    played(endlessCase(LEVEL_IDS[i % LEVEL_IDS.length], 1 + Math.floor(i / LEVEL_IDS.length), sheets))
  )
);
