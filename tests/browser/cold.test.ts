import { resolve } from 'node:path';
import { By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { beforeEach, describe, expect, it } from 'vitest';
import { append } from '../../src/lib/server/record/record';
import { useApp } from './app';
import { alive, faultsByAxe, readOf, see, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, inputOf, type, pick, newJob } = useApp((s, d) => ([server, driver] = [s, d]));

const active = () => driver.switchTo().activeElement();
const body = () => driver.findElement(By.css('body'));
const outcome = () => readOf(driver, '[data-outcome]', (e) => e.getAttribute('data-outcome'));
/** Takes the cautions as understood; the sheet under them opens when that is written down. */
const understood = async () => {
  await (await button('Understood')).click();
  await driver.wait(
    () => driver.executeScript('return document.querySelector("form.card")?.inert === false'),
    WAIT_MS,
    'the sheet never opened'
  );
};
/** How a check stands on the heat line. */
const onLine = (id: string, result: string) =>
  see(driver, By.css(`[data-check="${id}"][data-result="${result}"]`));
/** Presses Tab until what has the focus answers to the test, as a hand without a mouse does. */
async function tabTo(wanted: (el: WebElement) => Promise<boolean>, most = 80): Promise<WebElement> {
  for (let i = 0; i < most; i++) {
    const here = await active();
    if (await wanted(here)) return here;
    await here.sendKeys(Key.TAB);
  }
  throw new Error('the focus never got there');
}
const says = (text: string) => async (el: WebElement) =>
  (await el.getText()).trim().startsWith(text) || (await el.getAccessibleName()).startsWith(text);

const jobId = async (path: string) =>
  (await server.db.jobs.findOne({ where: { number: Number(path.split('/')[2]) } }))!.id;
const recorded = async (path: string, kind: string) =>
  server.db.events.count({ where: { stream: `job:${await jobId(path)}`, kind } });

describe('a job by keyboard alone', () => {
  let job: string;

  it('is opened from the complaint, with a code and when the engine last ran', async () => {
    await go('/');
    await (await body()).sendKeys('n');
    await driver.wait(until.urlContains('/jobs/new'), WAIT_MS);
    await alive(driver);
    await see(driver, By.css('input[aria-label="Find the vehicle"]'));
    await tabTo(says('Find the vehicle'));
    await (await active()).sendKeys('QH-28', Key.ENTER);
    expect(await (await see(driver, By.css('[data-picked]'))).getAttribute('data-picked')).toBe('QH-28');
    expect(await textOf('aside')).toContain('Grinds at idle');
    await (await tabTo(says('Climbs or reads high'))).sendKeys(Key.SPACE);
    await (await tabTo(says('crawling'))).sendKeys(Key.SPACE);
    await (await tabTo(says('In the driver'))).sendKeys('Hot at the fish market');
    await (await tabTo(says('Codes'))).sendKeys('engine too hot', Key.ENTER);
    await see(driver, withText('li', 'Holds power back'));
    await (await tabTo(says('Last evening'))).sendKeys(Key.SPACE);
    await (await active()).sendKeys(Key.chord(Key.CONTROL, Key.ENTER));
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    job = new URL(await driver.getCurrentUrl()).pathname;
    expect(await textOf('main header')).toContain('Gauge: climbs or reads high, crawling');
    await onLine('codes', 'fail');
    expect(await textOf('[data-phase]')).toContain('Cold-soaked');
  });

  it('goes to three judged cold checks, each by N from the plan', async () => {
    const next = async () => {
      await (await body()).sendKeys('n');
      await see(driver, By.css('form.card'));
    };
    const cautioned = async () => {
      const warned = await driver.findElements(By.css('section[aria-label="Cautions"]'));
      if (warned.length === 0) return;
      await (await tabTo(says('Understood'))).sendKeys(Key.ENTER);
      await driver.wait(until.stalenessOf(warned[0]), WAIT_MS);
    };
    const write = async () => {
      await (await active()).sendKeys(Key.chord(Key.CONTROL, Key.ENTER));
      await see(driver, By.css('[data-phase]'));
    };
    const done = new Set<string>();
    for (let i = 0; i < 4 && done.size < 3; i++) {
      const id = await (await see(driver, By.css('[aria-label="Next check"] strong'))).getText();
      await next();
      await cautioned();
      if (id === 'Soak') {
        await (await tabTo(says('Overnight'))).sendKeys(Key.SPACE);
        await (await tabTo(says('Ambient'))).sendKeys('41F');
        expect(await outcome()).toBe('pass');
      } else if (id === 'Level and look') {
        await (await tabTo(says('The rest is good'))).sendKeys(Key.SPACE);
        expect(await outcome()).toBe('pass');
      } else if (id === 'Cold agreement') {
        await (await tabTo(says('ECT'))).sendKeys('-7');
        await (await tabTo(says('Sensor housing'))).sendKeys('40.6 F');
        expect(await outcome()).toBe('fail');
      } else if (id === 'Clutch, first turn cold') {
        await (await tabTo(says('No drag'))).sendKeys(Key.SPACE);
        expect(await outcome()).toBe('fail');
      } else if (id === 'Clutch play') {
        await (await tabTo(says('Movement at the blade tip'))).sendKeys('9');
        await (await tabTo(says('Nothing moves'))).sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN);
        await (await tabTo(says('Smooth'))).sendKeys(Key.SPACE);
        expect(await outcome()).toBe('fail');
      } else throw new Error(`not a cold check: ${id}`);
      await write();
      done.add(id);
    }
    expect(done.size).toBe(3);
    expect(await recorded(job, 'check.recorded')).toBe(4);
    expect(await recorded(job, 'caution.acknowledged')).toBeGreaterThan(0);
  });

  it('is undone and brought back by key, and nothing is erased', async () => {
    await go(job);
    const judged = async () => (await driver.findElements(By.css('[data-check][data-result]'))).length;
    const before = await judged();
    await (await body()).sendKeys('u');
    await driver.wait(async () => (await judged()) === before - 1, WAIT_MS);
    await (await body()).sendKeys('r');
    await driver.wait(async () => (await judged()) === before, WAIT_MS);
    expect(await recorded(job, 'undo')).toBe(2);
    await driver.executeScript('document.querySelector("details.card").open = true');
    expect(await textOf('details ol')).toContain('Opened: Hot at the fish market');
  });

  it('walks the heat line with the arrows', async () => {
    const chip = await see(driver, By.css('[data-stretch="0"] button'));
    await driver.executeScript('arguments[0].focus()', chip);
    await chip.sendKeys(Key.ARROW_DOWN);
    expect(await (await active()).getAttribute('data-check')).not.toBe(await chip.getAttribute('data-check'));
    await (await active()).sendKeys(Key.ARROW_RIGHT);
    const stretch = await driver.executeScript(
      'return document.activeElement.closest("[data-stretch]").dataset.stretch'
    );
    expect(Number(stretch)).toBeGreaterThan(0);
  });
});

describe('readings under wrong conditions', () => {
  it('are void for lack of soak, kept, with the hour from which they would count', async () => {
    const job = await newJob('QH-11');
    await go(`${job}?check=soak`);
    await (await button('2 h')).click();
    await type('Coolant when it stopped', '92');
    await type('Ambient', '10');
    expect(await outcome()).toBe('fail');
    await (await button('Save reading')).click();
    await onLine('soak', 'fail');
    await go(`${job}?check=cold-agreement`);
    await understood();
    await type('ECT', '38');
    await type('Sensor housing', '35');
    expect(await outcome()).toBe('void');
    expect(await textOf('[data-outcome]')).toMatch(
      /still above ambient.*\n?.*Cold readings count from .*\d{1,2}:\d\d/s
    );
    await (await button('Save reading')).click();
    const chip = await onLine('cold-agreement', 'void');
    expect(await chip.getText()).toMatch(/Void: too warm, counts\s+from/);
    expect(await textOf('[data-phase]')).toContain('Cooling');
  });

  it('that cannot be are refused with the limit, unlikely ones asked about once, and what was typed stays', async () => {
    const job = await newJob('QH-11');
    await go(`${job}?check=soak`);
    await (await button('8 h')).click();
    const ambient = await inputOf('Ambient');
    await ambient.sendKeys(Key.chord(Key.CONTROL, 'a'), '-300');
    await (await button('Save reading')).click();
    expect(await textOf('[role=alert]')).toContain('cannot be; type -60 to 80');
    expect(await ambient.getAttribute('value')).toBe('-300');
    await ambient.sendKeys(Key.chord(Key.CONTROL, 'a'), '46');
    await (await button('Save reading')).click();
    expect(await textOf('[role=alert]')).toContain('outside what a yard usually sees');
    expect(await recorded(job, 'check.recorded')).toBe(0);
    await (await button('Yes, keep it')).click();
    await onLine('soak', 'pass');
    const [event] = await server.db.events.findAll({
      where: { stream: `job:${await jobId(job)}`, kind: 'check.recorded' }
    });
    expect((event.payload as { confirmed: string[] }).confirmed).toHaveLength(1);
  });

  it('contradict the record in plain sight and are not blocked', async () => {
    const job = await newJob('QH-09');
    await go(job);
    await go(`${job}?check=soak`);
    await (await button('A day')).click();
    await type('Ambient', '5');
    await (await button('Save reading')).click();
    await onLine('soak', 'pass');
    await go(`${job}?check=cold-agreement`);
    await understood();
    await type('ECT', '70');
    await type('Ambient', '6');
    expect(await textOf('section[aria-label=Judgement]')).toContain(
      'either it ran since, or the reading is wrong'
    );
    expect(await outcome()).toBe('fail');
  });

  it('are held back while the engine runs, and let in once it is stopped', async () => {
    const job = await newJob('QH-05');
    await go(job);
    await (await button('Engine started')).click();
    await see(driver, By.css('[data-phase="warming"]'));
    await go(`${job}?check=clutch-play`);
    await (await button('Understood')).click();
    await see(driver, By.css('[data-held]'));
    expect(await driver.executeScript('return document.querySelector("form.card").inert')).toBe(true);
    await (await button('Engine stopped, key removed')).click();
    await driver.wait(
      () => driver.executeScript('return !document.querySelector("form.card").inert'),
      WAIT_MS
    );
    await go(`${job}?check=cap-test`);
    await (await button('Understood')).click();
    expect(await textOf('[data-held]')).toContain('The cap stays shut until');
  });

  it('of checks this vehicle cannot have are not offered', async () => {
    await go(await newJob('QH-03'));
    expect(await driver.findElements(By.css('[data-check="clutch-cold-turn"]'))).toHaveLength(0);
    await (await see(driver, withText('summary', 'not applicable'))).click();
    expect(await textOf('[aria-label="Heat line"] details p')).toContain(
      'Clutch, first turn cold: no fan clutch'
    );
  });
});

/** What this browser keeps for the server. */
const kept = (d: WebDriver) =>
  d.executeAsyncScript<unknown[]>(`
    const done = arguments[0];
    const open = indexedDB.open('pyrethos', 1);
    open.onsuccess = () => {
      const all = open.result.transaction('outbox').objectStore('outbox').getAll();
      all.onsuccess = () => { open.result.close(); done(all.result); };
    };
    open.onerror = () => done([]);
  `);

describe('no reading is lost', () => {
  it('when the server is away: entries wait, are seen, and arrive once each', async () => {
    const job = await newJob('QH-19');
    await go(job);
    await (await button('Engine started')).click();
    await see(driver, By.css('[data-phase="warming"]'));
    await server.stop();
    await (await button('Engine stopped')).click();
    await see(driver, By.css('[data-phase="hot"], [data-phase="cooling"], [data-phase="cold"]'));
    await (await button('more checks')).click();
    await (await see(driver, By.css('[data-check="clutch-play"]'))).click();
    await understood();
    await type('Movement at the blade tip', '9');
    await (await button('Nothing moves')).click();
    await (await button('Rough')).click();
    await (await button('Save reading')).click();
    await (await button('Yes, keep it')).click();
    await onLine('clutch-play', 'fail');
    await (await see(driver, By.css('input[placeholder^="Write a note"]'))).sendKeys('Lamp battery flat');
    await (await button('Add the note')).click();
    await driver.wait(
      async () =>
        Number(await (await see(driver, By.css('[data-waiting]'))).getAttribute('data-waiting')) === 4,
      WAIT_MS
    );
    await (await see(driver, By.css('[data-waiting]'))).click();
    expect(await textOf('[role=dialog]')).toContain('Clutch play');
    await (await active()).sendKeys(Key.ESCAPE);
    expect(await recorded(job, 'check.recorded')).toBe(0);
    await server.start();
    await driver.wait(async () => (await driver.findElements(By.css('[data-waiting]'))).length === 0, 40_000);
    expect(await recorded(job, 'check.recorded')).toBe(1);
    expect(await recorded(job, 'caution.acknowledged')).toBe(1);
    expect(await recorded(job, 'job.noted')).toBe(1);
    expect(await recorded(job, 'engine.noted')).toBe(2);
  });

  it('when the page asks for its data while the server is away: what is on the screen stays until it comes', async () => {
    await go('/vehicles/new');
    await type('Fleet number', 'QH-61');
    await server.stop();
    await see(driver, By.css('[data-waiting]'));
    await (await see(driver, By.css('button[aria-label^="Units:"]'))).click();
    await (await button('US')).click();
    await driver.actions().sendKeys(Key.ESCAPE).perform();
    await driver.wait(
      () =>
        driver.executeScript(
          "return performance.getEntriesByType('resource').some((r) => r.name.includes('__data.json'))"
        ),
      WAIT_MS
    );
    const thermostat = () => inputOf('Number on the thermostat');
    const unit = async () => (await thermostat()).findElement(By.xpath('..')).getText();
    expect(await unit()).toContain('°C');
    await server.start();
    await driver.wait(async () => (await unit()).includes('°F'), WAIT_MS);
    expect(await (await inputOf('Fleet number')).getAttribute('value')).toBe('QH-61');
    await driver.manage().deleteCookie('units');
  });

  it('when an entry is refused while nobody looks: it is mended, and goes with what rested on it', async () => {
    await go('/vehicles/new');
    await type('Fleet number', 'QH-91');
    await type('Vehicle', 'Kvesta Scoot 1.2');
    await server.stop();
    await (await button('Add the vehicle')).click();
    await driver.wait(async () => (await kept(driver)).length === 2, WAIT_MS);
    // Meanwhile somebody else gives that number to another vehicle.
    await append(server.db, {
      id: crypto.randomUUID(),
      stream: `vehicle:${crypto.randomUUID()}`,
      at: new Date().toISOString(),
      who: 'Tobin Skarre',
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-91', name: 'Lundmar Drover' }
    });
    await server.start();
    await go('/');
    const sign = await see(driver, By.xpath('//button[@data-waiting][contains(., "2 refused")]'));
    await sign.click();
    const entry = By.css('[data-refused] input');
    expect(await textOf('[data-refused]')).toContain('another vehicle already has this fleet number');
    await (await see(driver, entry)).sendKeys(Key.chord(Key.CONTROL, 'a'), 'QH-92');
    await (await button('Send again')).click();
    await driver.wait(async () => (await kept(driver)).length === 0, WAIT_MS);
    const row = await server.db.vehicles.findOne({ where: { fleetNo: 'QH-92' }, rejectOnEmpty: true });
    expect(row.specSheetId).not.toBeNull();
  });

  it('when the page is loaded anew in the middle of a sheet', async () => {
    const job = await newJob('QH-11');
    await go(`${job}?check=clutch-play`);
    await understood();
    await type('Movement at the blade tip', '4.5');
    await (await button('Only the blade bends')).click();
    await go(`${job}?check=clutch-play`);
    expect(await (await inputOf('Movement at the blade tip')).getAttribute('value')).toBe('4.5');
    expect(await (await button('Only the blade bends')).getAttribute('aria-checked')).toBe('true');
  });

  it('when two windows work on one job: both see everything', async () => {
    const job = await newJob('QH-05');
    await go(job);
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('window');
    const second = await driver.getWindowHandle();
    await go(job);
    const noteIn = async (window: string, text: string) => {
      await driver.switchTo().window(window);
      await (await see(driver, By.css('input[placeholder^="Write a note"]'))).sendKeys(text);
      await (await button('Add the note')).click();
    };
    const sees = async (window: string, text: string) => {
      await driver.switchTo().window(window);
      await driver.executeScript('document.querySelector("details.card").open = true');
      await see(driver, withText('li', text));
    };
    await noteIn(first, 'Belt squeals');
    await noteIn(second, 'Shroud is cracked');
    for (const window of [first, second]) {
      await sees(window, 'Belt squeals');
      await sees(window, 'Shroud is cracked');
    }
    await driver.switchTo().window(second);
    await driver.close();
    await driver.switchTo().window(first);
    expect(await recorded(job, 'job.noted')).toBe(2);
  });
});

describe('units, search, photos', () => {
  beforeEach(async () => {
    await driver.manage().deleteAllCookies();
  });

  it('shows everything in the units a person chose, and takes any', async () => {
    const job = await newJob('QH-11');
    await go(job);
    await (await see(driver, By.css('button[aria-label^="Units"]'))).click();
    await pick('Unit of temperature', '°F');
    await go(`${job}?check=soak`);
    await (await button('2 h')).click();
    await type('Ambient', '50');
    await type('Coolant when it stopped', '92 C');
    // A 2.2 L engine: 82 °C above ambient · e^(−2 / 2.2) = 33.0 °C, which is 59.4 °F.
    expect(await textOf('[data-outcome]')).toMatch(/at 198\s°F it is 59\s°F above ambient.*below 3\.6\s°F/);
    await (await button('Save reading')).click();
    await onLine('soak', 'fail');
    const [event] = await server.db.events.findAll({
      where: { stream: `job:${await jobId(job)}`, kind: 'check.recorded' }
    });
    expect((event.payload as { readings: object }).readings).toEqual({
      hoursStood: 2,
      lastC: 92,
      ambientC: 10
    });
  });

  it('finds jobs, vehicles, codes and checks from anywhere', async () => {
    await go('/');
    await (await body()).sendKeys('/');
    await see(driver, By.css('[role=dialog] input'));
    const find = async (text: string) => {
      await (await active()).sendKeys(Key.chord(Key.CONTROL, 'a'), text);
      return see(driver, By.css('[data-command-item]'));
    };
    await find('P0128');
    await see(driver, withText('*', 'Coolant stays below'));
    await find('blade tip');
    await find('grinds puddle');
    await driver.wait(async () => (await textOf('[data-command-item]')).includes('QH-28'), WAIT_MS);
    await (await active()).sendKeys(Key.ENTER);
    await driver.wait(until.urlMatches(/\/jobs\/\d+$/), WAIT_MS);
    await see(driver, withText('h1', 'QH-28'));
  });

  it('attaches a photo, and refuses what is no picture', async () => {
    const job = await newJob('QH-26');
    await go(job);
    const input = await driver.wait(
      until.elementLocated(By.css('section[aria-label=Photos] input[type=file]')),
      WAIT_MS
    );
    await input.sendKeys(resolve('tests/browser/files/any-logger.csv'));
    expect(await textOf('section[aria-label=Photos] [role=alert]')).toContain('no picture');
    await input.sendKeys(resolve('docs/screenshots/vehicle.png'));
    const image = await see(driver, By.css('section[aria-label=Photos] img'));
    await driver.wait(() => driver.executeScript('return arguments[0].naturalWidth > 0', image), WAIT_MS);
    expect(await recorded(job, 'photo.attached')).toBe(1);
    const file = await (await fetch(`${server.address}/api/jobs/${await jobId(job)}/job.json`)).json();
    expect(file.photos).toHaveLength(1);
    // The vehicle has it too: where a part sits is asked again at the next job.
    const { vehicleId } = (await server.db.jobs.findOne({ where: { number: Number(job.split('/')[2]) } }))!;
    await go(`/vehicles/${vehicleId}`);
    const images = By.css('section[aria-label=Photos] img');
    await see(driver, images);
    // A photo of its own, without any job, and taken away again.
    const own = await driver.findElement(By.css('section[aria-label=Photos] input[type=file]'));
    await own.sendKeys(resolve('docs/screenshots/sensor.png'));
    await driver.wait(async () => (await driver.findElements(images)).length === 2, WAIT_MS);
    await (await button('Take it away')).click();
    await driver.wait(async () => (await driver.findElements(images)).length === 1, WAIT_MS);
  });

  it('signs entries with who was picked at the top', async () => {
    const job = await newJob('QH-26');
    await go(job);
    const who = await see(driver, By.css('input[placeholder="Your name"]'));
    await who.sendKeys('Ysolt Brandy', Key.TAB);
    await (await see(driver, By.css('input[placeholder^="Write a note"]'))).sendKeys('Plug dried');
    await (await button('Add the note')).click();
    await driver.wait(async () => (await recorded(job, 'job.noted')) === 1, WAIT_MS);
    const [note] = await server.db.events.findAll({
      where: { stream: `job:${await jobId(job)}`, kind: 'job.noted' }
    });
    expect(note.who).toBe('Ysolt Brandy');
  });
});

describe('every view of the cold work', () => {
  it('has no accessibility faults that a machine can find, by day and by night', async () => {
    const job = await newJob('QH-11');
    const paths = [
      '/jobs/new',
      job,
      `${job}/intake`,
      ...[
        'soak',
        'codes',
        'level-and-look',
        'cold-agreement',
        'clutch-cold-turn',
        'clutch-play',
        'cap-test'
      ].map((id) => `${job}?check=${id}`)
    ];
    for (const path of paths)
      for (const theme of ['day', 'night'] as const) {
        await go(path);
        expect(await faultsByAxe(driver, theme), `${path} by ${theme}`).toEqual([]);
      }
  });
});
