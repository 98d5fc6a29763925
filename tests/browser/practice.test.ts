import { By, Key, until, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, see, viewport, WAIT_MS } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, textOf, pick } = useApp((s, d) => ([server, driver] = [s, d]));

const points = async () =>
  Number(await (await see(driver, By.css('[data-points]'))).getAttribute('data-points'));
/** Somebody at the bench, so that a practice is theirs. */
async function as(name: string) {
  await go('/practice');
  await driver.manage().addCookie({ name: 'who', value: encodeURIComponent(name) });
  await go('/practice');
}
const named = (title: string) =>
  see(driver, By.xpath(`//button[.//span[normalize-space(.)=${JSON.stringify(title)}]]`));
async function there() {
  await driver.wait(until.urlMatches(/practice\/[0-9a-f-]{36}/), WAIT_MS);
  await see(driver, By.css('[data-phase]'));
}
async function begin(title: string) {
  await (await named(title)).sendKeys(Key.ENTER);
  await there();
}
/** A check by its name, with what is seen to first. */
async function check(title: string, ...seenTo: string[]) {
  const before = (await driver.findElements(By.css('[data-done]'))).length;
  const chip = await see(
    driver,
    By.xpath(
      `//section[@aria-label="Heat line"]//button[starts-with(normalize-space(.), ${JSON.stringify(title)})]`
    )
  );
  await chip.sendKeys(Key.ENTER);
  for (const what of seenTo) await (await button(what)).sendKeys(Key.ENTER);
  await (
    await see(driver, By.xpath('//button[starts-with(normalize-space(.), "Do it,")]'))
  ).sendKeys(Key.ENTER);
  await driver.wait(
    async () =>
      (await driver.findElements(By.css('[data-done]'))).length > before ||
      (await driver.findElements(By.css('[data-points], [data-sense]'))).length > 0,
    WAIT_MS
  );
}
/** Says what there is to see, hear or feel at the check that was just done. */
async function sense(...says: string[]) {
  for (const what of says) await (await button(what)).sendKeys(Key.ENTER);
  const write = await see(driver, By.xpath('//button[starts-with(normalize-space(.), "Save reading")]'));
  await write.sendKeys(Key.ENTER);
  await driver.wait(until.stalenessOf(write), WAIT_MS);
}
/** Presses what can be pressed again once the last move is made. */
async function press(text: string) {
  const found = await button(text);
  await driver.wait(until.elementIsEnabled(found), WAIT_MS);
  await found.sendKeys(Key.ENTER);
}

describe('the practice bay', () => {
  it('goes from a complaint to the review by keys: checks, belief, a hint, a repair', async () => {
    await as('Pell Harrow');
    await begin('Cold feet on the ridge road');
    await see(driver, By.css('[data-practice]'));
    expect(await textOf('main')).toContain('It never gets warm on the ridge road');
    // Nothing is said of what it is until somebody asks.
    expect(await driver.findElements(By.css('[data-opinion]'))).toHaveLength(0);
    await check('Level and look', 'Gloves and glasses');
    // What there is to see is drawn, and has no word yet.
    expect(await driver.findElements(By.css('[data-sense] [data-sight]'))).toHaveLength(10);
    expect(await driver.findElements(By.css('[data-done="level-and-look"]'))).toHaveLength(0);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
    await sense('At the mark', 'Dry', 'Good and tight', 'Firm');
    expect(await textOf('[data-done="level-and-look"]')).toContain('not looked at');
    await check('Hose rush', 'Outdoors, or extraction on');
    await sense('Cold, then suddenly hot');
    await press('Sound');
    await see(
      driver,
      By.xpath('//li[@data-done="hose-rush"]//span[starts-with(normalize-space(.), "You said")]')
    );
    await check('Warm-up run', 'Outdoors, or extraction on', 'I watch the coolant and stop at the limit');
    await see(driver, By.css('[aria-label="The curve"] canvas'));
    await pick('Add a suspect', 'Thermostat stuck open');
    const thumb = await see(driver, By.css('[role="slider"]'));
    await thumb.sendKeys(Key.END);
    await press('Say so');
    await see(driver, By.xpath('//button[normalize-space(.)="Said"]'));
    await press('Hint, −3');
    await see(driver, By.css('[data-hint]'));
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
    await pick('Repair', 'Thermostat');
    await press('Repair');
    await see(driver, By.css('[data-done="repair"]'));
    await press('Let its driver try it');
    await see(driver, By.xpath('//li[@data-done="try"][contains(., "gone")]'));
    await press('Give it back to its driver');
    expect(await points()).toBeGreaterThan(60);
    const truth = await see(driver, By.css('[data-truth]'));
    expect(await truth.getAttribute('data-truth')).toBe('thermostat-stuck-open');
    expect(await textOf('[aria-label="The path"]')).toContain('Hose rush');
    // The hose was warm from the start, whatever was said of it.
    expect(await textOf('[data-missed]')).toContain('it was “Warm along with the engine from the start”');
    expect(await textOf('[aria-label="Beside the second opinion"]')).toContain('Its path');
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
  });

  it('stops at a danger on a phone, and says what would have happened', async () => {
    await as('Ysolt Brandy');
    await viewport(driver, 390, 844);
    await begin('Hot in five minutes');
    await check('Warm-up run', 'Outdoors, or extraction on', 'I watch the coolant and stop at the limit');
    await check('Cap test', 'Engine off, key with me');
    expect(await textOf('[aria-label="Danger"]')).toContain('boiled over');
    expect(await points()).toBe(0);
    const wide = await driver.executeScript(
      'return document.documentElement.scrollWidth - document.documentElement.clientWidth'
    );
    expect(wide).toBe(0);
    await viewport(driver, 1280, 800);
  });

  it('gives two people the same case by its number, and shows each how the other fared', async () => {
    const words: string[] = [];
    for (const name of ['Maren Oake', 'Tobin Skarre']) {
      await as(name);
      await (await see(driver, By.css('form input'))).sendKeys('4711');
      await (await button('Begin')).click();
      await there();
      words.push(await textOf('h1'));
      await (await button('Give it back to its driver')).click();
      await see(driver, By.css('[data-points]'));
    }
    expect(words[0]).toBe(words[1]);
    expect(await textOf('[aria-label="Others on the same case"]')).toContain('Maren Oake');
    await go('/practice/certificate');
    expect(await textOf('article')).toContain('nothing of what somebody can do');
  });

  it('is nothing of the workshop’s', async () => {
    await go('/jobs?q=ridge+road');
    expect(await textOf('main')).not.toContain('Cold feet on the ridge road');
    expect(await server.db.events.count({ where: { who: 'Practice' } })).toBe(0);
  });
});
