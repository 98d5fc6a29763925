import { By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, readOf, see, viewport, WAIT_MS, withText } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, textOf, type, enter } = useApp((s, d) => ([server, driver] = [s, d]));

const BLOCK = '[data-people] [data-block]';
const blocks = () => driver.findElements(By.css(BLOCK));
const pinsOf = () => server.db.events.count({ where: { kind: 'task.pinned' } });
/** A block with room beside it: the last of somebody’s day. */
async function lastBlock(): Promise<WebElement> {
  await see(driver, By.css(BLOCK));
  const all = await blocks();
  const starts = await Promise.all(all.map(async (b) => Number(await b.getAttribute('data-start'))));
  return all[starts.indexOf(Math.max(...starts))];
}
const consequence = () => readOf(driver, '[data-consequence]', (e) => e.getText());
const settled = () =>
  driver.wait(
    async () => /late|not possible|no hour/i.test(await consequence()),
    WAIT_MS,
    'nothing was said of the move'
  );

/** A move to where it cannot be: dropped there, nothing happens. */
const isRefused = async () => (await consequence()).includes('Not possible');

describe('the board', () => {
  it('says in the morning who does what, when and where, with the heat of every engine', async () => {
    await viewport(driver, 1280, 800);
    await go('/board');
    await see(driver, By.css(BLOCK));
    const text = await textOf('[aria-label="Board"]');
    for (const name of [
      'Maren Oake',
      'Tobin Skarre',
      'Ysolt Brandy',
      'Pell Harrow',
      'Ione Varga',
      'Bay 2',
      'Bench'
    ])
      expect(text).toContain(name);
    const open = await server.db.jobs.findAll({ where: { state: 'open', active: true } });
    expect((await driver.findElements(By.css('[data-vehicle]'))).length).toBeGreaterThanOrEqual(
      open.length - 1
    );
    expect(await (await blocks())[0].getAttribute('aria-label')).toMatch(
      /^QH-\d\d .+, \d{1,2}:\d\d( [AP]M)?, \w+ \w+/
    );
    for (const theme of ['day', 'night'] as const)
      expect(await faultsByAxe(driver, theme), theme).toEqual([]);
  });

  it('is planned anew where something takes longer, and another window shows it without being asked', async () => {
    await go('/board');
    await see(driver, By.css(BLOCK));
    const task = (await (await blocks())[0].getAttribute('data-block'))!;
    const made = () => readOf(driver, '[aria-label="Board"]', (e) => e.getAttribute('data-made'));
    const before = await made();
    const number = Number(task.split(':')[0]);
    const { id } = await server.db.jobs.findOne({ where: { number }, rejectOnEmpty: true });
    // Somebody at another window.
    await enter(`job:${id}`, {
      kind: 'task.stretched',
      payload: { task: task.slice(task.indexOf(':') + 1), title: 'Longer', minutes: 41 }
    });
    await driver.wait(async () => (await made()) !== before, WAIT_MS, 'the board stayed as it was');
    // At this one.
    await readOf(driver, BLOCK, (e) => e.click());
    await type('Takes, min', '3000');
    await (await button('Plan anew')).click();
    await see(driver, withText('section', 'More than two days: split it'));
    await type('Takes, min', '1500');
    await (await button('Plan anew')).click();
    await see(driver, withText('section', 'It is longer than a working day'));
    await type('Takes, min', '20');
    await (await button('Plan anew')).click();
    await driver.wait(
      async () =>
        (await driver.findElements(By.css('[aria-label="Not planned"]'))).length === 0 ||
        !(await textOf('main')).includes('longer than a working day'),
      WAIT_MS
    );
  });

  it('tells what a move makes late before it is dropped, by keys, and takes it back', async () => {
    await go('/board');
    const block = await lastBlock();
    const before = await pinsOf();
    await block.sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT);
    await settled();
    expect(await pinsOf()).toBe(before);
    await block.sendKeys(Key.ESCAPE);
    await driver.wait(async () => (await consequence()) === '', WAIT_MS);
    // Where it is possible depends on the hour of the day: the first place that is.
    for (const key of [
      Key.ARROW_RIGHT,
      Key.ARROW_RIGHT,
      Key.ARROW_UP,
      Key.ARROW_DOWN,
      Key.ARROW_LEFT,
      Key.ARROW_LEFT
    ]) {
      await block.sendKeys(key);
      await settled();
      if (!(await isRefused())) break;
    }
    const refused = await isRefused();
    await block.sendKeys(Key.ENTER);
    if (refused) return expect(await pinsOf()).toBe(before);
    await driver.wait(async () => (await pinsOf()) === before + 1, WAIT_MS);
    await (await button('Undo')).click();
    await driver.wait(async () => (await pinsOf()) === before + 2, WAIT_MS);
  });

  it('is moved by dragging, and what is dragged stays pinned where it was put', async () => {
    await go('/board');
    const block = await lastBlock();
    const before = await pinsOf();
    const task = await block.getAttribute('data-block');
    await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', block);
    await driver
      .actions()
      .move({ origin: block, x: 0, y: 0 })
      .press()
      .move({ origin: block, x: 12, y: 0 })
      .move({ origin: block, x: 30, y: 0 })
      .perform();
    await settled();
    expect(await pinsOf()).toBe(before);
    const refused = await isRefused();
    await driver.actions().release().perform();
    await driver.wait(async () => (await consequence()) === '', WAIT_MS, 'it was not put down');
    if (refused) return expect(await pinsOf()).toBe(before);
    await driver.wait(async () => (await pinsOf()) === before + 1, WAIT_MS, 'it was not pinned');
    const [pin] = await server.db.events.findAll({
      where: { kind: 'task.pinned' },
      order: [['at', 'DESC']],
      limit: 1
    });
    expect(task).toContain((pin.payload as { task: string }).task);
  });

  it('shows a technician on the phone what is now, what is next, and why', async () => {
    await viewport(driver, 390, 844);
    await go('/board');
    const name = await (await see(driver, By.css(BLOCK))).getAttribute('data-person');
    await go(`/board/day?who=${encodeURIComponent(name!)}`);
    const first = await see(driver, By.css('[data-mine]'));
    expect(await first.getText()).toMatch(/Now|Next/);
    expect(await textOf('h1')).toBe(name);
    const wide = await driver.executeScript(
      'return document.documentElement.scrollWidth - document.documentElement.clientWidth'
    );
    expect(wide).toBe(0);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    const calendar = await fetch(`${server.address}/api/board/calendar.ics?who=${encodeURIComponent(name!)}`);
    expect(calendar.headers.get('content-type')).toContain('text/calendar');
    expect(await calendar.text()).toContain('BEGIN:VEVENT');
    // A calendar program signs in nowhere: it is given an address, until that is ended.
    await (await button('Calendar')).click();
    await (await button('Make an address')).click();
    const address = await (await see(driver, By.css('[data-feed]'))).getText();
    const feed = await fetch(address);
    expect(await feed.text()).toContain('BEGIN:VEVENT');
    await (await button('End the address')).click();
    await see(driver, By.xpath('//*[@role="status"][contains(., "has ended")]'));
    expect((await fetch(address)).status).toBe(404);
    await viewport(driver, 1280, 800);
  });

  it('says in the evening which engines nobody touches', async () => {
    await go('/board/evening');
    expect(await textOf('h1')).toBe('Handover');
    const text = await textOf('article');
    expect(text).toContain('Engines tonight');
    const words = await driver.findElements(By.css('[data-evening]'));
    if (words.length > 0) expect(await words[0].getText()).toMatch(/Do not start it|Stop it by/);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
  });

  it('is for whom the shop says it has, and says which field is wrong', async () => {
    await viewport(driver, 1280, 800);
    await go('/shop');
    await (await button('A person')).click();
    const names = await driver.findElements(By.xpath('//label[normalize-space(.)="Name"]//input'));
    await names.at(-1)!.sendKeys('Odd Hand');
    const mondays = await driver.findElements(By.xpath('//label[normalize-space(.)="Monday"]//input'));
    await mondays.at(-1)!.sendKeys(Key.chord(Key.CONTROL, 'a'), '17:00-07:30');
    await (await button('Keep people and places')).click();
    await see(driver, withText('li', 'Odd Hand, Monday The end is later than the beginning'));
    await mondays.at(-1)!.sendKeys(Key.chord(Key.CONTROL, 'a'), '7:30-12:00');
    await (await button('Keep people and places')).click();
    await see(driver, withText('li', 'People and places kept'));
    await go('/board');
    await driver.wait(async () => (await textOf('[aria-label="Board"]')).includes('Odd Hand'), WAIT_MS);
  });
});
