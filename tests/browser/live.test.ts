import { FAULTS } from '../../src/core/faults/registry';
import type { FaultId } from '../../src/core/vehicle/faults';
import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { afterEach, describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, painted, readOf, see, WAIT_MS } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, type, pick, slide, newJob, openSheet } = useApp(
  (s, d) => ([server, driver] = [s, d])
);

/** A simulated minute is a second here; an engine needs some twenty of them. */
const WARM_UP_MS = 90_000;
const body = () => driver.findElement(By.css('body'));
const coolant = async () =>
  Number(await readOf(driver, '[data-coolant]', (e) => e.getAttribute('data-coolant')));
const samples = async () =>
  Number(await readOf(driver, '[data-samples]', (e) => e.getAttribute('data-samples')));
const jobId = async (job: string) =>
  (await server.db.jobs.findOne({ where: { number: Number(job.split('/')[2]) } }))!.id;

async function start(
  job: string,
  fault: FaultId,
  ambient: string,
  drive: string,
  clock = 60,
  severity = 1
): Promise<void> {
  await go(`${job}/live`);
  await pick('Hidden fault', FAULTS[fault].title);
  await pick('Drive', drive);
  await type('Ambient', ambient);
  await slide('Severity', Math.round(100 * severity));
  await slide('Clock', clock);
  await (await button('Understood')).click();
  await (await button('Start recording')).click();
  await see(driver, By.css('[data-live="recording"]'));
}

async function end(): Promise<string> {
  await (await button('Stop recording')).click();
  await (await button('Stop and get the result')).click();
  await driver.wait(until.urlContains('?run='), WARM_UP_MS);
  return (await see(driver, By.css('[data-verdict]'))).getAttribute('data-verdict') as Promise<string>;
}

/** A test that failed in the middle must not hold the adapter against the next. */
afterEach(async () => {
  const [rows] = await server.db.sequelize.query('SELECT job_id FROM recordings WHERE ended_at IS NULL');
  for (const { job_id } of rows as { job_id: string }[])
    await fetch(`${server.address}/api/jobs/${job_id}/live/end`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: server.address },
      body: JSON.stringify({
        eventId: crypto.randomUUID(),
        at: new Date().toISOString(),
        who: 'Tobin Skarre'
      })
    });
});

describe('a wiggle beside a live recording', () => {
  it('finds the place that answers by itself', async () => {
    const job = await newJob('QH-03');
    // A contact that hardly drops out while nobody touches it.
    await start(job, 'ect-intermittent', '15', 'idle', 5, 0.02);
    await openSheet(job, 'wiggle');
    await driver.wait(async () => /\d/.test(await textOf('[data-watch]')), WAIT_MS);
    const hand = async (place: string) =>
      (await see(driver, By.css(`button[aria-label="Hand at: ${place}"]`))).click();
    const answer = (place: string, what: string) =>
      By.xpath(
        `//p[normalize-space(.)="${place}"]/following-sibling::div//button[@aria-checked="true"][.="${what}"]`
      );
    await hand('Ground point');
    await see(driver, answer('Ground point', 'Stays steady'));
    await hand('Sensor plug');
    await driver.wait(until.elementLocated(answer('Sensor plug', 'Follows the hand')), WARM_UP_MS);
    // Written down at once: the longer the hand has been gone, the more of the rest it is held against.
    await (await button('Save reading')).click();
    await see(driver, By.css('[data-check="wiggle"][data-result="fail"]'));
    // The adapter is wanted by the next.
    await go(`${job}/live`);
    await end();
  });
});

describe('a live warm-up', () => {
  it('climbs against its band, takes marks, stops a run-away in time, and is judged at the end', async () => {
    const job = await newJob('QH-03');
    // Slower, so that hands have time before the alarm.
    await start(job, 'thermostat-stuck-closed', '28', 'ridge', 35);
    await driver.wait(async () => (await samples()) > 20, WARM_UP_MS);
    // From across the bay: the number alone, and back.
    await (await see(driver, By.css('button[aria-label="Number over the whole screen"]'))).click();
    const far = await readOf(driver, '[data-bay]', (e) => e.getAttribute('data-bay'));
    expect(Number(far)).toBeGreaterThan(-40);
    expect(await driver.getCurrentUrl()).toContain('view=bay');
    await body().sendKeys(Key.ESCAPE);
    await driver.wait(async () => (await driver.findElements(By.css('[data-bay]'))).length === 0, WAIT_MS);
    await painted(driver);
    await (await body()).sendKeys('m');
    await (await button('Warm')).click();
    await driver.wait(async () => (await textOf('[data-marks]')).includes('hose warm'), WAIT_MS);
    // The hose rush is done inside the run: one tap, with the coolant as it is now.
    await (await button('Hot, in a rush')).click();
    await driver.wait(async () => /rushed at \d+/.test(await textOf('[data-marks]')), WAIT_MS);
    expect(
      await server.db.events.count({ where: { kind: 'check.recorded', 'payload.check': 'hose-rush' } })
    ).toBe(1);
    await (await button('Probe on the simulated hose')).click();
    await driver.wait(async () => /hose \d+.*by probe/.test(await textOf('[data-marks]')), WAIT_MS);
    expect(await (await see(driver, By.css('[data-marks]'))).getAttribute('data-marks')).toBe('4');
    await driver.wait(async () => /within|above|below/.test(await textOf('dl')), WARM_UP_MS);

    const alarm = await driver.wait(until.elementLocated(By.css('[data-alarm]')), WARM_UP_MS);
    expect(await alarm.getAttribute('data-sounding')).toBe('true');
    const words = await alarm.getText();
    expect(words).toMatch(/Stop: 1(1[89]|2\d) °C/);
    expect(words).toContain('Engine off');
    expect(words).toContain('The fan should have run since 101 °C');
    expect(words).toMatch(/\d+ °C below boiling|At or above boiling/);
    const covers =
      'const r = document.querySelector("[data-alarm]").getBoundingClientRect(); return r.width >= innerWidth && r.height >= innerHeight';
    expect(await driver.executeScript(covers)).toBe(true);
    await (await driver.switchTo().activeElement()).sendKeys(Key.ENTER);
    await driver.wait(async () => (await driver.findElements(By.css('[data-alarm]'))).length === 0, WAIT_MS);

    // Ranking is offered from two minutes of samples on; a slow machine may hear the alarm before it has them.
    const rank = await button('Show likely causes so far');
    await driver.wait(until.elementIsEnabled(rank), WARM_UP_MS);
    // What it looks like before it is over: cancelled once, then waited for. One script presses both, and the second
    // the moment its button is drawn, since a ranking may be over before a press from outside would reach it.
    await driver.executeScript(`
      const card = document.querySelector('[aria-label="So far"]');
      const find = (text) => [...card.querySelectorAll('button')].find((b) => b.textContent.trim() === text);
      const cancelled = new Promise((done) => {
        new MutationObserver((_, watch) => {
          const cancel = find('Cancel');
          if (!cancel) return;
          watch.disconnect();
          cancel.click();
          done();
        }).observe(card, { childList: true, subtree: true, characterData: true });
      });
      find('Show likely causes so far').click();
      return cancelled;
    `);
    await (await button('Show likely causes so far')).click();
    await see(driver, By.css('[data-so-far]'));
    expect(await textOf('[aria-label="So far"]')).toContain('Thermostat stuck closed');

    expect(await end()).toBe('thermostat-stuck-closed');
    const run = (await server.db.runs.findOne({ where: { jobId: await jobId(job) } }))!;
    expect(run.marks.map((m) => m.text)).toEqual([
      'Moved off',
      'hose warm',
      expect.stringMatching(/^Hose hot: rushed at \d+(\.\d)? °C$/),
      expect.stringMatching(/^hose \d+(\.\d)? °C by probe$/)
    ]);
  });

  it('goes on after the server was killed in the middle of it, and every sample that was seen is there', async () => {
    const job = await newJob('QH-26');
    await start(job, 'none', '12', 'mixed');
    await driver.wait(async () => (await samples()) > 25, WARM_UP_MS);
    const id = await jobId(job);
    const seen = await samples();
    await server.kill();
    await see(driver, By.css('[data-trouble]'));
    await server.start();
    await driver.wait(async () => (await samples()) > seen + 20, WARM_UP_MS);
    const shown = await samples();
    const before = await coolant();
    expect(before).toBeGreaterThan(11);
    await (await button('Stop recording')).click();
    await (await button('Stop and get the result')).click();
    await driver.wait(until.urlContains('?run='), WARM_UP_MS);
    const run = (await server.db.runs.findOne({ where: { jobId: id } }))!;
    expect(run.sampleCount).toBeGreaterThanOrEqual(shown);
    expect(run.report.gaps.length).toBeGreaterThan(0);
  });

  it('may be typed from a thermometer, and shows nothing wrong to a machine in either theme', async () => {
    const job = await newJob('QH-11');
    await go(`${job}/live`);
    await (await button('No adapter')).click();
    await (await button('Understood')).click();
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    await (await button('Start recording')).click();
    await type('Coolant now', '54F');
    await (await button('Save reading')).click();
    await driver.wait(async () => (await coolant()) > 12, WAIT_MS);
    expect(await coolant()).toBeCloseTo(12.2, 1);
    for (const theme of ['day', 'night'] as const) expect(await faultsByAxe(driver, theme)).toEqual([]);
    expect(
      await driver.executeScript('return document.documentElement.scrollWidth - innerWidth')
    ).toBeLessThanOrEqual(0);
  });
});

describe('two runs of one vehicle', () => {
  it('lie over each other, with what differs and what does not', async () => {
    const vehicle = (await server.db.vehicles.findOne({ where: { fleetNo: 'QH-09' } }))!;
    await go(`/vehicles/${vehicle.id}/compare`);
    expect(await textOf('main')).toContain('No run yet');
    const job = await server.db.jobs.findOne({ where: { outcome: 'fixed and proven' } });
    await go(`/jobs/${job!.number}`);
    await (await see(driver, By.xpath('//a[normalize-space(.)="Compare"]'))).click();
    await driver.wait(until.urlContains('/compare?a='), WAIT_MS);
    await painted(driver);
    expect(await textOf('table')).toMatch(/Steady temperature.*differs/s);
    await (await see(driver, By.xpath('(//button[@role="radio"])[2]'))).click();
    for (const theme of ['day', 'night'] as const) expect(await faultsByAxe(driver, theme)).toEqual([]);
    expect(
      await driver.executeScript('return document.documentElement.scrollWidth - innerWidth')
    ).toBeLessThanOrEqual(0);
  });
});
