import { By, type WebDriver, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { alive, see, viewport, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, type, textOf, openSheet } = useApp((s, d) => ([server, driver] = [s, d]));

/** Waits until this device has the whole product and a page. */
async function kept(path: string): Promise<void> {
  await driver.executeAsyncScript(
    'const done = arguments[0]; navigator.serviceWorker.ready.then(() => done())'
  );
  await driver.wait(
    () =>
      driver.executeAsyncScript(
        `const [path, done] = arguments;
         caches.open('pyrethos-pages').then((pages) => pages.match(path)).then((page) => done(!!page && !!navigator.serviceWorker.controller))`,
        path
      ),
    WAIT_MS,
    `${path} was never kept`
  );
}
async function visited(path: string): Promise<void> {
  await go(path);
  await driver.executeAsyncScript(
    'const done = arguments[0]; navigator.serviceWorker.ready.then(() => done())'
  );
  // A page that was opened before the worker came is kept when it is opened again.
  await go(path);
  await kept(path);
}
/** The bar of a phone lies over what ends at the lower edge. */
async function press(element: WebElement): Promise<void> {
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
  await element.click();
}
/** The note stands in the job's record, folded or not. */
const noted = () =>
  driver.wait(async () => (await driver.getPageSource()).includes('No signal in the yard'), WAIT_MS);
const waits = async () =>
  Number(await (await see(driver, By.css('[data-waiting]'))).getAttribute('data-waiting'));

describe('a phone with the product on it, and no network', () => {
  it('opens the jobs of this device, takes readings there, and brings everything back once', async () => {
    await viewport(driver, 390, 844);
    const [job, other] = (
      await server.db.jobs.findAll({ where: { state: 'open' }, order: [['number', 'ASC']] })
    ).map((j) => `/jobs/${j.number}`);
    await visited('/');
    await visited(job);
    await server.stop();

    await driver.get(server.address + job);
    await alive(driver);
    await see(driver, withText('button', 'Server away'));
    await openSheet(job, 'warm-idle');
    await type('Reading at warm idle', '91');
    await type('Has idled warm for', '5');
    await press(await button('Save reading'));
    await driver.wait(async () => (await waits()) >= 1, WAIT_MS);
    await (await see(driver, By.css('input[placeholder^="Write a note"]'))).sendKeys('No signal in the yard');
    await press(await button('Add the note'));
    await driver.wait(async () => (await waits()) >= 2, WAIT_MS);

    // From page to page, as far as they are kept.
    await (await see(driver, By.linkText('Day'))).click();
    await driver.wait(async () => new URL(await driver.getCurrentUrl()).pathname === '/', WAIT_MS);
    await alive(driver);
    expect(await textOf('h1')).toMatch(/jobs? open/);
    await driver.get(server.address + other);
    expect(await textOf('main, body')).toContain('This page was not opened on this device before');
    await (await see(driver, By.css(`a[href="${job}"]`))).click();
    await alive(driver);
    await noted();
    expect(await waits()).toBeGreaterThanOrEqual(2);

    await server.start();
    await driver.wait(async () => (await driver.findElements(By.css('[data-waiting]'))).length === 0, 40_000);
    const [notes] = await server.db.sequelize.query(
      "SELECT 1 FROM events WHERE payload->>'text' = 'No signal in the yard'"
    );
    expect(notes).toHaveLength(1);
    const [readings] = await server.db.sequelize.query(
      "SELECT 1 FROM events WHERE payload->>'check' = 'warm-idle' AND payload->'readings'->>'scanC' = '91'"
    );
    expect(readings).toHaveLength(1);
    // The page that came from this device shows what the server has as soon as that is back.
    await go(job);
    await noted();
  });
});
