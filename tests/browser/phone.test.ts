import { By, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { CHECK_IDS } from '../../src/core/checks/registry';
import { useApp } from './app';
import { faultsByAxe, see, viewport } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, openSheet, inputOf } = useApp((s, d) => {
  server = s;
  driver = d;
});

describe('on a phone of 390 by 844', () => {
  /** How much wider than the phone a page is, after its handlers have come. */
  const tooWide = (): Promise<number> =>
    driver.executeScript(
      'return document.documentElement.scrollWidth - document.documentElement.clientWidth'
    );

  it('no page scrolls sideways', async () => {
    await viewport(driver, 390, 844);
    const { id } = await server.db.vehicles.findOne({ where: { fleetNo: 'QH-03' }, rejectOnEmpty: true });
    const pages = [
      ...[
        '/',
        '/vehicles',
        '/vehicles/new',
        '/sensor',
        '/sensor/curves',
        '/coolant',
        '/shop',
        '/fleet',
        '/board',
        '/board/day',
        '/board/evening',
        '/jobs/8/card/level-and-look'
      ],
      ...[
        '/numbers',
        '/jobs',
        '/jobs/new',
        `/vehicles/${id}`,
        `/vehicles/${id}/sheet`,
        `/vehicles/${id}/what-if`
      ],
      ...['', '/intake', '/finish', '/report', '/import', '/live'].flatMap((part) => [
        `/jobs/1${part}`,
        `/jobs/8${part}`
      ])
    ];
    const wide: string[] = [];
    for (const page of pages) {
      await go(page);
      if ((await tooWide()) > 0) wide.push(page);
    }
    expect(wide).toEqual([]);
  });

  it('nor with text twice as large, on a screen of 1280', async () => {
    await viewport(driver, 1280, 800);
    const wide: string[] = [];
    for (const page of [
      '/',
      '/jobs/8',
      '/jobs/8/finish',
      '/jobs/8?check=ect-ladder',
      '/vehicles',
      '/jobs/new',
      '/shop'
    ]) {
      await go(page);
      await driver.executeScript("document.documentElement.style.fontSize = '200%'");
      if ((await tooWide()) > 0) wide.push(page);
    }
    expect(wide).toEqual([]);
  });

  it('nor does the sheet of any check', async () => {
    await viewport(driver, 390, 844);
    const wide: string[] = [];
    for (const id of CHECK_IDS) {
      await go(`/jobs/8?check=${id}`);
      if ((await tooWide()) > 0) wide.push(id);
    }
    expect(wide).toEqual([]);
  });

  it('the engine, the suspect and the next check are told in that order, and the next check starts under the thumb', async () => {
    await viewport(driver, 390, 844);
    await go('/jobs/8');
    const topOf = async (css: string) => (await (await see(driver, By.css(css))).getRect()).y;
    const tops = [
      await topOf('[aria-label="The engine now"]'),
      await topOf('[aria-label="Likely"]'),
      await topOf('[aria-label="Next check"]')
    ];
    expect(tops).toEqual(tops.toSorted((a, b) => a - b));
    const start = await see(driver, By.xpath('//button[starts-with(normalize-space(.), "Start: ")]'));
    const { y, height } = await start.getRect();
    expect(y).toBeGreaterThan(844 / 2);
    expect(y + height).toBeLessThanOrEqual(844);
    expect(height).toBeGreaterThanOrEqual(56);
    await start.click();
    await see(driver, By.css('[aria-label="Judgement"]'));
  });

  it('has no accessibility faults that a machine can find, by day and by night', async () => {
    for (const page of [
      '/',
      '/jobs/8',
      '/jobs/8?check=codes',
      '/jobs/1/report',
      '/jobs/8/finish',
      '/vehicles'
    ]) {
      await go(page);
      for (const theme of ['day', 'night'] as const)
        expect([page, theme, await faultsByAxe(driver, theme)]).toEqual([page, theme, []]);
    }
  });

  it('has keys of its own for a quantity, with its units, and shows large what was understood', async () => {
    await viewport(driver, 390, 844);
    const touch = (enabled: boolean) =>
      (driver as unknown as { sendDevToolsCommand(c: string, p: object): Promise<void> }).sendDevToolsCommand(
        'Emulation.setTouchEmulationEnabled',
        { enabled, maxTouchPoints: 1 }
      );
    await touch(true);
    await go('/');
    expect(await (await inputOf('Filter')).getAttribute('placeholder')).toBe('Filter');
    const open = await server.db.jobs.findOne({ where: { state: 'open' }, rejectOnEmpty: true });
    await openSheet(`/jobs/${open.number}`, 'warm-idle');
    const field = await inputOf('Reading at warm idle');
    expect(await field.getAttribute('inputmode')).toBe('none');
    // Nobody is told of keys that a glove has not.
    const shown = await (await see(driver, By.css('main'))).getText();
    expect(shown).toContain('What you typed stays here');
    expect(shown).not.toContain('Ctrl Enter');
    await driver.executeScript('arguments[0].focus()', field);
    const pad = By.css('[role="group"][aria-label="Keys for Reading at warm idle"]');
    const press = async (key: string) =>
      (
        await (await see(driver, pad)).findElement(By.xpath(`.//button[normalize-space(.)="${key}"]`))
      ).click();
    for (const key of ['Clear', '1', '9', '5', '°F']) await press(key);
    expect(await field.getAttribute('value')).toBe('195 °F');
    expect(await (await see(driver, pad)).getText()).toContain('90.6');
    // On to the next field, without a look at the screen.
    await press('Next');
    await see(driver, By.css('[aria-label="Keys for Swung by, in two minutes"]'));
    await touch(false);
  });

  it('fetches no check and no schema for the day, which shows lines of jobs', async () => {
    const toldAhead = async (path: string) => {
      const told = (await fetch(server.address + path)).headers.get('link') ?? '';
      const files = [...told.matchAll(/<([^>]+\.js)>/g)].map(([, file]) => new URL(file, server.address));
      return (await Promise.all(files.map(async (file) => (await fetch(file)).text()))).join('');
    };
    const [day, job] = [await toldAhead('/'), await toldAhead('/jobs/8')];
    for (const ofACase of ['ECT ladder', 'invalid_type']) {
      expect(job).toContain(ofACase);
      expect(day).not.toContain(ofACase);
    }
    expect(day).toContain('Airflow restricted');
  });

  it('installs as an application, with its icons', async () => {
    await go('/');
    const href = await (await driver.findElement(By.css('link[rel="manifest"]'))).getAttribute('href');
    const { icons, start_url } = await (await fetch(href!)).json();
    expect(start_url).toBe('/');
    for (const { src } of icons) expect((await fetch(server.address + src)).status).toBe(200);
    expect(icons.map((i: { sizes: string }) => i.sizes)).toContain('512x512');
  });
});
