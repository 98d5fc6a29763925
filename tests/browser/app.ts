import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll } from 'vitest';
import type { Symptom } from '../../src/core/vehicle/symptoms';
import type { EventInput } from '../../src/core/record/events';
import { alive, openBrowser, readOf, see, WAIT_MS, withText, type Browser } from './browser';
import { testServer, type TestServer } from './server';

const labelled = (label: string) => `//label[normalize-space(.)=${JSON.stringify(label)}]`;

/**
 * The built app with the demo and a browser on it, for one file of tests: started before them, ended after, and
 * the server brought back after each, so that a test which stopped it takes no other with it.
 */
export function useApp(
  ready: (server: TestServer, driver: WebDriver) => void,
  access: 'open' | 'signed' = 'open'
) {
  let server: TestServer;
  let browser: Browser;
  beforeAll(async () => {
    server = await testServer(undefined, access);
    browser = await openBrowser();
    ready(server, browser.driver);
  });
  afterEach(() => server.start());
  afterAll(async () => {
    await browser?.close();
    await server?.end();
  });

  const inputOf = (label: string): Promise<WebElement> =>
    see(browser.driver, By.xpath(`${labelled(label)}//input | ${labelled(label)}/following::input[1]`));
  /** Puts an entry into the record, as a browser would. */
  async function enter(stream: string, body: EventInput): Promise<void> {
    const at = new Date().toISOString();
    const response = await fetch(`${server.address}/api/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: server.address },
      body: JSON.stringify({ id: crypto.randomUUID(), stream, who: 'Tobin Skarre', at, ...body })
    });
    if (!response.ok) throw new Error(await response.text());
  }
  async function go(path: string): Promise<void> {
    await browser.driver.get(server.address + path);
    await alive(browser.driver);
  }
  return {
    go,
    /** Opens a check’s sheet of a job, its cautions understood. */
    async openSheet(job: string, check: string): Promise<void> {
      await go(`${job}?check=${check}`);
      // The sheet comes after the page: before it there is neither a caution nor a field.
      await see(browser.driver, By.css('form.card'));
      const cautions = await browser.driver.findElements(
        By.xpath('//button[normalize-space(.)="Understood"]')
      );
      if (cautions.length === 0) return;
      await cautions[0].click();
      await browser.driver.wait(
        () => browser.driver.executeScript('return document.querySelector("form.card")?.inert === false'),
        WAIT_MS
      );
    },
    textOf: (css: string) => readOf(browser.driver, css, (e) => e.getText()),
    button: (text: string) => see(browser.driver, withText('button', text)),
    /** The field of a label. */
    inputOf,
    /** Types over what a field holds. */
    async type(label: string, text: string): Promise<WebElement> {
      const input = await inputOf(label);
      await input.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
      return input;
    },
    /** Picks from a list that opens. */
    async pick(label: string, option: string): Promise<void> {
      const { driver } = browser;
      const name = JSON.stringify(label);
      const trigger = By.xpath(
        `//p[normalize-space(.)=${name}]/following::button[1] | //button[starts-with(@aria-label, ${JSON.stringify(`${label}: `)})]`
      );
      const list = await see(driver, trigger);
      // What floats at the edge of the screen would take the click.
      await driver.executeScript("arguments[0].scrollIntoView({ block: 'center' })", list);
      await list.click();
      await (
        await see(driver, By.xpath(`//*[@role="option"][normalize-space(.)=${JSON.stringify(option)}]`))
      ).click();
    },
    /** What a list that opens shows. */
    async picked(label: string): Promise<string> {
      const { driver } = browser;
      return (await see(driver, By.css(`button[aria-label^=${JSON.stringify(`${label}: `)}]`))).getText();
    },
    /** Moves a slider by keyboard, from its low end. */
    async slide(label: string, value: number): Promise<void> {
      const { driver } = browser;
      const thumb = await see(
        driver,
        By.xpath(
          `//p[starts-with(normalize-space(.), ${JSON.stringify(label)})]/following::*[@role="slider"][1]`
        )
      );
      const now = async () => Number(await thumb.getAttribute('aria-valuenow'));
      await thumb.sendKeys(Key.HOME);
      if (value === Number(await thumb.getAttribute('aria-valuemax'))) await thumb.sendKeys(Key.END);
      while ((await now()) < value) await thumb.sendKeys(Key.ARROW_RIGHT);
    },
    enter,
    /** A new job on a vehicle of the demo, entered as the interface enters it. Its address. */
    async newJob(fleetNo: string, symptoms: readonly Symptom[] = []): Promise<string> {
      const vehicle = await server.db.vehicles.findOne({ where: { fleetNo }, rejectOnEmpty: true });
      const id = crypto.randomUUID();
      const payload = { vehicleId: vehicle.id, complaint: 'Hot in the queue', symptoms: [...symptoms] };
      await enter(`job:${id}`, { kind: 'job.opened', payload });
      return `/jobs/${(await server.db.jobs.findByPk(id))!.number}`;
    }
  };
}
