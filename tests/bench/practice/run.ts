import { readdirSync, readFileSync } from 'node:fs';
import { LEVEL_IDS, readPracticeCase, type PracticeCase } from '../../../src/core/practice/case';
import { playedByAdvice, playedByMeasuring } from '../../../src/simulation/practice/beside';
import { endlessCase } from '../../../src/simulation/practice/endless';

/**
 * The second opinion over all written cases and many endless ones: what it repairs, and how hard a level is as measured;
 * and whether every written case, and how many of the others, can be solved by measuring everything.
 */
const ENDLESS = Number(process.argv[2] ?? 500);
/** Measuring everything takes seconds a case. */
const MEASURED_ENDLESS = Number(process.argv[3] ?? Math.min(100, ENDLESS));

const written: PracticeCase[] = readdirSync('practice').map((file) => {
  const read = readPracticeCase(JSON.parse(readFileSync(`practice/${file}`, 'utf8')));
  if (!read.ok) throw new Error(`${file}: ${read.problems[0].message}`);
  return read.value;
});
const sheets = [...new Map(written.map((c) => [c.sheet.name, c.sheet])).values()];

const played = (of: PracticeCase, play = playedByAdvice) => {
  const { practice, moves } = play(of);
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

const named = (all: readonly ReturnType<typeof played>[]) => {
  for (const p of all.filter((o) => !o.right))
    console.log(
      `${p.hurt ? 'hurt' : 'not repaired'}: ${p.of.id} (${p.of.faults.map((f) => f.fault).join(' + ') || 'nothing'})`
    );
};
const byNumber = (n: number): PracticeCase[] =>
  Array.from({ length: n }, (_, i) =>
    endlessCase(LEVEL_IDS[i % LEVEL_IDS.length], 1 + Math.floor(i / LEVEL_IDS.length), sheets)
  );

const own = written.map((of) => played(of));
table('Written cases', own);
named(own);
table(
  'Cases by number',
  byNumber(ENDLESS).map((of) => played(of))
);
const whole = written.map((of) => played(of, playedByMeasuring));
table('Written cases, by measuring everything', whole);
named(whole);
const wholeByNumber = byNumber(MEASURED_ENDLESS).map((of) => played(of, playedByMeasuring));
table('Cases by number, by measuring everything', wholeByNumber);
named(wholeByNumber);
