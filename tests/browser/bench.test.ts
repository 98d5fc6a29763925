import { By, Key, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { VehicleSetup } from '../../src/simulation/vehicle/vehicle';
import { tellBench } from '../../src/lib/server/live/bench';
import { sheetOf } from '../support/check-bench';
import { useApp } from './app';
import { faultsByAxe, see, WAIT_MS } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, textOf, button, type, newJob, openSheet } = useApp((s, d) => ([server, driver] = [s, d]));

const says = () => textOf('[data-outcome]');
const becomes = (text: string | RegExp, ms = WAIT_MS) =>
  driver.wait(async () => (await says()).match(text) !== null, ms, `the finding never became ${text}`);
const active = () => driver.switchTo().activeElement();
const tap = async (id: string) => (await see(driver, By.css(`[data-tap="${id}"]`))).click();
const put = async (id: string, volts: string) => {
  await tap(id);
  await driver.wait(async () => (await (await active()).getTagName()) === 'input', WAIT_MS);
  await (await active()).sendKeys(volts);
};
/** A vehicle on the simulated bench, run for so long before it is measured. */
const plug = (sheet: string, fault: VehicleSetup['fault'], severity = 0.9) =>
  tellBench(`127.0.0.1:${server.bench.port}`, {
    do: 'plug',
    spec: sheetOf(sheet),
    fault,
    severity,
    ambientC: 12,
    drive: 'idle',
    running: true
  });
const clean = async () => {
  expect(await faultsByAxe(driver, 'day')).toEqual([]);
  expect(await faultsByAxe(driver, 'night')).toEqual([]);
};

describe('the bench', () => {
  it('finds burnt relay contacts from volts, and is written down', async () => {
    await plug('qh-26-scoot', 'fan-relay-contacts');
    const job = await newJob('QH-26');
    await openSheet(job, 'relay-socket');
    await (await button('One fan by one relay')).click();
    await (await button('Commanded on')).click();
    await put('30', '12.3');
    await put('87', '7.1');
    await put('85', '90mV');
    await becomes('Relay contacts burnt');
    expect(await (await see(driver, By.css('[data-part="Contacts"]'))).getAttribute('data-suspected')).toBe(
      'yes'
    );
    await clean();
    // Above the battery: refused by its name, and nothing is lost.
    await put('motorPlus', '19');
    await (await button('Save reading')).click();
    await driver.wait(
      async () => (await textOf('form.card')).includes('Fan plug, plus: 19.0'),
      WAIT_MS,
      'not refused'
    );
    await put('motorPlus', Key.chord(Key.CONTROL, 'a') + Key.BACK_SPACE);
    await (await button('Read the simulated meter')).click();
    await driver.wait(
      async () => /[\d.]+ V/.test(await textOf('[data-tap="motorPlus"]')),
      WAIT_MS,
      'the meter showed nothing'
    );
    await (await button('Save reading')).click();
    await see(driver, By.css('[data-check="relay-socket"][data-result="fail"]'));
  });

  it('names what is wrong as the form does, and no longer than it is', async () => {
    await openSheet(await newJob('QH-03'), 'pump-command');
    await (await button('Stands still')).click();
    await type('At its plug', '-5');
    await (await button('Save reading')).click();
    const alert = By.css('form.card [role="alert"]');
    await driver.wait(async () => (await textOf('form.card')).includes('At its plug Volts are 0'), WAIT_MS);
    await type('At its plug', '12.4');
    await driver.wait(async () => (await driver.findElements(alert)).length === 0, WAIT_MS);
    await becomes('It stands still with 12.4 V at its plug');
    await (await button('Save reading')).click();
    await see(driver, By.css('[data-check="pump-command"][data-result="fail"]'));
  });

  it('finds a controller that drives without command', async () => {
    await openSheet(await newJob('QH-07'), 'controller-in-out');
    await tap('command');
    await type('or its duty', '5');
    await put('output', '7.9');
    await (await button('changes')).click();
    await becomes('Controller drives without command');
    await clean();
  });

  it('separates a slipping clutch from a blocked radiator', async () => {
    await openSheet(await newJob('QH-11'), 'clutch-hot-speed');
    const pair = async (engine: string, fan: string, air: string) => {
      await type('Engine', engine);
      await type('Fan', fan);
      await (await type('Air before the fan', air)).sendKeys(Key.ENTER);
    };
    await pair('950', '790', '72');
    await becomes(/Engaged when hot: 8\d %/);
    expect(await textOf('main')).toContain('Rules against: fan clutch slipping');
    await clean();
    await (await see(driver, By.css('button[aria-label="Remove row 1 of pairs of speeds"]'))).click();
    await pair('950', '260', '77');
    await becomes('Free when hot');
    expect(await textOf('main')).toContain('Points to: fan clutch slipping');
    await pair('900', '1700', '77');
    await driver.wait(async () => (await textOf('main')).includes('faster than the pulley'), WAIT_MS);
  });

  it('fills a bath run live, and recognises a cooler thermostat by it', async () => {
    await plug('qh-03-curlew', 'thermostat-low-rating', 0.45);
    await openSheet(await newJob('QH-03'), 'thermostat-bath');
    await (await button('Fill it live from the simulated bath')).click();
    await driver.wait(async () => Number(await textOf('[data-readings]')) > 30, 60_000);
    await becomes('a cooler part', 60_000);
    await clean();
  });

  it('finds the branch that is closed on the map, going round the loop by keyboard', async () => {
    await openSheet(await newJob('QH-14'), 'temperature-map');
    await (await see(driver, By.css('[data-place="outlet"]'))).click();
    for (const [place, celsius] of [
      ['outlet', '92'],
      ['sensor', '63'],
      ['scan', '64'],
      ['upperHose', '89']
    ]) {
      // The place is chosen, and its own empty field has the keys.
      await see(driver, By.css(`[data-place="${place}"][aria-pressed="true"]`));
      await driver.wait(
        () =>
          driver.executeScript(
            'const a = document.activeElement; return a.tagName === "INPUT" && a.value === ""'
          ),
        WAIT_MS
      );
      await (await active()).sendKeys(celsius, Key.ENTER);
    }
    await becomes('The branch with the sensor is 29');
    await clean();
  });
});

describe('trouble codes', () => {
  it('are written down as they stand in the field, and none is never a pass until somebody says so', async () => {
    const job = await newJob('QH-03');
    await openSheet(job, 'codes');
    await (await button('Save reading')).click();
    await driver.wait(
      async () => (await textOf('main')).includes('Enter a code, or say that no code is stored'),
      WAIT_MS,
      'nothing said was taken for no code'
    );
    expect(await driver.findElements(By.css('[data-outcome="pass"], [data-result="pass"]'))).toEqual([]);
    await (await button('No code is stored')).click();
    await becomes('No code stored or pending');
    await clean();
    // Typed, and neither entered nor picked.
    await type('Codes', 'P0118');
    await (await button('Save reading')).click();
    await driver.wait(async () => (await driver.findElements(By.css('form.card'))).length === 0, WAIT_MS);
    expect(await textOf('main')).toMatch(/Trouble codes\s+Finding/);
  });
});

describe('the coolant page', () => {
  it('tells its margins, and writes what went in into the job', async () => {
    const job = await newJob('QH-03');
    await go(`/coolant?job=${job.split('/')[2]}`);
    const margins = () => textOf('[data-margins]');
    // Page figures: half and half boils at 108.0 °C open; QH-03 has a cap of 110 kPa.
    expect(await margins()).toMatch(/108\.0 °C/);
    await type('Mixture, glycol by volume', '0');
    await type('Cap', '90 kPa');
    await driver.wait(
      async () => /118\.[6-9] °C|119\.[0-2] °C/.test(await margins()),
      WAIT_MS,
      'water under 90 kPa'
    );
    expect(await margins()).toContain('too little');
    await type('Mixture, glycol by volume', '30');
    await type('Drain', '4.27');
    await driver.wait(async () => (await textOf('[data-drains]')).includes('44.0 %'), WAIT_MS, 'one drain');
    expect(await textOf('[data-drains]')).toMatch(/48\.2 %[\s\S]*49\.5 %/);
    await clean();
    await type('Drained', '2.1');
    await type('Refilled with', '2.1');
    await (await button('Save coolant service')).click();
    await driver.wait(async () => (await textOf('main')).includes('Coolant: 2.1'), WAIT_MS, 'not in the job');
  });
});

describe('the popular cures', () => {
  it('are simulated over the present curve, and told honestly', async () => {
    const vehicle = await server.db.vehicles.findOne({ where: { fleetNo: 'QH-11' }, rejectOnEmpty: true });
    await go(`/vehicles/${vehicle.id}/what-if?fault=airflow-restricted&severity=90&drive=ridge&ambient=20`);
    expect(await textOf('[data-what-if]')).toContain('as hot as before');
    await (await button('Half of the lost airflow back')).click();
    await driver.wait(
      async () => (await textOf('[data-what-if]')).includes('Keeps it below the hot limit'),
      WAIT_MS
    );
    await (await button('The fan one stage earlier')).click();
    await driver.wait(async () => (await textOf('[data-what-if]')).includes('no electric fan'), WAIT_MS);
    expect(await driver.getCurrentUrl()).toContain('cure=fan-earlier');
    await clean();
  });
});
