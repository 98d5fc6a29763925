import { By, Key, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, see, WAIT_MS } from './browser';

let driver: WebDriver;
const { go, textOf, button, type, inputOf, pick, newJob, openSheet } = useApp((_, d) => (driver = d));

const active = () => driver.switchTo().activeElement();
const says = () => textOf('[data-outcome]');
const points = async () => (await driver.findElements(By.css('form tbody tr'))).length;

describe('an ECT ladder', () => {
  it('by keyboard alone comes to “series resistance about 110 Ω”, and is written down', async () => {
    const job = await newJob('QH-03');
    await openSheet(job, 'ect-ladder');
    // The reference sensor with 110 Ω in series: 2300 Ω at 25 °C, β 3500.
    const ladder = [
      [15, 3463],
      [40, 1424],
      [62, 740],
      [78, 493],
      [90, 391]
    ];
    await (await type('True temperature', '')).click();
    for (const [i, [celsius, ohm]] of ladder.entries()) {
      await (await active()).sendKeys(String(celsius), Key.TAB);
      await (await active()).sendKeys(String(ohm), Key.ENTER);
      await driver.wait(async () => (await points()) === i + 1, WAIT_MS, `point ${i + 1} was not added`);
    }
    // A probe on a surface may itself be off by some of it, so its size lies within an interval that holds 110 Ω.
    const named = /Series resistance about 1[01]\d\sΩ \((8|9)\d.*Ω to 1[12]\d\sΩ\)/;
    await driver.wait(async () => named.test(await says()), WAIT_MS, 'the series resistance was not named');
    await see(driver, By.css('[data-explained="series"]'));
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);
    // The last row is complete and not yet added: it is written with the rest, not lost.
    await (await active()).sendKeys('95', Key.TAB);
    await (await active()).sendKeys('357', Key.chord(Key.CONTROL, Key.ENTER));
    await see(driver, By.css('[data-check="ect-ladder"][data-result="fail"]'));
    await openSheet(job, 'ect-ladder');
    await (await button('Correct')).click();
    await driver.wait(async () => (await points()) === 6, WAIT_MS, 'the sixth point was lost');
  });

  it('recognises a healthy sensor of the wrong family', async () => {
    const job = await newJob('QH-03');
    await openSheet(job, 'ect-ladder');
    await (await type('True temperature', '')).click();
    for (const [i, [celsius, ohm]] of [
      [15, 7515],
      [40, 2849],
      [65, 1248],
      [90, 611]
    ].entries()) {
      await (await active()).sendKeys(String(celsius), Key.TAB);
      await (await active()).sendKeys(String(ohm), Key.ENTER);
      await driver.wait(async () => (await points()) === i + 1, WAIT_MS);
    }
    await driver.wait(async () => (await says()).includes('5.0 kΩ at 25 °C'), WAIT_MS);
    expect(await textOf('main')).toMatch(/Points to: ECT of another curve/);
  });
});

it('unplugged and bridged leads to the wiring where an extreme is missed', async () => {
  const job = await newJob('QH-26');
  await openSheet(job, 'ect-circuit');
  await type('Reads unplugged', '-40');
  await type('Reads bridged', '64');
  await driver.wait(async () => (await says()).includes('Wiring or control unit'), WAIT_MS);
  expect(await says()).toContain('bridged it does not read shorted');
  await (await button('Save reading')).click();
  await see(driver, By.css('[data-check="ect-circuit"][data-result="fail"]'));
});

describe('the curve library', () => {
  const area = () => see(driver, By.css('main textarea'));
  /** As from a spreadsheet: typed, a tab would leave the field. */
  const paste = async (text: string) =>
    driver.executeScript(
      'const [a, text] = arguments; a.focus(); a.select(); document.execCommand("insertText", false, text)',
      await area(),
      text
    );
  it('names the nearest curve of pasted readings, keeps their own, and gives it to a spec sheet', async () => {
    await go('/sensor/curves');
    await paste('0\t6735\n25\t2300\n90\tabout 280');
    await driver.wait(async () => (await textOf('main [role="alert"]')).includes('Line 3'), WAIT_MS);
    await (await area()).sendKeys(Key.chord(Key.CONTROL, 'a'), '0;6735\n25;2300\n90;281,3');
    await see(driver, By.css('[data-match="ntc-2k3-3500"]'));
    // A sensor of the harbour's own: no family of ours.
    await (await area()).sendKeys(Key.chord(Key.CONTROL, 'a'), '0 21.9k\n25 6200\n60 1460\n90 530');
    await driver.wait(async () => (await textOf('[data-match]')).includes('None fits'), WAIT_MS);
    expect(await textOf('[data-fit]')).toMatch(/β 4\d{3} K/);
    const name = By.xpath('//label[normalize-space(.)="Name"]/input');
    await (await see(driver, name)).sendKeys('Harbour tractors');
    await (await button('Keep it in the library')).click();
    await see(driver, By.xpath('//tr[starts-with(@data-curve, "shop:")][contains(., "Harbour tractors")]'));
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    await go('/vehicles');
    await go(
      (await driver.executeScript<string>('return document.querySelector("tbody a").getAttribute("href")')) +
        '/sheet'
    );
    await pick('Take a curve from the library', 'Harbour tractors');
    await driver.wait(
      async () => Number(await (await inputOf('R at 25 °C')).getAttribute('value')) > 6000,
      WAIT_MS
    );
    await go('/sensor/curves');
    await (
      await see(driver, By.css('button[aria-label="Take Harbour tractors out of the library"]'))
    ).click();
    await driver.wait(
      async () => (await driver.findElements(By.xpath('//tr[contains(., "Harbour tractors")]'))).length === 0,
      WAIT_MS
    );
  });
});

describe('the calculator', () => {
  const value = async (label: string) =>
    (
      await driver.findElement(By.xpath(`//label[normalize-space(.)="${label}"]/following::input[1]`))
    ).getAttribute('value');
  it('converts each way, says what a resistor does, and keeps it all in its address', async () => {
    await go('/sensor?of=family:ntc-2k3-3500');
    await type('Temperature', '25');
    await driver.wait(async () => (await value('Resistance')) === '2300', WAIT_MS);
    expect(await value('Volts')).toBe('2.556');
    await type('Volts', '0.567');
    await driver.wait(async () => Math.abs(Number(await value('Temperature')) - 90) < 0.1, WAIT_MS);
    await type('Volts', '6');
    expect(await textOf('[role="alert"]')).toContain('between 0 and its reference');
    await type('Resistor', '1000');
    await type('Switching temperature', '101');
    await driver.wait(async () => (await textOf('[data-switches]')).includes('91.7'), WAIT_MS);
    expect(await driver.getCurrentUrl()).toContain('across=1000');
    await driver.navigate().refresh();
    expect(await textOf('[data-switches]')).toContain('91.7');
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
  });

  it('makes nothing of nonsense in its address, and names a resistance that cannot be', async () => {
    await go('/sensor?of=moon&pull=abc&across=-3&on=x');
    const seen = await textOf('main');
    expect(seen).not.toMatch(/NaN|Infinity/);
    expect(seen).toContain('A resistance is above 0 Ω');
    expect(await driver.findElements(By.css('[data-switches]'))).toEqual([]);
  });

  it('prints its table and nothing that is typed into', async () => {
    await go('/sensor?of=vehicle:QH-03');
    await (
      driver as unknown as { sendDevToolsCommand(c: string, p: object): Promise<void> }
    ).sendDevToolsCommand('Emulation.setEmulatedMedia', { media: 'print' });
    const seen = await driver.executeScript<string>('return document.body.innerText');
    expect(seen).toContain('QH-03 Tarrock Curlew 1.6');
    expect(seen).toMatch(/mV\/°C/);
    expect(await driver.executeScript('return document.querySelectorAll("tbody tr").length')).toBe(15);
    const inputs = await driver.findElements(By.css('main input'));
    for (const input of inputs) expect(await input.isDisplayed()).toBe(false);
    await (
      driver as unknown as { sendDevToolsCommand(c: string, p: object): Promise<void> }
    ).sendDevToolsCommand('Emulation.setEmulatedMedia', { media: '' });
  });
});
