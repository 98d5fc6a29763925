import type { WebDriver } from 'selenium-webdriver';
import { alive, openBrowser } from '../browser/browser';
import { testServer } from '../browser/server';
import { line, ms } from './measure';

/** A slow phone on a slow line: four times slower, 1.6 Mbit/s, 150 ms to the server and back. */
const SLOWER = 4;
const LINE = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 93_750 };

type DevTools = { sendDevToolsCommand(command: string, params: object): Promise<void> };

/** Notes, in every page, when it came alive and for how long it was blocked until then. */
const NOTES = `
  window.__blocked = 0;
  new PerformanceObserver((list) => {
    for (const e of list.getEntries()) if (!window.__alive || e.startTime < window.__alive) window.__blocked += e.duration - 50;
  }).observe({ type: 'longtask', buffered: true });
  new MutationObserver(() => {
    if (!window.__alive && document.documentElement.dataset.alive === 'yes') window.__alive = performance.now();
  }).observe(document, { attributes: true, subtree: true, attributeFilter: ['data-alive'] });`;

interface Visit {
  readonly aliveMs: number;
  readonly largestMs: number;
  readonly blockedMs: number;
  readonly kib: number;
  readonly files: number;
}

const READ = `
  const done = arguments[arguments.length - 1];
  new PerformanceObserver((list) => {
    const largest = list.getEntries().at(-1);
    const [page] = performance.getEntriesByType('navigation');
    // What the page itself asked for until it was usable, and not what was fetched for later.
    const files = performance.getEntriesByType('resource').filter((e) => e.startTime < window.__alive);
    done({
      aliveMs: window.__alive,
      largestMs: largest.startTime,
      blockedMs: window.__blocked,
      kib: [page, ...files].reduce((sum, e) => sum + e.transferSize, 0) / 1024,
      files: 1 + files.length
    });
  }).observe({ type: 'largest-contentful-paint', buffered: true });`;

async function visit(driver: WebDriver, address: string): Promise<Visit> {
  await driver.get('about:blank');
  await driver.get(address);
  await alive(driver);
  return driver.executeAsyncScript<Visit>(READ);
}

/** Job and live run on a slow phone: the first visit, and the later ones. */
export async function phoneBench(): Promise<void> {
  const server = await testServer();
  const job = (await server.db.jobs.findAll({ order: [['number', 'ASC']] }))[1].number;
  for (const path of [`/jobs/${job}`, `/jobs/${job}/live`, '/']) {
    const { driver, close } = await openBrowser(390, 844);
    const tools = driver as unknown as DevTools;
    await tools.sendDevToolsCommand('Network.enable', {});
    await tools.sendDevToolsCommand('Network.emulateNetworkConditions', LINE);
    await tools.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await tools.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: NOTES });
    const told = (when: string, v: Visit) =>
      line(
        `slow phone, ${path}, ${when}`,
        ms(v.aliveMs),
        `usable; largest part ${ms(v.largestMs)}, blocked ${ms(v.blockedMs)}, ${v.kib.toFixed(0)} KiB in ${v.files} files`
      );
    told('first visit', await visit(driver, server.address + path));
    await visit(driver, server.address + path);
    told('later visits', await visit(driver, server.address + path));
    if (process.env.BENCH_FILES)
      console.log(
        await driver.executeScript(
          "return performance.getEntriesByType('resource').map((e) => [e.name.slice(-40), e.encodedBodySize, Math.round(e.startTime)].join(' ')).join('\\n')"
        )
      );
    await close();
  }
  await server.end();
}
