import { withFault } from '../../src/core/faults/registry';
import { By, Key, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { checkOf, isCheckId, type CheckId } from '../../src/core/checks/registry';
import { writeLog } from '../../src/core/logs/csv-export';
import { sniff } from '../../src/core/logs/csv-sniff';
import { DRIVES } from '../../src/core/physics/plant/drive';
import { logFrom } from '../../src/core/runs/log-from';
import { plantFor } from '../../src/core/physics/plant/params';
import { seeded } from '../../src/core/base/random';
import type { Case } from '../../src/simulation/cases/hidden-case';
import { handsOn } from '../../src/simulation/technician/hands';
import { fathom, taken } from '../support/check-bench';
import { useApp } from './app';
import { faultsByAxe, readOf, see, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, newJob, enter, inputOf, openSheet } = useApp((s, d) => ([server, driver] = [s, d]));

const jobId = async (job: string) =>
  (await server.db.jobs.findOne({ where: { number: Number(job.split('/')[2]) } }))!.id;
const leader = () =>
  readOf(driver, '[data-suspect]', (e) => e.getAttribute('data-suspect')) as Promise<string>;
const QUEUE = [
  { what: 'gauge-high' as const, when: ['idle' as const, 'crawl' as const] },
  { what: 'ac-off' as const, when: ['crawl' as const] }
];

/** The ambulance with its radiator stack choked: what its technician would measure, from the plant. */
const sound = plantFor(fathom);
const ambulance: Case = {
  seed: 11,
  spec: fathom,
  fault: 'airflow-restricted',
  severity: 0.8,
  sound,
  plant: withFault(sound, 'airflow-restricted', 0.8),
  ambientC: 14,
  symptoms: QUEUE,
  codes: []
};

async function upload(id: string): Promise<void> {
  const log = logFrom({
    ...ambulance,
    legs: DRIVES.queue,
    startC: ambulance.ambientC,
    columns: 'all',
    plant: sound
  });
  const bytes = new TextEncoder().encode(writeLog(log));
  const layout = sniff(bytes);
  if (!layout.ok) throw new Error(layout.problems[0].message);
  const form = new FormData();
  const meta = {
    layout: { ...layout.value, preview: undefined },
    skipBrokenRows: false,
    eventId: crypto.randomUUID(),
    runId: crypto.randomUUID(),
    at: new Date().toISOString()
  };
  form.set('meta', JSON.stringify(meta));
  form.set('file', new Blob([bytes]), 'queue.csv');
  const answer = await fetch(`${server.address}/api/jobs/${id}/runs`, {
    method: 'POST',
    headers: { Origin: server.address },
    body: form
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** Does what the card says until it says that enough is known; the checks in the order they were asked for. */
async function followTheCard(job: string, wrong: Partial<Record<CheckId, unknown>> = {}): Promise<CheckId[]> {
  const id = await jobId(job);
  const asked: CheckId[] = [];
  for (let i = 0; i < 14; i++) {
    await go(job);
    const card = await see(driver, By.css('[data-act], [data-next]'));
    if (await card.getAttribute('data-act')) return asked;
    const check = await card.getAttribute('data-next');
    if (!isCheckId(check)) throw new Error(`no check: ${check}`);
    asked.push(check);
    await (await see(driver, By.css('body'))).sendKeys('n');
    if (check === 'warm-up-run' || check === 'road-run') {
      await driver.wait(async () => (await driver.getCurrentUrl()).endsWith('/live'), WAIT_MS);
      await upload(id);
      continue;
    }
    await driver.wait(async () => (await driver.getCurrentUrl()).endsWith(`check=${check}`), WAIT_MS);
    await see(driver, By.css('form.card'));
    const readings = wrong[check] ?? checkOf(check).simulate(handsOn(ambulance, seeded(i + 1)));
    await enter(`job:${id}`, { kind: 'check.recorded', payload: { check, readings } });
  }
  throw new Error(`never enough: ${asked.join(', ')}`);
}

describe('the suspects of a job', () => {
  it('follow what is found: the ambulance’s clutch is cleared and the airflow is left', async () => {
    const job = await newJob('QH-11', QUEUE.slice(0, 1));
    await go(job);
    expect(await textOf('[data-popular]')).toContain('fan clutch');
    const stream = `job:${await jobId(job)}`;
    const pairs = [{ engineRpm: 950, fanRpm: 790, airC: 73, sinceStartMin: null }];
    await enter(stream, {
      kind: 'check.recorded',
      payload: { check: 'clutch-hot-speed', readings: { pairs, coolantC: 101 } }
    });
    await enter(stream, {
      kind: 'check.recorded',
      payload: { check: 'air-rise', readings: { beforeC: 14, afterC: 96, coolantC: 97, fan: 'yes' } }
    });
    // The page hears of both without being loaded anew.
    await driver.wait(async () => (await leader()) === 'airflow-restricted', WAIT_MS);
    await (await see(driver, By.css('[data-suspect="airflow-restricted"] summary'))).click();
    const why = await textOf('[data-suspect="airflow-restricted"]');
    expect(why).toMatch(/(strong|clear|weak) for\s+Air temperature rise:/);
    expect(why).toMatch(/(strong|clear|weak) for\s+Complaint:/);
    expect(await textOf('[data-popular]')).toMatch(/Strongest against it: clutch speed, hot/);
    expect(await textOf('main')).toMatch(/not on this vehicle/);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
  });

  it('are reached by the card alone: airflow restricted, not the clutch', async () => {
    const job = await newJob('QH-11', QUEUE);
    const asked = await followTheCard(job);
    expect(await leader()).toBe('airflow-restricted');
    expect(await (await see(driver, By.css('[data-act]'))).getAttribute('data-act')).toBe('radiator-outside');
    // The engine came in hot: nothing was asked that would have had to wait for the night.
    expect(asked).not.toContain('clutch-cold-turn');
    expect(asked.length).toBeGreaterThan(1);
    expect(await textOf('[aria-label="Next check"]')).toMatch(
      /Ready to repair:.*Clean the radiator from outside/s
    );
  });

  it('are reached with one wrong reading in between', async () => {
    const job = await newJob('QH-11', QUEUE);
    // A tip that slipped off the housing: the sensor seems to read cold.
    const wrong = {
      needlePct: 50,
      scanC: 92,
      thermometer: taken(112, 'contact'),
      sender: null
    };
    const asked = await followTheCard(job, { 'gauge-compare': wrong });
    expect(asked).toContain('gauge-compare');
    expect(await leader()).toBe('airflow-restricted');
    expect(await (await see(driver, By.css('[data-act]'))).getAttribute('data-act')).toBe('radiator-outside');
  });

  it('take what a technician adds or excludes, with the reason, and give it back', async () => {
    const job = await newJob('QH-11', QUEUE);
    await go(job);
    const first = await leader();
    await (await see(driver, By.css(`[data-suspect="${first}"] summary`))).click();
    await (await see(driver, withText('button', 'Rule out…'))).click();
    const inForm = (css: string) => see(driver, By.css(`form[aria-label="Own finding"] ${css}`));
    await (await inForm('button[type="submit"]')).click();
    await see(driver, withText('form', 'Write the reason'));
    await (await inForm('textarea')).sendKeys('Taken apart and seen');
    await (await inForm('button[type="submit"]')).click();
    await driver.wait(async () => (await leader()) !== first, WAIT_MS);
    expect(await textOf('[aria-label="Suspects"]')).toContain('excluded: Taken apart and seen');
    await (await see(driver, withText('button', 'Remove'))).click();
    await driver.wait(async () => (await leader()) === first, WAIT_MS);
  });

  it('are not asked by a tool that the shop has not', async () => {
    const job = await newJob('QH-11', QUEUE);
    await go('/shop');
    const tool = await see(driver, By.xpath('//label[contains(., "Optical tachometer")]'));
    await tool.click();
    expect(await textOf('form[aria-label="Tools and minutes"] [role="status"]')).toContain(
      'Clutch speed, hot'
    );
    await (await see(driver, withText('summary', 'Hands-on minutes'))).click();
    const minutes = await inputOf('Minutes for hose rush');
    await minutes.sendKeys('500');
    await (await see(driver, withText('button', 'Keep tools and minutes'))).click();
    await see(driver, withText('p', 'More than 4 hours is no check'));
    await minutes.sendKeys(Key.chord(Key.CONTROL, 'a'), '13');
    await (await see(driver, withText('button', 'Keep tools and minutes'))).click();
    await see(driver, withText('*', 'Tools and minutes kept'));
    await go(job);
    await (await see(driver, withText('summary', 'not applicable'))).click();
    await see(driver, withText('p', 'Clutch speed, hot: no optical tachometer in this shop'));
    await go(`${job}?check=hose-rush`);
    await see(driver, withText('span', 'About 13 min'));
    await go('/shop');
    await (await see(driver, By.xpath('//label[contains(., "Optical tachometer")]'))).click();
    await (await see(driver, withText('button', 'Keep tools and minutes'))).click();
    await see(driver, withText('*', 'Tools and minutes kept'));
  });

  it('weigh acting against checking on by the shop’s own rates', async () => {
    const job = await newJob('QH-11', QUEUE);
    await go('/shop');
    const rate = await inputOf('Labour rate per hour');
    await rate.sendKeys(Key.chord(Key.CONTROL, 'a'), '-5');
    await (await see(driver, By.css('form[aria-label="Rates and prices"] button[type=submit]'))).click();
    await see(driver, withText('p', 'A price is 0 or more'));
    await rate.sendKeys(Key.chord(Key.CONTROL, 'a'), '600');
    await (await see(driver, By.css('form[aria-label="Rates and prices"] button[type=submit]'))).click();
    await see(driver, withText('*', 'Rates and prices saved'));
    await go(job);
    const row = await textOf('[data-choice="radiator-outside"]');
    // 50 min at 600 an hour, and what follows where it does not cure.
    expect(Number(/([\d.]+)\stl$/.exec(row)![1])).toBeGreaterThan(500);
  });

  it('wait while the system is empty, and who runs it all the same is on record', async () => {
    const job = await newJob('QH-11', QUEUE);
    const { id } = await server.db.jobs.findOne({
      where: { number: Number(job.split('/')[2]) },
      rejectOnEmpty: true
    });
    await enter(`job:${id}`, {
      kind: 'check.recorded',
      payload: { check: 'level-and-look', readings: { level: 'empty', leaks: 'none' } }
    });
    await go(job);
    expect(await textOf('[data-danger="empty"]')).toContain('Do not run this engine');
    await go(`${job}?check=hose-rush`);
    expect(await textOf('[data-stopped]')).toContain('No coolant is to be seen');
    await go(job);
    await (await see(driver, withText('button', 'It must run all the same'))).click();
    await (await inputOf('Why it is run all the same; this stays on record')).sendKeys('Into the hall, 20 m');
    await (await see(driver, withText('button', 'Run it all the same'))).click();
    await driver.wait(async () => (await textOf('[data-danger="empty"]')).includes('On record'), WAIT_MS);
    await go(`${job}?check=hose-rush`);
    expect((await driver.findElements(By.css('[data-stopped]'))).length).toBe(0);
  });

  it('have a door for who cannot do that here, and one for who is not sure', async () => {
    const job = await newJob('QH-03', QUEUE);
    await openSheet(job, 'wiggle');
    await (await see(driver, withText('button', 'I cannot do that here'))).click();
    await (await see(driver, withText('summary', 'not applicable'))).click();
    await see(driver, withText('p', 'Wiggle: cannot be done here'));
    await openSheet(job, 'ect-circuit');
    await (await see(driver, withText('button', 'Not sure'))).click();
    await see(driver, By.css('[data-check="ect-circuit"][data-result="unclear"]'));
  });
});
