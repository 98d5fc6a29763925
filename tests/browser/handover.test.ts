import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pdfPages, pdfParts } from '../support/pdf';
import { By, until, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { JobFile } from '../../src/core/handover/job-file';
import { testDatabase } from '../../src/lib/server/db/test-database';
import { useApp } from './app';
import { alive, faultsByAxe, openBrowser, readOf, see, WAIT_MS, withText } from './browser';
import { testServer, type TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, newJob, enter, type, pick } = useApp((s, d) => ([server, driver] = [s, d]));

const attribute = (css: string, name: string) => readOf(driver, css, (e) => e.getAttribute(name));
const jobOf = (path: string) =>
  server.db.jobs.findOne({ where: { number: Number(path.split('/')[2]) }, rejectOnEmpty: true });

async function importRun(job: string, file: string): Promise<void> {
  await go(`${job}/import`);
  await (await see(driver, By.css('input[type=file]'))).sendKeys(join(process.cwd(), 'demo/runs', file));
  await (await see(driver, withText('button', 'Import and judge'))).click();
  await driver.wait(until.urlContains('?run='), WAIT_MS);
}

async function pdfText(path: string, cookie = ''): Promise<{ text: string; pages: number }> {
  const response = await fetch(server.address + path, { headers: { cookie } });
  expect(response.headers.get('content-type')).toBe('application/pdf');
  const pages = await pdfPages(new Uint8Array(await response.arrayBuffer()));
  return { text: pages.join(' '), pages: pages.length };
}

describe('the minibus', () => {
  it('goes from suspects to decided, repaired, proven and printed', async () => {
    const job = await newJob('QH-03', [
      { what: 'heater-weak', when: ['steady'] },
      { what: 'gauge-low', when: ['steady'] }
    ]);
    await importRun(job, 'qh-03-ridge-road.csv');
    await go(job);
    expect(await textOf('[aria-label="Suspects"]')).toContain('Thermostat stuck open');

    // A quote from the shelf beats a cheaper one that keeps the bus off the road.
    await go(`${job}/finish`);
    const quotes = await see(driver, withText('summary', 'Quotes from suppliers'));
    // A page that still moves may let a click go by.
    await driver.wait(async () => {
      if (await driver.executeScript('return arguments[0].parentElement.open', quotes)) return true;
      await quotes.click();
      return false;
    }, WAIT_MS);
    for (const [supplier, price, days] of [
      ['Mainland by ferry', '40', '4'],
      ['Harbour stores', '62', '0']
    ]) {
      await pick('Part of', 'Thermostat');
      await type('Supplier', supplier);
      await type('Price', price);
      await type('Delivery, days', days);
      await (await button('Add the quote')).click();
      await see(driver, By.css(`[data-quote="${supplier}"]`));
    }
    expect(await textOf('[data-quote="Harbour stores"]')).toContain('counted with');
    expect(await textOf('[data-offer="thermostat"]')).toMatch(/62\.00\stl parts · 55 min · no wait/);

    // Not without a reason.
    await (await see(driver, By.css('[data-offer="thermostat"]'))).click();
    await (await button('Decide: replace the thermostat')).click();
    await see(driver, withText('*', 'Say why'));
    await type('Reason', 'The run says it leaks.');
    await (await button('Decide: replace the thermostat')).click();
    await see(driver, By.css('[data-decided="thermostat"]'));
    expect(await textOf('[aria-label="Decide"]')).toMatch(
      /The run says it leaks\..*By .*expected total [\d.]+\stl/s
    );

    // The engine was just seen running hot: the cap stays shut until somebody has measured it cold.
    const { id } = await jobOf(job);
    await enter(`job:${id}`, {
      kind: 'engine.noted',
      payload: { kind: 'ran-until', at: new Date().toISOString(), coolantC: 88, ambientC: 8 }
    });
    await driver.wait(
      async () => (await textOf('[data-step="cap-open"]')).includes('below 50 °C first'),
      WAIT_MS
    );
    expect(await (await see(driver, By.css('[data-step="cap-open"] [role=checkbox]'))).isEnabled()).toBe(
      false
    );
    await enter(`job:${id}`, {
      kind: 'engine.noted',
      payload: { kind: 'measured', at: new Date().toISOString(), coolantC: 20, ambientC: 8 }
    });
    await driver.wait(
      async () => (await see(driver, By.css('[data-step="cap-open"] [role=checkbox]'))).isEnabled(),
      WAIT_MS
    );
    for (const box of await driver.findElements(By.css('[data-step] [role=checkbox]'))) await box.click();
    await type('Tightened with', '9');
    await type('Drained', '2.1');
    await type('Refilled with', '2.3');
    await (await button('Save repair')).click();
    await see(driver, By.css('[data-repaired="thermostat"]'));

    for (const run of ['qh-03-fast-idle.csv', 'qh-03-proof.csv']) await importRun(job, run);
    await enter(`job:${id}`, {
      kind: 'check.recorded',
      payload: { check: 'codes', readings: { codes: [] } }
    });
    await enter(`job:${id}`, {
      kind: 'check.recorded',
      payload: {
        check: 'pressure-hold',
        readings: {
          points: [
            { min: 0, kPa: 100 },
            { min: 10, kPa: 98 }
          ],
          seen: 'none',
          engineRan: false
        }
      }
    });
    await go(`${job}/finish`);
    await driver.wait(async () => (await attribute('[data-proven]', 'data-proven')) === 'true', WAIT_MS);
    // No run shows that a cabin is warm: somebody tried it.
    expect(await textOf('[data-proof="complaint/heater-weak"]')).toContain('Nothing on record speaks of it');
    await (
      await see(driver, By.xpath('//*[@data-proof="complaint/heater-weak"]//button[contains(., "gone")]'))
    ).click();
    await see(driver, By.css('[data-proof="complaint/heater-weak"][data-met="true"]'));
    await see(driver, By.css('[aria-label="Before and after"] svg polyline'));
    await (await button('Close as fixed and proven')).click();
    await see(driver, By.css('[data-outcome="fixed and proven"]'));
    expect((await jobOf(job)).lookAgain).toMatch(/^\d{4}-\d\d-\d\d$/);

    // The report on the page, clean for printing, and as a file.
    await go(`${job}/report`);
    expect(await textOf('[aria-label="In plain words"]')).toMatch(
      /thermostat stuck open.*We replaced the thermostat.*We drove it again/s
    );
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
    await driver.executeScript('window.print = () => (window.printed = true)');
    await (await button('Print')).click();
    expect(await driver.executeScript('return window.printed')).toBe(true);
    const { text, pages } = await pdfText(`${job}/report.pdf`);
    expect(pages).toBeLessThanOrEqual(3);
    for (const part of [
      'QH-03 Tarrock Curlew 1.6',
      'We found: thermostat stuck open',
      'We drove it again',
      'Before and after',
      'tightened with 9 N·m (sheet: 9 N·m)',
      '2.1 L out, 2.3 L',
      'from Harbour stores',
      'Hot coolant under pressure scalds',
      'The maker’s service information'
    ])
      expect(text).toContain(part);
    expect(text).toMatch(/Steady temperature \d\d °C 8\d(\.\d)? °C/);
    // Read aloud it has headings, tables with named rows, and words for its figure.
    const file = await fetch(`${server.address}${job}/report.pdf`);
    const parts = await pdfParts(new Uint8Array(await file.arrayBuffer()));
    const roles = parts.map((p) => p.role);
    expect(roles.filter((r) => r === 'H1')).toHaveLength(1);
    for (const role of ['H2', 'Table', 'TR', 'TH', 'TD', 'P']) expect(roles).toContain(role);
    expect(parts.find((p) => p.role === 'Figure')?.alt).toMatch(/before|after|band/i);
    const inF = await pdfText(`${job}/report.pdf`, `units=${encodeURIComponent('temperature=°F')}`);
    expect(inF.text).toMatch(/Steady temperature 1\d\d(\.\d)? °F/);
    expect(inF.text).not.toMatch(/Steady temperature \d\d °C/);
  });

  it('that is looked at again is held against its proof, and leaves the day', async () => {
    const done = await server.db.jobs.findOne({
      where: { cause: 'thermostat-stuck-open', outcome: 'fixed and proven' },
      order: [['number', 'DESC']],
      rejectOnEmpty: true
    });
    const path = `/jobs/${done.number}`;
    await done.update({ lookAgain: new Date().toISOString().slice(0, 10) });
    await go('/');
    expect(await textOf(`[data-due="${done.number}"]`)).toContain('today');
    await importRun(path, 'qh-03-proof.csv');
    await go(`${path}/finish`);
    expect(await textOf('[aria-label="Rechecks"]')).toMatch(
      /Run since it was closed.*works as designed.*Within what two runs of one healthy engine differ by/s
    );
    await type('What was seen', 'Heater hot at the school.');
    await (await button('Still good')).click();
    await see(driver, By.css('[data-recheck="true"]'));
    // What is due next follows from the closing; today's is done.
    await go('/');
    const due = await driver.findElements(By.css(`[data-due="${done.number}"]`));
    expect((await Promise.all(due.map((d) => d.getText()))).join()).not.toContain('today');
  });
});

describe('a job file', () => {
  it('brought into an empty workshop through its page is the same job', async () => {
    const row = await server.db.jobs.findOne({
      where: { outcome: 'fixed and proven' },
      order: [['number', 'ASC']],
      rejectOnEmpty: true
    });
    const fetched = async (from: TestServer, id: string) =>
      (await (await fetch(`${from.address}/api/jobs/${id}/job.json`)).json()) as JobFile;
    const original = await fetched(server, row.id);
    const file = join(mkdtempSync(join(tmpdir(), 'job-')), 'minibus.job.json');
    writeFileSync(file, JSON.stringify(original));

    const empty = await testServer(await testDatabase());
    const browser = await openBrowser();
    try {
      await browser.driver.get(`${empty.address}/shop`);
      const choose = (path: string) =>
        browser.driver.findElement(By.css('[aria-label="Files"] input[type=file]')).sendKeys(path);
      await see(browser.driver, By.css('[aria-label="Files"] input[type=file]'));
      await alive(browser.driver);
      await choose(file);
      const said = await see(browser.driver, By.css('[aria-label="Brought in"]'));
      expect(await said.getText()).toMatch(new RegExp(`1 new job, \\d+ entries.*job ${row.number}`, 's'));
      const again = await fetched(empty, row.id);
      // The other workshop has its own curves, prices and history; the record and what was measured are the same.
      const bare = ({ known: _k, case: _c, ...f }: JobFile) => ({
        ...f,
        exportedAt: '',
        runs: f.runs.map((r) => ({ ...r, band: null }))
      });
      expect(bare(again)).toEqual(bare(original));

      // One entry with other words in it: refused, the entry named, nothing else taken.
      const spoilt = JSON.parse(readFileSync(file, 'utf8')) as JobFile;
      const note = spoilt.events.find((e) => e.kind === 'job.noted')!;
      (note.payload as { text: string }).text = 'Something else';
      const id = randomUUID();
      spoilt.events.push({ ...note, id, payload: { text: 'Not to be seen' } } as JobFile['events'][number]);
      writeFileSync(file, JSON.stringify(spoilt));
      await choose(file);
      await browser.driver.wait(
        async () =>
          (await (await see(browser.driver, By.css('[aria-label="Files"]'))).getText()).includes(
            'is here with other contents'
          ),
        WAIT_MS
      );
      expect(await empty.db.events.findByPk(id)).toBeNull();
    } finally {
      await browser.close();
      await empty.end();
    }
  });
});

describe('numbers and fleet', () => {
  it('say what they count, and take nonsense for what it is', async () => {
    await go('/numbers?from=2020-01-01&to=yesterday');
    expect(await textOf('[role=alert]')).toContain('yesterday is no date');
    await go('/numbers');
    const figure = async (id: string) => textOf(`[data-figure="${id}"]`);
    expect(await figure('proven')).toMatch(/\d+\s+of \d+ jobs/);
    expect(await textOf('[aria-label="Cause"]')).toContain('Thermostat stuck open');
    await see(driver, By.css('[aria-label="Outcomes"]'));
    for (const theme of ['day', 'night'] as const) expect(await faultsByAxe(driver, theme)).toEqual([]);
    await go('/fleet');
    expect(await textOf('[data-fleet="QH-03"]')).toMatch(/8\d °C/);
    for (const theme of ['day', 'night'] as const) expect(await faultsByAxe(driver, theme)).toEqual([]);
    await go('/jobs?q=minibus%20nonsense');
    expect(await textOf('main')).toContain('No job has “minibus nonsense”');
  });
});
