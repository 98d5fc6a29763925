import { readFileSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { readOf, see, viewport, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, inputOf, enter } = useApp((s, d) => ([server, driver] = [s, d]));

/** What a finger does: a tap, a field that is typed into, a file that is chosen. */
let taps = 0;
/** Pages that scrolled sideways on the way. */
const sideways = new Set<string>();
async function tap(element: WebElement | Promise<WebElement>): Promise<void> {
  taps++;
  const found = await element;
  const wide = 'return document.documentElement.scrollWidth > document.documentElement.clientWidth';
  if (await driver.executeScript(wide)) sideways.add(new URL(await driver.getCurrentUrl()).pathname);
  // Away from what a toast may lie over; again where the page moved just then.
  await driver.wait(async () => {
    await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", found);
    return found.click().then(
      () => true,
      (e: Error) => (e.name === 'ElementClickInterceptedError' ? false : Promise.reject(e))
    );
  }, WAIT_MS);
}
async function fill(label: string, text: string): Promise<void> {
  taps++;
  await (await inputOf(label)).sendKeys(text);
}
async function choose(file: string): Promise<void> {
  taps += 2;
  await (await see(driver, By.css('input[type=file]'))).sendKeys(file);
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const folder = mkdtempSync(join(tmpdir(), 'reader-'));
/** A log of the demo as a cheap reader for °F would have written it: free lines, the month in a word, US units. */
function readerFile(run: string, name: string, endedAgoMin: number | null): string {
  const [head, ...lines] = readFileSync(join('demo/runs', run), 'utf8').trim().split('\n');
  const column = (key: string) => head.split(',').indexOf(key);
  const [ect, air, rpm, speed] = ['ect_c', 'iat_c', 'rpm', 'speed_kmh'].map(column);
  const toF = (c: string) => (Number(c) * 1.8 + 32).toFixed(0);
  const rows = lines.map((l) => l.split(',')).filter((_, i) => i % 2 === 0);
  const began = new Date(
    Date.now() - (endedAgoMin ?? 0) * 60_000 - Number(lines.at(-1)!.split(',')[0]) * 1000
  );
  const hours = began.getUTCHours();
  const two = (n: number) => String(n).padStart(2, '0');
  const date = `${MONTHS[began.getUTCMonth()]} ${began.getUTCDate()}, ${began.getUTCFullYear()}`;
  const text = [
    'Pocket reader 3',
    endedAgoMin === null
      ? 'Clock not set'
      : `Trip of ${date} ${two(hours % 12 || 12)}:${two(began.getUTCMinutes())}:${two(began.getUTCSeconds())} ${hours < 12 ? 'AM' : 'PM'}`,
    'Driver: not named',
    '',
    'Time (sec),Coolant Temp(°F),Intake Air Temp(°F),Engine RPM(rpm),Speed (OBD)(mph)',
    ...rows.map(
      (r) => `${r[0]},${toF(r[ect])},${toF(r[air])},${r[rpm]},${(Number(r[speed]) / 1.609344).toFixed(0)}`
    )
  ].join('\r\n');
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}
describe('a job that begins with a code, a number on a thermostat and a cheap reader', () => {
  it('goes from complaint to proven and printed in °F with fewer than forty taps, on a phone in one hand', async () => {
    await viewport(driver, 390, 844);
    await go('/vehicles/new');
    await tap(see(driver, By.css('button[aria-label^="Units:"]')));
    await tap(button('US'));
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await fill('Fleet number', 'QH-72');
    await fill('Vehicle', 'Tarrock Curlew 1.6');
    await tap(button('Petrol'));
    await tap(button('Electric, by relays'));
    await fill('Number on the thermostat', '187');
    await tap(button('Add and open a job'));
    await driver.wait(until.urlContains('/jobs/new'), WAIT_MS);
    await tap(button('Weak or slow to come'));
    await fill('Codes', 'P0128');
    await tap(button('Open the job'));
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    const job = new URL(await driver.getCurrentUrl()).pathname;
    await tap(see(driver, withText('a', 'Import a log')));
    await driver.wait(until.urlContains('/import'), WAIT_MS);
    await choose(readerFile('qh-03-ridge-road.csv', 'Trip one.csv', 14 * 60));
    await tap(button('Import and judge'));
    await driver.wait(until.urlContains('?run='), WAIT_MS);
    await tap(see(driver, withText('a', 'Repair')));
    await driver.wait(until.urlContains('/finish'), WAIT_MS);
    await tap(button('All done as it should be'));
    await fill('Tightened with', '7');
    await fill('Drained', '2.2');
    await fill('Refilled with', '2.3');
    await tap(button('Save'));
    await see(driver, By.css('[data-repaired="thermostat"]'));
    // The clock of the reader was lost with its battery: its next file has no date, and counts as just ended.
    await tap(see(driver, withText('a', 'Import it')));
    await driver.wait(until.urlContains('/import'), WAIT_MS);
    await choose(readerFile('qh-03-proof.csv', 'Trip two.csv', null));
    await tap(button('Import and judge'));
    await driver.wait(until.urlContains('?run='), WAIT_MS);
    // The next morning.
    const { id } = await server.db.jobs.findOne({
      where: { number: Number(job.split('/')[2]) },
      rejectOnEmpty: true
    });
    await enter(`job:${id}`, {
      kind: 'engine.noted',
      payload: { kind: 'measured', at: new Date().toISOString(), coolantC: 12, ambientC: 11 }
    });
    await tap(see(driver, withText('a', 'Prove and close')));
    await driver.wait(until.urlContains('/finish'), WAIT_MS);
    await tap(see(driver, By.css('[data-proof="leak"] a')));
    await tap(button('Understood'));
    await tap(button('The rest is good'));
    await tap(button('Save reading'));
    await tap(see(driver, withText('a', 'Prove and close')));
    await tap(button('No code stored'));
    await tap(button('Tried again: gone'));
    await driver.wait(
      async () => (await readOf(driver, '[data-proven]', (e) => e.getAttribute('data-proven'))) === 'true',
      WAIT_MS
    );
    await tap(button('Close as fixed and proven'));
    await see(driver, By.css('[data-outcome="fixed and proven"]'));
    await tap(see(driver, withText('a', 'Report')));
    await driver.wait(until.urlContains('/report'), WAIT_MS);
    await driver.executeScript('window.print = () => (window.printed = true)');
    await tap(button('Print'));
    expect(await driver.executeScript('return window.printed')).toBe(true);
    expect(taps).toBeLessThan(40);
    expect([...sideways]).toEqual([]);
  });
});
