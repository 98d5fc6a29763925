import { By, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, see, WAIT_MS } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, newJob, enter } = useApp((s, d) => ([server, driver] = [s, d]));

const jobId = async (job: string) =>
  (await server.db.jobs.findOne({ where: { number: Number(job.split('/')[2]) } }))!.id;
const leader = async () =>
  (await see(driver, By.css('[data-suspect]'))).getAttribute('data-suspect') as Promise<string>;

describe('the suspects of a job', () => {
  it('follow what is found: the ambulance’s clutch is cleared and the airflow is left', async () => {
    const job = await newJob('QH-11', [{ what: 'gauge-high', when: ['idle', 'crawl'] }]);
    await go(job);
    const first = await (await see(driver, By.css('[data-worth]'))).getAttribute('data-worth');
    expect(first).not.toBe('');
    const stream = `job:${await jobId(job)}`;
    const pairs = [{ engineRpm: 950, fanRpm: 790, airC: 73, sinceStartMin: null }];
    await enter(stream, {
      kind: 'check.recorded',
      payload: { check: 'clutch-hot-speed', readings: { pairs, coolantC: 101 } }
    });
    await enter(stream, {
      kind: 'check.recorded',
      payload: { check: 'air-rise', readings: { beforeC: 14, afterC: 79, coolantC: 97, fan: 'yes' } }
    });
    // The page hears of both without being loaded anew.
    await driver.wait(async () => (await leader()) === 'airflow-restricted', WAIT_MS);
    await (await see(driver, By.css('[data-suspect="airflow-restricted"] summary'))).click();
    const why = await textOf('[data-suspect="airflow-restricted"]');
    expect(why).toMatch(/\+\d+ dB\s+Air temperature rise, for/);
    expect(why).toMatch(/\+\d+ dB\s+Complaint, for/);
    expect(await textOf('main')).toMatch(/that this vehicle cannot have/);
    await see(driver, By.css('[data-worth]'));
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
  });
});
