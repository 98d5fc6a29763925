import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { afterAll, describe, expect, it } from 'vitest';
import { useApp } from './app';
import { alive, faultsByAxe, painted, see, viewport, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

const folder = mkdtempSync(join(tmpdir(), 'pyrethos-journey-'));
const LOG = resolve('tests/browser/files/any-logger.csv');
let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, type, pick, picked } = useApp((s, d) => ([server, driver] = [s, d]));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, content: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
const choose = async (path: string) => (await driver.findElement(By.css('input[type=file]'))).sendKeys(path);
/** The job of a vehicle that already has a run. */
const jobHref = async (fleetNo: string) => {
  await go('/');
  return driver.executeScript<string>(
    `return [...document.querySelectorAll('a[data-job]')].find((a) => a.textContent.includes('${fleetNo}') && a.querySelector('polyline')).getAttribute('href')`
  );
};

describe('a warm-up log, from the file to the saved verdict', () => {
  let runUrl: string;

  it('is opened on a new job from the day', async () => {
    await go('/');
    await (await see(driver, withText('a', 'Open a job'))).click();
    await (await button('QH-26')).click();
    await see(driver, withText('aside', 'Codes for the coolant sensor'));
    await (await see(driver, By.css('textarea'))).sendKeys('Fan full on after parking, codes again');
    await (await button('Open the job')).click();
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    expect(await textOf('main')).toContain('No run yet');
  });

  it('shows how free headers in °F and mph were understood, and takes a correction', async () => {
    await (await see(driver, withText('a', 'Import a log'))).click();
    // The job page has a file input of its own, for photos.
    await driver.wait(until.urlMatches(/\/import$/), WAIT_MS);
    await choose(LOG);
    await see(driver, withText('h2', 'How the columns were understood'));
    const chosen = () =>
      driver.executeScript<string[]>(
        'return [...document.querySelectorAll("tbody tr")].map((r) => [r.querySelector("th").textContent, ...[...r.querySelectorAll("button[aria-label]")].map((s) => s.textContent.trim())].join(" > "))'
      );
    expect(await chosen()).toEqual([
      'Clock > Time > clock time',
      'Engine RPM > Engine speed > rpm',
      'Engine temp (°F) > Coolant (ECT) > °F',
      'Cabin temp (°F) > Leave out',
      'Vehicle speed [mph] > Road speed > mph',
      'Calc load % > Engine load > %',
      'Air 1 (°F) > Leave out',
      'Battery V > Leave out'
    ]);
    await pick('What Air 1 (°F) is', 'Intake air (IAT)');
    await pick('Unit of Air 1 (°F)', '°F');
    expect((await chosen())[6]).toBe('Air 1 (°F) > Intake air (IAT) > °F');
  });

  it('is judged, drawn against its band, and says what it could not show', async () => {
    await (await button('Import and judge')).click();
    await driver.wait(until.urlContains('?run='), WAIT_MS);
    runUrl = await driver.getCurrentUrl();
    expect(await (await see(driver, By.css('[data-verdict]'))).getAttribute('data-verdict')).toBe(
      'ect-intermittent'
    );
    const page = await textOf('main');
    for (const words of [
      'What could explain it',
      'Evidence',
      'jumps no coolant can make',
      'What this run could not show'
    ])
      expect(page).toContain(words);
    await painted(driver);
  });

  it('is there after the server was stopped and started', async () => {
    await server.stop();
    await server.start();
    await driver.get(runUrl);
    expect(await (await see(driver, By.css('[data-verdict]'))).getAttribute('data-verdict')).toBe(
      'ect-intermittent'
    );
    await painted(driver);
  });

  it('gets the same verdict from the command line, from the CSV that the page gives out', async () => {
    const href = await (await see(driver, withText('a', 'CSV'))).getAttribute('href');
    const saved = file('out.csv', await (await fetch(href!)).text());
    const { stdout } = spawnSync(
      'bin/pyrethos',
      ['analyse', saved, '--spec', 'demo/specs/qh-26-scoot.spec.json', '--json'],
      { encoding: 'utf8' }
    );
    expect(JSON.parse(stdout).verdict).toBe('ect-intermittent');
  });

  it('remembers the columns for the next file of that logger', async () => {
    await go(`${new URL(runUrl).pathname}/import`);
    await choose(LOG);
    await see(driver, withText('p', 'As you set it the last time'));
    expect(await picked('What Air 1 (°F) is')).toBe('Intake air (IAT)');
  });

  it('can be undone and redone', async () => {
    await driver.get(runUrl);
    await alive(driver);
    const openRecord = () => driver.executeScript('document.querySelector("details.card").open = true');
    await openRecord();
    await (await button('Undo')).click();
    await see(driver, withText('h2', 'No run yet'));
    // The page was loaded anew without its run.
    await openRecord();
    await (await button('Redo')).click();
    await see(driver, By.css('[data-verdict="ect-intermittent"]'));
  });
});

describe('a file that is wrong', () => {
  it.each([
    ['not text', new Uint8Array([137, 80, 78, 71, 0, 0, 1, 2]), 'the file is not text'],
    ['without rows', 'the engine ran hot\n', 'no row of numbers follows']
  ])('%s is refused at once', async (_, content, expected) => {
    await go(`${await jobHref('QH-03')}/import`);
    await choose(file('wrong.csv', content));
    expect(await textOf('[role=alert]')).toContain(expected);
  });

  it('without a coolant column cannot be sent until one is named', async () => {
    await go(`${await jobHref('QH-03')}/import`);
    await choose(
      file(
        'nocoolant.csv',
        `time,rpm,T1\n${Array.from({ length: 200 }, (_, i) => `${i},800,${20 + i / 4}`).join('\n')}\n`
      )
    );
    expect(await textOf('main')).toContain('No coolant temperature column among');
    expect(await (await button('Import and judge')).isEnabled()).toBe(false);
    await pick('What T1 is', 'Coolant (ECT)');
    expect(await (await button('Import and judge')).isEnabled()).toBe(true);
  });

  it('with a broken row is refused by line, keeps the columns, and goes in without it when told so', async () => {
    const runs = await server.db.runs.count();
    await go(`${await jobHref('QH-03')}/import`);
    const rows = Array.from({ length: 300 }, (_, i) =>
      i === 150 ? `${i},800,warm` : `${i},800,${20 + i / 5}`
    );
    await choose(file('broken.csv', `time,rpm,T1\n${rows.join('\n')}\n`));
    await pick('What T1 is', 'Coolant (ECT)');
    await (await button('Import and judge')).click();
    expect(await textOf('[role=alert]')).toMatch(/Line 152 T1 “warm” is not a reading/);
    expect(await server.db.runs.count()).toBe(runs);
    expect(await picked('What T1 is')).toBe('Coolant (ECT)');
    await (await see(driver, By.css('[role=alert] [role=checkbox]'))).click();
    await (await button('Import and judge')).click();
    await driver.wait(until.urlContains('?run='), WAIT_MS);
    expect(await server.db.runs.count()).toBe(runs + 1);
  });

  it('loses nothing when the server is gone: the columns stay, and a second try goes through once', async () => {
    const runs = await server.db.runs.count();
    await go(`${await jobHref('QH-07')}/import`);
    await choose(resolve('demo/runs/qh-07-post-round.csv'));
    await see(driver, withText('h2', 'How the columns were understood'));
    await server.stop();
    await (await button('Import and judge')).click();
    expect(await textOf('[role=alert]')).toContain('The server does not answer');
    await server.start();
    await (await button('Import and judge')).click();
    await driver.wait(until.urlContains('?run='), WAIT_MS);
    expect(await server.db.runs.count()).toBe(runs + 1);
  });
});

it('a vehicle whose earlier work cannot be looked up is not taken for one without any, and it is looked up when the server is back', async () => {
  await go('/jobs/new');
  await server.stop();
  await (await button('QH-26')).click();
  await see(driver, withText('aside', 'The server is away: not known.'));
  await server.start();
  await see(driver, withText('aside', 'Codes for the coolant sensor'));
});

describe('a spec sheet', () => {
  const open = async (fleetNo: string) => {
    await go('/vehicles');
    await (await see(driver, withText('a', fleetNo))).click();
    await (await see(driver, withText('a', 'Edit the sheet'))).click();
    await see(driver, withText('h1', 'Spec sheet'));
  };

  it('takes temperatures in the unit they are typed in, and is undone', async () => {
    await open('QH-03');
    await type('Starts to open', '190F');
    expect(await textOf('main')).toContain('= 87.8 °C');
    await (await button('Save the sheet')).click();
    await see(driver, withText('dd', '87.8 °C'));
    await (await button('Undo')).click();
    await driver.wait(until.elementLocated(By.xpath('//dd[normalize-space(.)="86 °C"]')), WAIT_MS);
  });

  it('takes a tightening value, says what the change changes, and shows it on the vehicle', async () => {
    await open('QH-03');
    await type('Water pump', '18 lbf·ft');
    const changes = await see(driver, By.css('[aria-label="What changes"]'));
    expect(await changes.getText()).toMatch(/tightening: .* → .*Water pump 24 N·m/);
    await (await button('Save the sheet')).click();
    await see(driver, withText('dd', '24 N·m'));
    await (await button('Undo')).click();
    await driver.wait(
      async () => (await driver.findElements(By.xpath('//dd[contains(., "24 N·m")]'))).length === 0,
      WAIT_MS
    );
  });

  it('is refused with the field named where full-open is below start-to-open, and nothing is lost', async () => {
    await open('QH-14');
    const input = await type('Fully open', '80');
    await (await button('Save the sheet')).click();
    expect(await textOf('[role=alert]')).toContain('full-open is 80 °C, not above start-to-open at 88 °C');
    expect(await input.getAttribute('value')).toBe('80');
    expect(await input.getAttribute('aria-invalid')).toBe('true');
  });

  it('of an unknown version is refused with both numbers', async () => {
    await open('QH-14');
    const sheet = JSON.parse(readFileSync('demo/specs/qh-14-pip.spec.json', 'utf8'));
    await choose(file('new.spec.json', JSON.stringify({ ...sheet, version: 4 })));
    expect(await textOf('[role=alert]')).toMatch(/version is 4; .*version 1/);
  });
});

describe('hands and eyes', () => {
  it('finds a job by keyboard alone, shows its keys, and zooms the trace', async () => {
    await go('/');
    const body = await driver.findElement(By.css('body'));
    await body.sendKeys('f');
    await (await driver.switchTo().activeElement()).sendKeys('harbour');
    await driver.wait(async () => (await driver.findElements(By.css('a[data-job]'))).length === 1, WAIT_MS);
    await (await driver.switchTo().activeElement()).sendKeys(Key.TAB, Key.TAB, Key.TAB, Key.ENTER);
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    await painted(driver);
    await (await driver.findElement(By.css('body'))).sendKeys('?');
    expect(await textOf('[role=dialog]')).toContain('Zoom in on the trace');
    await (await driver.switchTo().activeElement()).sendKeys(Key.ESCAPE);
    await driver.wait(async () => (await driver.findElements(By.css('[role=dialog]'))).length === 0, WAIT_MS);
    await (await driver.findElement(By.css('body'))).sendKeys('+');
    await button('Whole run');
    await (await see(driver, By.css('[role=group][tabindex="0"]'))).sendKeys(Key.ARROW_RIGHT);
    expect(await textOf('p.reading[aria-live=polite]')).toMatch(/°C.*expected/s);
  });

  it.each([
    [768, 1024],
    [1280, 800],
    [1920, 1080]
  ])('never scrolls sideways at %d × %d', async (width, height) => {
    await viewport(driver, width, height);
    for (const path of [
      '/',
      await jobHref('QH-11'),
      `${await jobHref('QH-11')}/import`,
      '/vehicles',
      '/jobs/new'
    ]) {
      await go(path);
      expect(
        await driver.executeScript('return document.documentElement.scrollWidth - innerWidth'),
        path
      ).toBeLessThanOrEqual(0);
    }
    await viewport(driver, 1280, 800);
  });

  it('has no accessibility faults that a machine can find, by day and by night', async () => {
    await go('/vehicles');
    const vehicle = await driver.executeScript<string>(
      'return document.querySelector("tbody a").getAttribute("href")'
    );
    for (const path of [
      '/',
      await jobHref('QH-03'),
      `${await jobHref('QH-03')}/import`,
      '/vehicles',
      '/vehicles/new',
      vehicle,
      `${vehicle}/sheet`,
      '/jobs/new'
    ]) {
      for (const theme of ['day', 'night'] as const) {
        await go(path);
        expect(await faultsByAxe(driver, theme), `${path} by ${theme}`).toEqual([]);
      }
    }
  });

  it('answers a page that is not there in words', async () => {
    await go('/jobs/99999');
    expect(await textOf('main')).toContain('There is no job 99999');
  });

  it('sends a strict content policy and reports its health', async () => {
    const response = await fetch(`${server.address}/`);
    expect(response.headers.get('content-security-policy')).toMatch(
      /default-src 'self'.*script-src 'self' 'nonce-/
    );
    expect(await (await fetch(`${server.address}/health`)).json()).toEqual({ status: 'ok' });
  });
});
