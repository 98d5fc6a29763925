import { By, until, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { see, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, type, pick, openSheet, newJob } = useApp((s, d) => ([server, driver] = [s, d]));

/** A card by its label, as one line of text. */
const card = async (label: string) => (await textOf(`[aria-label="${label}"]`)).replace(/\s+/g, ' ');
const rowOf = async (name: string) =>
  (await see(driver, By.xpath(`//dt[normalize-space(.)="${name}"]/..`))).getText();
let vehicle: string;

describe('a vehicle of which almost nothing is known', () => {
  it('is added with three taps; a number no thermostat has is named and kept', async () => {
    await go('/vehicles/new');
    await type('Fleet number', 'QH-71');
    await type('Vehicle', 'Kvesta Parcel, engine unknown');
    await (await button('Petrol')).click();
    await (await button('Electric, by relays')).click();
    const number = await type('Number on the thermostat', '195');
    await (await button('Add the vehicle')).click();
    expect(await textOf('[role=alert]')).toMatch(
      /Number on the thermostat It is 195.°C, and thermostats open between 60 and 112.°C; if it says 195.°F/
    );
    expect(await number.getAttribute('value')).toBe('195');
    await type('Number on the thermostat', '195F');
    await (await button('Add the vehicle')).click();
    await driver.wait(until.urlMatches(/\/vehicles\/[0-9a-f-]{36}$/), WAIT_MS);
    vehicle = new URL(await driver.getCurrentUrl()).pathname;
    const row = await server.db.vehicles.findOne({ where: { fleetNo: 'QH-71' }, rejectOnEmpty: true });
    const { sheet } = (await server.db.specSheets.findByPk(row.specSheetId!))!;
    expect(sheet).toMatchObject({ engine: { fuel: 'petrol' }, fan: { drive: 'relay' } });
    expect(sheet.thermostat!.startOpenC).toBeCloseTo(90.56, 2);
  });

  it('shows what is taken as typical, marked so', async () => {
    expect(await rowOf('Starts to open')).toContain('90.6');
    expect(await rowOf('Starts to open')).not.toContain('typical');
    expect(await rowOf('Fully open')).toMatch(/102\.6.°C\s+typical/);
    expect(await rowOf('Stop the engine at')).toMatch(/118.°C\s+typical/);
  });

  it('takes a page of values, and shows what it understood of it', async () => {
    await go(`${vehicle}/sheet`);
    await (await button('Paste a page')).click();
    await (
      await see(driver, By.css('textarea'))
    ).sendKeys('Fully open: 217 °F\nCoolant capacity 6.3 L\nFan low on 101 °C, off 96 °C\nTyres 2.3\n');
    const said = await card('What was understood');
    expect(said).toMatch(/Thermostat: Fully open 102\.8.°C/);
    expect(said).toMatch(/Engine: Coolant 6\.3.L/);
    expect(said).toContain('Line 4, Tyres 2.3: no unit stands behind the figure');
    await (await see(driver, By.xpath('//button[contains(., "into the sheet")]'))).click();
    await (await button('Save the sheet')).click();
    await driver.wait(until.urlMatches(/\/vehicles\/[0-9a-f-]{36}$/), WAIT_MS);
    expect(await rowOf('Coolant')).toMatch(/6\.3.L/);
    expect(await textOf('main')).toMatch(/on at 101.°C/i);
  });

  it('is copied from a vehicle like it, and keeps its own name', async () => {
    await go(`${vehicle}/sheet`);
    await pick('Copy from a vehicle like it', 'QH-03 Tarrock Curlew 1.6');
    await see(driver, By.xpath('//section[@aria-label="What changes"]//li[contains(., "starts to open")]'));
    const changes = await card('What changes');
    expect(changes).toMatch(/starts to open: 90\.6.°C → 86\.0.°C/);
    expect(changes).not.toContain('name:');
  });

  it('is asked for what would decide, at the check that it would decide', async () => {
    await go(`/jobs/new?vehicle=${vehicle.split('/')[2]}`);
    await (await see(driver, By.css('textarea'))).sendKeys('Slow to warm');
    await (await button('Open the job')).click();
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    await openSheet(new URL(await driver.getCurrentUrl()).pathname, 'hose-rush');
    await (await button('Cold, then suddenly hot')).click();
    await type('Coolant as it rushed hot, or now', '74');
    await (await button('By a probe')).click();
    expect(await card('Judgement')).toContain('does not say at which side');
    await see(driver, withText('h3', 'Do you know it?'));
    await pick('Thermostat: Location', 'outlet');
    await (await button('Save to the sheet')).click();
    await driver.wait(async () => !(await card('Judgement')).includes('which side'), WAIT_MS);
    expect(await card('Judgement')).toMatch(/below start-to-open at 90\.6/);
  });
});

describe('a vehicle of the workshop’s own', () => {
  it('is offered nothing that is simulated; one of the demo is', async () => {
    const job = await server.db.jobs.findOne({ order: [['number', 'DESC']], rejectOnEmpty: true });
    await go(`/jobs/${job.number}/live`);
    expect(await textOf('main')).not.toContain('Simulated vehicle');
    await openSheet(`/jobs/${job.number}`, 'heater-air');
    expect(await textOf('form.card')).not.toContain('simulated');
    const demo = await newJob('QH-03');
    await go(`${demo}/live`);
    expect(await textOf('main')).toContain('Simulated vehicle');
    await openSheet(demo, 'heater-air');
    expect(await textOf('form.card')).toContain('simulated');
    await go(`${demo}/report`);
    expect(await textOf('main')).toContain('A vehicle of the demo');
  });
});

describe('a closing page that was only looked at', () => {
  it('keeps no draft of a repair that led then', async () => {
    const demo = await newJob('QH-07', [{ what: 'gauge-high', when: ['idle'] }]);
    const drafts = () =>
      driver.executeScript<string[]>("return Object.keys(localStorage).filter((k) => k.includes('repair:'))");
    await go(`${demo}/finish`);
    await see(driver, withText('h2', 'Repair'));
    expect(await drafts()).toEqual([]);
    await (
      await see(driver, By.css('form[aria-label="Repair"] textarea'))
    ).sendKeys('asked for by the owner');
    await driver.wait(async () => (await drafts()).length === 1, WAIT_MS);
  });
});
