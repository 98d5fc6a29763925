import { randomUUID } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { By, Key, until } from 'selenium-webdriver';
import { PRECAUTION_IDS } from '../../src/core/practice/danger';
import { alive, openBrowser, painted, viewport } from './browser';

/**
 * Pictures of the main views from a running Pyrethos with the demo data.
 *   npm run screenshots -- [address] [folder] [only-this-view]
 */
const [address = 'http://127.0.0.1:5180', folder = 'docs/screenshots', only] = process.argv.slice(2);

const jobOf = (fleetNo: string) =>
  `[...document.querySelectorAll('a[data-job]')].find((a) => a.textContent.includes('${fleetNo}'))?.href`;

const { driver, close } = await openBrowser();
mkdirSync(folder, { recursive: true });

async function go(path: string): Promise<void> {
  await driver.get(path.startsWith('http') ? path : `${address}${path}`);
  await alive(driver);
  await driver.executeScript('return document.fonts.ready.then(() => true)');
}

const save = (name: string, png: string) =>
  writeFileSync(join(folder, `${name}.png`), Buffer.from(png, 'base64'));

async function pictureIn(theme: 'day' | 'night'): Promise<string> {
  await driver.executeScript(
    `document.documentElement.dataset.theme = '${theme}'; dispatchEvent(new Event('themechange'))`
  );
  await driver.executeAsyncScript(
    'const done = arguments[arguments.length - 1]; requestAnimationFrame(() => requestAnimationFrame(done))'
  );
  return driver.takeScreenshot();
}

async function shoot(name: string, theme: 'day' | 'night' = 'day'): Promise<void> {
  save(name, await pictureIn(theme));
}

/** One picture, its left half by day and its right half by night, of the view as it is then. Leaves the page. */
async function shootHalves(name: string, between: () => Promise<void> = async () => {}): Promise<void> {
  const day = await pictureIn('day');
  await between();
  const night = await pictureIn('night');
  await driver.get('about:blank');
  await driver.executeAsyncScript(
    `const [day, night, done] = arguments;
     document.body.style.margin = 0;
     document.body.innerHTML = '<img style="position:absolute"><img style="position:absolute;clip-path:inset(0 0 0 50%)">';
     const images = [...document.images];
     images[0].src = 'data:image/png;base64,' + day;
     images[1].src = 'data:image/png;base64,' + night;
     Promise.all(images.map((i) => i.decode())).then(done);`,
    day,
    night
  );
  save(name, await driver.takeScreenshot());
}

async function openJob(fleetNo: string, query = ''): Promise<void> {
  await go('/');
  await go((await driver.executeScript<string>(`return ${jobOf(fleetNo)}`)) + query);
  if (!query) await painted(driver);
}

/** A check's sheet with readings in it: those that were saved last. */
async function sheetOf(fleetNo: string, check: string): Promise<void> {
  await openJob(fleetNo, `?check=${check}`);
  const [correct] = await driver.findElements(By.xpath('//button[normalize-space(.)="Correct"]'));
  await correct?.click();
  await shoot(`check-${check}`);
}

const VIEWS: Record<string, () => Promise<void>> = {
  day: async () => {
    await go('/');
    await shoot('day');
  },
  job: async () => {
    await openJob('QH-11');
    await shoot('job');
    await openJob('QH-26');
    await driver.wait(until.elementLocated(By.css('[data-suspect]')), 20_000);
    await driver.executeScript(
      'document.querySelector("[data-suspect] details").open = true; document.querySelector("[aria-label=Suspects]").scrollIntoView({ block: "center" })'
    );
    await shoot('suspects', 'night');
  },
  phone: async () => {
    await viewport(driver, 390, 844);
    await openJob('QH-11');
    await shoot('job-phone');
    await viewport(driver, 1280, 800);
  },
  report: async () => {
    await go('/jobs/3/report');
    await shoot('report');
  },
  numbers: async () => {
    await go('/numbers');
    await driver.wait(until.elementLocated(By.css('canvas')), 20_000);
    await shoot('numbers', 'night');
  },
  fleet: async () => {
    await go('/fleet');
    await shoot('fleet');
  },
  finish: async () => {
    // The minibus, whose repair is proven.
    await go('/jobs/3/finish');
    await shoot('finish');
  },
  // A log of any reader, with its columns understood. It is not sent.
  import: async () => {
    await openJob('QH-26', '/import');
    await driver
      .findElement(By.css('input[type=file]'))
      .sendKeys(resolve('tests/browser/files/any-logger.csv'));
    await driver.wait(until.elementLocated(By.css('[aria-label="Columns"]')), 10_000);
    await driver.executeScript('scrollTo(0, 0)');
    await shootHalves('import');
  },
  board: async () => {
    await go('/board');
    await driver.wait(until.elementLocated(By.css('[data-people] [data-block]')), 20_000);
    await shoot('board');
  },
  // A simulated engine that overheats: its climb, then the alarm. The run is undone afterwards.
  live: async () => {
    await openJob('QH-17', '/live');
    const choose = async (label: string, option: string) => {
      await driver.findElement(By.xpath(`//p[.="${label}"]/following::button[1]`)).click();
      await driver
        .wait(until.elementLocated(By.xpath(`//*[@role="option"][normalize-space(.)="${option}"]`)), 10_000)
        .click();
    };
    await choose('Hidden fault', 'Thermostat stuck closed');
    await choose('Drive', 'ridge');
    for (const label of ['Severity', 'Clock'])
      await driver
        .findElement(By.xpath(`//p[starts-with(., "${label}")]/following::*[@role="slider"][1]`))
        .sendKeys(Key.END);
    await driver.findElement(By.xpath('//button[.="Understood"]')).click();
    await driver
      .wait(until.elementLocated(By.xpath('//button[contains(., "Start recording")]')), 10_000)
      .click();
    await driver.wait(until.elementLocated(By.css('[data-live="recording"]')), 15_000);
    await driver.wait(
      async () =>
        Number(
          await driver.executeScript('return document.querySelector("[data-coolant]")?.dataset.coolant ?? 0')
        ) > 74,
      60_000
    );
    await shoot('live');
    await driver.wait(until.elementLocated(By.css('[data-alarm]')), 90_000);
    await shoot('live-alarm');
    await driver.findElement(By.xpath('//button[contains(., "Mute")]')).click();
    await driver.findElement(By.xpath('//button[contains(., "Stop recording")]')).click();
    await driver
      .wait(until.elementLocated(By.xpath('//button[contains(., "Stop and get")]')), 10_000)
      .click();
    await driver.wait(until.urlContains('?run='), 60_000);
  },
  intake: async () => {
    await go('/jobs/new');
    await driver.findElement(By.css('input[type=search]')).sendKeys('QH-11', Key.ENTER);
    for (const word of ['Climbs or reads high', 'at idle', 'crawling', 'Cuts out'])
      await driver.findElement(By.xpath(`//button[normalize-space(.)="${word}"]`)).click();
    await driver.executeScript('scrollTo(0, 0); document.activeElement.blur()');
    await driver.executeScript('localStorage.clear()');
    await shootHalves('intake');
  },
  checks: async () => {
    await sheetOf('Gauge always low', 'temperature-map');
  },
  // A ladder as it is typed: a contact in series. It is not saved.
  ladder: async () => {
    await openJob('QH-09', '?check=ect-ladder');
    const [understood] = await driver.findElements(By.xpath('//button[normalize-space(.)="Understood"]'));
    await understood?.click();
    await driver.wait(
      () => driver.executeScript('return document.querySelector("form.card")?.inert === false'),
      10_000
    );
    const first = By.xpath('//label[normalize-space(.)="True temperature"]/following::input[1]');
    const points = [
      [15, 3463],
      [40, 1424],
      [62, 740],
      [78, 493],
      [90, 391]
    ];
    for (const [i, [celsius, ohm]] of points.entries()) {
      await driver.findElement(first).sendKeys(String(celsius), Key.TAB);
      await driver.switchTo().activeElement().sendKeys(String(ohm), Key.ENTER);
      await driver.wait(
        async () => (await driver.findElements(By.css('form tbody tr'))).length === i + 1,
        10_000
      );
    }
    await driver.executeScript('scrollTo(0, 0); document.activeElement.blur()');
    await shoot('check-ect-ladder');
    await driver.executeScript('localStorage.clear()');
  },
  sensor: async () => {
    await go('/sensor?of=vehicle:QH-03&across=1000');
    await shoot('sensor');
  },
  // A practice: what there is to see at its first check, and its review.
  practice: async () => {
    await go('/practice');
    await driver.manage().addCookie({ name: 'who', value: encodeURIComponent('Pell Harrow') });
    const id = randomUUID();
    const post = (path: string, body: object) =>
      driver.executeAsyncScript(
        `const [path, body, done] = arguments;
         fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body }).then(done, done);`,
        path,
        JSON.stringify(body)
      );
    const move = (of: object) => post(`/api/practice/${id}`, { id: randomUUID(), move: of });
    const check = (of: string) => move({ kind: 'check', check: of, careful: PRECAUTION_IDS });
    const sense = async () => {
      await go(`/practice/${id}`);
      const seen = await driver.executeScript<string[]>(
        'return [...document.querySelectorAll("[data-sight]")].map((e) => e.dataset.sight)'
      );
      await move({ kind: 'sense', as: Object.fromEntries(seen.map((s) => s.split(' '))) });
    };
    await post('/api/practice', { id, caseId: 'green-pin' });
    await check('level-and-look');
    await go(`/practice/${id}`);
    await driver.executeScript('document.getElementById("hands").scrollIntoView()');
    await shootHalves('practice', async () => {
      await sense();
      await check('cold-agreement');
      await check('hose-rush');
      await sense();
      await check('warm-up-run');
      await move({
        kind: 'believe',
        shares: [
          { fault: 'thermostat-stuck-open', share: 0.8 },
          { fault: 'ect-reads-cold', share: 0.1 }
        ]
      });
      await move({ kind: 'repair', repairs: ['thermostat'] });
      await move({ kind: 'finish' });
      await go(`/practice/${id}`);
      await driver.wait(until.elementLocated(By.css('[data-points]')), 20_000);
    });
  },
  'what-if': async () => {
    await go('/vehicles');
    await go(
      await driver.executeScript<string>(
        `return [...document.querySelectorAll('tbody a')].find((a) => a.textContent.includes('QH-11')).href`
      )
    );
    await go(`${await driver.getCurrentUrl()}/what-if`);
    await shoot('what-if');
  },
  vehicles: async () => {
    await go('/vehicles');
    await go(await driver.executeScript<string>('return document.querySelector("tbody a").href'));
    await shoot('vehicle');
  }
};

try {
  for (const [name, view] of Object.entries(VIEWS)) if (!only || only === name) await view();
} finally {
  await close();
}
