import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { Builder, By, error, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

export interface Browser {
  readonly driver: WebDriver;
  close(): Promise<void>;
}

/** A headless Chromium with a true viewport of the given size and a profile of its own. */
export async function openBrowser(width = 1280, height = 800): Promise<Browser> {
  const profile = mkdtempSync(join(tmpdir(), 'pyrethos-chromium-'));
  const options = new Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    '--hide-scrollbars',
    `--user-data-dir=${profile}`
  );
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  await viewport(driver, width, height);
  return {
    driver,
    async close() {
      await driver.quit();
      rmSync(profile, { recursive: true, force: true });
    }
  };
}

/** Sets the page's own size, not the window's. */
export async function viewport(driver: WebDriver, width: number, height: number): Promise<void> {
  await (
    driver as unknown as { sendDevToolsCommand(c: string, p: object): Promise<void> }
  ).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false
  });
}

export const WAIT_MS = Number(process.env.WAIT_MS ?? 25_000);

/** Waits until an element is there and seen. */
export const see = (driver: WebDriver, locator: By): Promise<WebElement> =>
  anew(async () => {
    const element = await driver.wait(until.elementLocated(locator), WAIT_MS, `not found: ${locator}`);
    await driver.wait(until.elementIsVisible(element), WAIT_MS, `not visible: ${locator}`);
    return element;
  });

export const withText = (tag: string, text: string): By =>
  By.xpath(`//${tag}[contains(normalize-space(.), ${JSON.stringify(text)})]`);

/** Waits until the page has come alive: handlers are attached after the words are shown. */
export async function alive(driver: WebDriver): Promise<void> {
  await driver.wait(
    () => driver.executeScript('return document.documentElement.dataset.alive === "yes"'),
    WAIT_MS,
    'the page never came alive'
  );
}

const AXE = readFileSync(resolve('node_modules/axe-core/axe.min.js'), 'utf8');

/** What the accessibility checker finds wrong with the page as it is, in a theme. */
export async function faultsByAxe(driver: WebDriver, theme: 'day' | 'night'): Promise<string[]> {
  await driver.executeScript(`document.documentElement.dataset.theme = '${theme}'`);
  await driver.executeScript(AXE);
  return driver.executeAsyncScript<string[]>(
    'const done = arguments[arguments.length - 1]; axe.run(document).then((r) => done(r.violations.map((v) => v.id + ": " + v.nodes.slice(0, 3).map((n) => n.target.join(" ")).join(" | "))))'
  );
}

/** Waits until the trace has been painted. */
export async function painted(driver: WebDriver): Promise<void> {
  await driver.wait(
    () =>
      driver.executeScript(
        'const c = document.querySelector("canvas"); return !!c && c.width > 0 && c.getContext("2d").getImageData(0, 0, c.width, c.height).data.some((v) => v > 0)'
      ),
    WAIT_MS,
    'the trace was never painted'
  );
}

/** Reads something of what stands there now. */
export const readOf = <T>(
  driver: WebDriver,
  css: string,
  read: (element: WebElement) => Promise<T>
): Promise<T> => anew(async () => read(await see(driver, By.css(css))));

/** Where the page draws anew what was just found, it is looked for once more. */
async function anew<T>(look: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await look();
    } catch (e) {
      if (!(e instanceof error.StaleElementReferenceError) || tries === 5) throw e;
    }
  }
}
