import { spawnSync } from 'node:child_process';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sayChance } from '../../src/core/base/text';
import { sayMoney } from '../../src/core/diagnosis/costs';
import type { CaseFile } from '../../src/core/handover/case-file';
import { repairTitles } from '../../src/core/record/repair-done';
import { plainText } from '../../src/core/units/say';
import { projectLines } from '../../src/lib/server/cases/lines';
import { loadYear } from '../../src/lib/server/files/demo-year';
import { demoDatabase } from '../../src/lib/server/db/test-database';
import { pdfText } from '../support/pdf';
import { testServer, type TestServer } from './server';

/**
 * One case, one truth: jobs of the demo, through every way a person or a program sees it. The command line is
 * asked last and with nothing but the file, so that it can know no figure from the server.
 */
let server: TestServer;
let jobs: { id: string; number: number }[];
/** The jobs of the demo's own workshop come first. */
const STORIES = 14;

beforeAll(async () => {
  const database = await demoDatabase();
  await loadYear(database.db, 'demo/year', new Date());
  await projectLines(database.db);
  server = await testServer(database);
  const all = await database.db.jobs.findAll({
    attributes: ['id', 'number'],
    order: [['number', 'ASC']],
    raw: true
  });
  // Every open story of the demo, and a third of the year's jobs: another third each day.
  const today = Math.floor(Date.now() / 86_400_000);
  jobs = all.filter(({ number }) => number <= STORIES || (number + today) % 3 === 0);
}, 120_000);
afterAll(() => server.end());

const get = async (path: string): Promise<Response> => {
  const response = await fetch(server.address + path);
  expect(response.status, path).toBe(200);
  return response;
};
/** A page as its server renders it, one line, with plain blanks. */
const page = async (path: string): Promise<string> =>
  plainText(await (await get(path)).text())
    .replace(/<!--.*?-->|<script.*?<\/script>/gs, '')
    .replace(/\s+/g, ' ');
/** What a person reads of it. */
const words = (html: string) =>
  html
    .replace(/<[^>]*>/g, ' ')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&amp;/g, '&')
    .replace(/\s+/g, ' ');
/** A page is long: what it lacks is named, and not the whole of it. */
const holds = (text: string, part: string, at: string) =>
  expect(text.includes(part) ? 'there' : `lacks “${part}”`, at).toBe('there');
const all = (html: string, pattern: RegExp) => [...html.matchAll(pattern)].map((m) => m.slice(1));

describe('a job of the demo, whichever it is', () => {
  it('shows one leader, one probability, one result a check, one cost and one proof, wherever one looks', async () => {
    const rows = new Map<number, string>();
    for (let n = 1, size = -1; size < rows.size; n++) {
      size = rows.size;
      for (const [number, html] of all(
        await page(`/jobs?page=${n}`),
        /data-job="(\d+)"(.*?)(?=data-job="|<\/main>)/g
      ))
        rows.set(Number(number), html);
    }

    const files: string[] = [];
    const told: CaseFile[] = [];
    for (const { id, number } of jobs) {
      const at = `job ${number}`;
      const text = await (await get(`/api/jobs/${id}/job.json`)).text();
      files.push(JSON.stringify(JSON.parse(text)));
      const { case: known } = JSON.parse(text) as { case: CaseFile };
      told.push(known);
      const before = (known.suspectsBeforeRepair ?? known.suspects)[0];
      const [now] = known.suspects;
      const said = (s: { title: string; probability: number }) => plainText(sayChance(s.probability));

      const [job, finish, report, pdf] = await Promise.all([
        page(`/jobs/${number}`),
        page(`/jobs/${number}/finish`),
        page(`/jobs/${number}/report`).then(words),
        get(`/jobs/${number}/report.pdf`).then(async (r) => pdfText(new Uint8Array(await r.arrayBuffer())))
      ]);

      if (known.findings.length > 0) {
        const [fault, html] = all(job, /data-suspect="([^"]*)"(.*?)<\/summary>/g)[0];
        expect([fault, words(html).includes(` ${said(now)} `)], at).toEqual([now.fault, true]);
        const [leader, line] = all(rows.get(number)!, /data-leader="([^"]*)"(.*?)<\/p>/g)[0];
        expect([leader, words(line).includes(` ${said(now)} `)], at).toEqual([now.fault, true]);
        const [closing, sure] = all(finish, /data-leader="([^"]*)"(.*?)<\/p>/g)[0];
        expect([closing, words(sure).includes(` ${said(before)} `)], at).toEqual([before.fault, true]);
        for (const where of [report, pdf]) holds(where, `${before.title} ${said(before)}`, at);
      }

      // The result of each check, as it stands on the heat line and in the report.
      const onLine = Object.fromEntries(all(job, /data-check="([^"]*)" data-result="([^"]*)"/g));
      const planned = [...known.plan.line, ...known.plan.anyTime, ...known.plan.bench];
      for (const { check, done } of planned) expect(onLine[check] ?? null, `${at} ${check}`).toBe(done);
      for (const c of known.checks) {
        holds(report, c.says.slice(0, 40), `${at} ${c.check}`);
      }

      if (known.decision !== null || known.state === 'open')
        for (const offer of known.findings.length > 0 ? known.repairs : []) {
          const cost = plainText(sayMoney(offer.expectedCost, known));
          const [, html] = all(job, /data-choice="([^"]*)"(.*?)<\/tr>/g).find(
            ([key]) => key === offer.repairs.join('+')
          )!;
          holds(words(html), ` ${cost} `, at);
          const row = `${repairTitles(offer.repairs)} ${plainText(sayChance(offer.cures))}`;
          for (const where of [report, pdf]) holds(where, row, at);
          const [after] = report.split(row).slice(1);
          holds(after.slice(0, 40), ` ${cost} `, at);
        }

      const proof = Object.fromEntries(all(finish, /data-proof="([^"]*)" data-met="([^"]*)"/g));
      expect(proof, at).toEqual(
        Object.fromEntries((known.proof?.items ?? []).map((i) => [i.id, String(i.met)]))
      );
      for (const item of known.proof?.items ?? []) holds(report, item.says.slice(0, 40), at);
    }

    // The command line, from the files alone.
    const { stdout } = spawnSync('bin/pyrethos', ['case', '--lines'], {
      input: `${files.join('\n')}\n`,
      encoding: 'utf8',
      maxBuffer: 512 * 1024 * 1024
    });
    const answers = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as CaseFile);
    expect(answers.map((a) => a.format)).toEqual(jobs.map(() => 'pyrethos.case'));
    answers.forEach((answer, i) => {
      const at = `job ${jobs[i].number}`;
      const known = told[i];
      const share = (list: CaseFile['suspects']) => list.map((s) => [s.fault, s.probability.toFixed(9)]);
      expect(share(answer.suspects), at).toEqual(share(known.suspects));
      expect(
        answer.checks.map((c) => [c.id, c.result, c.says]),
        at
      ).toEqual(known.checks.map((c) => [c.id, c.result, c.says]));
      expect(answer.proof, at).toEqual(known.proof);
      expect(
        answer.repairs.map((r) => [r.repairs, r.expectedCost.toFixed(6)]),
        at
      ).toEqual(known.repairs.map((r) => [r.repairs, r.expectedCost.toFixed(6)]));
      expect(answer.advice.act, at).toBe(known.advice.act);
    });
  }, 400_000);
});
