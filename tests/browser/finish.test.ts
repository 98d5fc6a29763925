import { By, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, readOf, see, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, newJob, enter, type, pick } = useApp((s, d) => ([server, driver] = [s, d]));

const attribute = (css: string, name: string) => readOf(driver, css, (e) => e.getAttribute(name));
const WEAK_HEATER = [
  { what: 'heater-weak' as const, when: ['steady' as const] },
  { what: 'gauge-low' as const, when: ['steady' as const] }
];

describe('the end of a job', () => {
  it('closes unproven, named as such, with a date to look again; and opens again when it comes back', async () => {
    const job = await newJob('QH-03', WEAK_HEATER);
    await go(`${job}/finish`);
    expect(await textOf('[aria-label="Close the job"]')).toContain('no repair is on record');
    if ((await attribute('[aria-label="What is repaired"] button', 'aria-pressed')) !== 'true')
      await (await button('Replace the thermostat')).click();
    await see(driver, By.css('[data-step="thermostat/housing-on"]'));
    // One drain, cautions at their steps, the value of the sheet.
    expect(await textOf('[data-step="cap-open"]')).toContain('Hot coolant under pressure scalds');
    expect(await textOf('[data-step="thermostat/housing-on"]')).toContain('9 N·m by the sheet');
    await (await see(driver, By.css('[data-step="cap-open"] [role=checkbox]'))).click();
    await type('Tightened with', '15');
    await see(driver, withText('*', 'The sheet says 9 N·m'));
    await type('Tightened with', '9');
    // Half a sheet is there after a reload.
    await go(`${job}/finish`);
    expect(
      await (await see(driver, By.css('[data-step="cap-open"] [role=checkbox]'))).getAttribute('aria-checked')
    ).toBe('true');
    await (await see(driver, withText('button', 'Save with'))).click();
    await see(driver, By.css('[data-repaired="thermostat"]'));
    expect(await attribute('[data-proven]', 'data-proven')).toBe('false');
    expect(await textOf('[aria-label="Close the job"]')).toMatch(/not proven yet: a run in its band/);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
    await pick('Cause', 'Thermostat stuck open');
    await (await button('Close as fixed, unproven')).click();
    await see(driver, By.css('[data-outcome="fixed, unproven"]'));
    expect(await textOf('[aria-label="Close the job"]')).toMatch(/Recheck on [A-Z][a-z]{2} \d{1,2}, \d{4}/);
    const row = () =>
      server.db.jobs.findOne({ where: { number: Number(job.split('/')[2]) }, rejectOnEmpty: true });
    expect(await row()).toMatchObject({ state: 'closed', cause: 'thermostat-stuck-open' });
    await (
      await see(driver, By.css('[aria-label="Close the job"] input'))
    ).sendKeys('Cold again on the ridge');
    await (await button('Reopen the job')).click();
    await driver.wait(async () => (await row()).state === 'open', WAIT_MS);
    await go(job);
    expect(await textOf('details ol, main')).toContain('Replaced the thermostat');
  });

  it('is proven by what the record shows since the repair, and only by that', async () => {
    const done = await server.db.jobs.findOne({
      where: { outcome: 'fixed and proven', cause: 'thermostat-stuck-open' },
      rejectOnEmpty: true
    });
    await go(`/jobs/${done.number}/finish`);
    expect(await attribute('[data-proven]', 'data-proven')).toBe('true');
    for (const item of ['run', 'codes', 'leak'])
      expect(await attribute(`[data-proof="${item}"]`, 'data-met')).toBe('true');
    // Opened again and repaired again, all of it is from before.
    await enter(`job:${done.id}`, { kind: 'job.reopened', payload: { why: 'Weak again' } });
    await enter(`job:${done.id}`, { kind: 'repair.done', payload: { repairs: ['thermostat'] } });
    await driver.wait(async () => (await attribute('[data-proven]', 'data-proven')) === 'false', WAIT_MS);
    expect(await textOf('[data-proof="run"]')).toContain('No run since the repair');
  });
});
