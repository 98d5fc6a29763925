import { By, Key, type WebDriver } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { useApp } from './app';
import { faultsByAxe, see, viewport, WAIT_MS } from './browser';
import type { TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, textOf, pick, enter, newJob } = useApp((s, d) => ([server, driver] = [s, d]));

const found = async () =>
  Number(await (await see(driver, By.css('[data-found]'))).getAttribute('data-found'));
const column = (n: number): Promise<string[]> =>
  driver.executeScript(
    `return [...document.querySelectorAll('tbody tr[data-row]')].map((r) => r.children[${n}].textContent.trim())`
  );

describe('lists as tables', () => {
  it('are sorted, filtered and grouped, and the address keeps it', async () => {
    await viewport(driver, 1280, 800);
    await go('/jobs/table');
    const all = await server.db.jobs.count({ where: { active: true } });
    expect(await found()).toBe(all);
    await (await button('Job')).click();
    await driver.wait(async () => (await driver.getCurrentUrl()).includes('sort=number'), WAIT_MS);
    const numbers = (await column(0)).map(Number);
    expect(numbers).toEqual(numbers.toSorted((a, b) => a - b));
    // What leads, and how likely, is what the day says.
    await go('/jobs/table?q=QH-11&is.state=Open&columns=number,likely,chance');
    const [number, likely, chance] = await Promise.all([0, 1, 2].map(async (c) => (await column(c))[0]));
    await go('/');
    const [row] = await driver.findElements(By.css(`[data-job="${number}"] [data-leader]`));
    expect((await row.getText()).replace(/\s+/g, ' ')).toBe(`${likely} ${chance}`.replace(/\s+/g, ' '));
    await go('/jobs/table?sort=number');
    await pick('State', 'Open');
    await driver.wait(async () => (await found()) < all, WAIT_MS);
    const open = await server.db.jobs.count({ where: { state: 'open', active: true } });
    expect(await found()).toBe(open);
    // Whoever opens the address sees the same.
    await go(new URL(await driver.getCurrentUrl()).pathname + new URL(await driver.getCurrentUrl()).search);
    expect(await found()).toBe(open);
    expect(await faultsByAxe(driver, 'night')).toEqual([]);

    await go('/jobs/table?group=state');
    expect(await textOf('tbody')).toMatch(/Closed\s*\d+/);
    await (await see(driver, By.css('tbody button[aria-expanded="false"]'))).click();
    await see(driver, By.css('tbody tr[data-row]'));
    // Jobs without an outcome are a group as well, and have a name.
    await go('/jobs/table?group=outcome');
    expect(await textOf('tbody')).toMatch(/None\s*\d+/);
    await go('/jobs/table?q=no%20such%20words');
    expect(await textOf('main')).toContain('Nothing is left of this choice');
    await go('/vehicles/table?sort=-jobs');
    const jobs = (await column(6)).map(Number);
    expect(jobs).toEqual(jobs.toSorted((a, b) => b - a));
  });

  it('show the trends of the fleet, and the record of a job with what was undone', async () => {
    await go('/fleet/table?sort=-runs');
    expect(await found()).toBe(await server.db.vehicles.count({ where: { active: true } }));
    const runs = (await column(2)).map(Number);
    expect(runs).toEqual(runs.toSorted((a, b) => b - a));
    expect(runs[0]).toBeGreaterThan(0);

    const job = await newJob('QH-14');
    const { id } = await server.db.jobs.findOne({
      where: { number: Number(job.split('/').at(-1)) },
      rejectOnEmpty: true
    });
    await enter(`job:${id}`, { kind: 'job.noted', payload: { text: 'Written on the wrong job' } });
    const [note] = await server.db.events.findAll({ where: { stream: `job:${id}`, kind: 'job.noted' } });
    await enter(`job:${id}`, { kind: 'undo', payload: { of: note.id } });
    await go(`${job}/record`);
    expect(await column(3)).toEqual(['Written on the wrong job', 'Opened: Hot in the queue']);
    await pick('State', 'Undone');
    await driver.wait(async () => (await found()) === 1, WAIT_MS);
    expect(await column(2)).toEqual(['Note']);
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
  });

  it('draw of ten thousand rows only those in sight', async () => {
    await server.db.sequelize.query(
      `INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at)
       SELECT gen_random_uuid(), (SELECT id FROM vehicles LIMIT 1), 'Copy ' || n, 'closed', now(), now()
       FROM generate_series(1, 10000) n`
    );
    await go('/jobs/table?sort=number');
    expect(await found()).toBeGreaterThan(10_000);
    expect((await column(0)).length).toBeLessThan(60);
    const last = Number(await server.db.jobs.max('number'));
    await (await see(driver, By.css('[role="region"][aria-label="All jobs"]'))).sendKeys(Key.END);
    await driver.wait(async () => (await column(0)).at(-1) === String(last), WAIT_MS);
    expect((await column(0)).length).toBeLessThan(60);
  });
});
