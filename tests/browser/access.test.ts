import { randomUUID } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { invite, ownerInvitation } from '../../src/lib/server/access/people';
import { demoDatabase } from '../../src/lib/server/db/test-database';
import { useApp } from './app';
import { faultsByAxe, see, WAIT_MS } from './browser';
import type { WebDriver } from 'selenium-webdriver';
import { testServer, type TestServer } from './server';

let server: TestServer;
let driver: WebDriver;
const { go, button, type, textOf } = useApp((s, d) => ([server, driver] = [s, d]), 'signed');

const PASSPHRASE = 'lantern copper ferry moss';
const PIN = '4071';
const field = (autocomplete: string) => see(driver, By.css(`input[autocomplete="${autocomplete}"]`));
const signedInAs = (name: string) => see(driver, By.css(`button[aria-label="Signed in as ${name}"]`));
async function choose(name: string, what: string): Promise<void> {
  await (await signedInAs(name)).click();
  await (await see(driver, By.xpath(`//*[@role="menuitem"][normalize-space(.)="${what}"]`))).click();
}
async function join(link: string, name: string): Promise<void> {
  await driver.get(link);
  await (await field('username')).sendKeys(name);
  await (await field('new-password')).sendKeys(PASSPHRASE);
  await type('New PIN for this device', PIN);
}
async function byPin(): Promise<void> {
  const pad = await see(driver, By.xpath('//label[starts-with(normalize-space(.), "PIN of")]//input'));
  await pad.sendKeys(PIN, Key.ENTER);
}
/** Asks the server as the page would, with the page's session. */
const ask = (body: object): Promise<{ status: number; text: string }> =>
  driver.executeAsyncScript(
    `const done = arguments[1];
     fetch('/api/events', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(arguments[0]) })
       .then(async (r) => done({ status: r.status, text: await r.text() }))`,
    body
  );
const entry = (stream: string, body: object) => ({
  id: randomUUID(),
  stream,
  who: 'Somebody Else',
  at: new Date().toISOString(),
  ...body
});
async function jobOf(fleetNo: string) {
  const vehicle = await server.db.vehicles.findOne({ where: { fleetNo }, rejectOnEmpty: true });
  return server.db.jobs.findOne({ where: { vehicleId: vehicle.id, state: 'open' }, rejectOnEmpty: true });
}
async function addNote(text: string): Promise<void> {
  await (await see(driver, By.css('input[placeholder^="Write a note"]'))).sendKeys(text);
  await (await button('Add the note')).click();
}
const authorOf = async (text: string) => {
  const [rows] = await server.db.sequelize.query(
    "SELECT who, person_id IS NOT NULL AS known FROM events WHERE payload->>'text' = $1",
    { bind: [text] }
  );
  return rows as { who: string; known: boolean }[];
};

describe('a workshop where people sign in', () => {
  it('lets nobody in before, and makes an owner by the link of its first start', async () => {
    await driver.get(`${server.address}/vehicles`);
    await see(driver, By.xpath('//h1[normalize-space(.)="Sign in"]'));
    expect((await fetch(`${server.address}/api/find?q=QH`)).status).toBe(401);
    const token = await ownerInvitation(server.db, 'terminal');
    await join(`${server.address}/join/${token}`, 'Ysolt Brandy');
    const secret = (await textOf('.select-all')).replaceAll(' ', '');
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    await (await field('one-time-code')).sendKeys(new TOTP({ secret: Secret.fromBase32(secret) }).generate());
    await (await button('Join')).click();
    await signedInAs('Ysolt Brandy');
  });

  it('the owner invites a technician, who joins on the same tablet', async () => {
    await choose('Ysolt Brandy', 'People and devices');
    await (await button('Make a link')).click();
    const link = await textOf('[data-link]');
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    await join(link, 'Tobin Skarre');
    await (await button('Join')).click();
    await signedInAs('Tobin Skarre');
    expect(await driver.findElements(By.linkText('Shop'))).toEqual([]);
    await driver.get(`${server.address}/people`);
    expect(await textOf('h1')).toContain('This is for an owner');
  });

  it('a technician is refused what is a lead’s, and signs with their own name only', async () => {
    const job = await jobOf('QH-11');
    await go(`/jobs/${job.number}`);
    const closing = await ask(
      entry(`job:${job.id}`, { kind: 'job.closed', payload: { outcome: 'declined' } })
    );
    expect(closing).toMatchObject({ status: 422 });
    expect(closing.text).toContain('closing a job is for a lead');
    await addNote('Radiator face looked at');
    await see(driver, By.xpath('//*[contains(., "Radiator face looked at")]'));
    await driver.wait(async () => (await authorOf('Radiator face looked at')).length === 1, WAIT_MS);
    expect(await authorOf('Radiator face looked at')).toEqual([{ who: 'Tobin Skarre', known: true }]);
  });

  it('a reader has lists and reports, and is offered nothing they may not do', async () => {
    const token = await invite(server.db, 'reader', null, { address: 'terminal' });
    const joined = await fetch(`${server.address}/api/access/join`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: server.address },
      body: JSON.stringify({ token, name: 'Office', passphrase: PASSPHRASE })
    });
    expect(joined.status).toBe(200);
    const Cookie = joined.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ');
    const page = (path: string) => fetch(server.address + path, { headers: { Cookie }, redirect: 'manual' });
    const job = await jobOf('QH-11');
    const bench = await page(`/jobs/${job.number}`);
    expect([bench.status, bench.headers.get('location')]).toEqual([303, `/jobs/${job.number}/report`]);
    expect((await page(`/jobs/${job.number}/report.pdf`)).status).toBe(200);
    const vehicle = await (await page(`/vehicles/${job.vehicleId}`)).text();
    expect(vehicle).toContain('Compare runs');
    expect(vehicle).not.toContain('Open a job');
    expect(vehicle).not.toContain('Add a photo');
    expect((await page('/shop')).status).toBe(403);
    // A link is good once.
    const again = await page(`/join/${token}`);
    expect(again.status).toBe(404);
  });

  it('a locked page keeps what was typed, and opens by PIN', async () => {
    const typed = await see(driver, By.css('input[placeholder^="Write a note"]'));
    await typed.sendKeys('Half a sentence');
    await choose('Tobin Skarre', 'Lock, or change person');
    await see(driver, By.xpath('//*[@role="dialog"][contains(., "Locked")]'));
    expect(await faultsByAxe(driver, 'day')).toEqual([]);
    await (
      await see(driver, By.xpath('//*[@role="dialog"]//button[normalize-space(.)="Tobin Skarre"]'))
    ).click();
    await byPin();
    await driver.wait(async () => (await driver.findElements(By.css('[role=dialog]'))).length === 0, WAIT_MS);
    expect(
      await (await see(driver, By.css('input[placeholder^="Write a note"]'))).getAttribute('value')
    ).toBe('Half a sentence');
    await typed.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE);
  });

  it('a session that ends while the server is away costs no entry: another signs in, and it goes out under whoever made it', async () => {
    await server.stop();
    await addNote('Fan seen still at 96');
    await driver.wait(
      async () => (await driver.findElements(By.xpath('//button[@data-waiting="1"]'))).length === 1,
      WAIT_MS
    );
    await server.db.sequelize.query("UPDATE sessions SET seen_at = now() - interval '20 minutes'");
    await server.start();
    const locked = By.xpath('//*[@role="dialog"][contains(., "Locked")]');
    await driver.wait(async () => (await driver.findElements(locked)).length === 1, 30_000);
    expect(await authorOf('Fan seen still at 96')).toEqual([]);
    await (
      await see(driver, By.xpath('//*[@role="dialog"]//button[normalize-space(.)="Ysolt Brandy"]'))
    ).click();
    await byPin();
    await signedInAs('Ysolt Brandy');
    await driver.wait(async () => (await authorOf('Fan seen still at 96')).length === 1, 30_000);
    expect(await authorOf('Fan seen still at 96')).toEqual([{ who: 'Tobin Skarre', known: true }]);
  });
});

describe('what no page of ours sends', () => {
  let open: TestServer;
  beforeAll(async () => void (open = await testServer(await demoDatabase())));
  afterAll(() => open.end());
  const status = async (headers: Record<string, string>, body = '{}') =>
    (await fetch(`${open.address}/api/events`, { method: 'POST', headers, body })).status;

  it('is turned away: another page, another name, another kind of body', async () => {
    const Origin = open.address;
    const json = { 'Content-Type': 'application/json' };
    expect(await status({ ...json, Origin })).toBe(422);
    expect(await status(json)).toBe(403);
    expect(await status({ ...json, Origin: 'http://elsewhere.example' })).toBe(403);
    expect(await status({ ...json, Origin: 'null' })).toBe(403);
    expect(await status({ 'Content-Type': 'text/plain', Origin })).toBe(415);
  });

  it('is not answered under a name that is not ours', async () => {
    const { request } = await import('node:http');
    const answered = await new Promise<number>((resolve, reject) =>
      request(`${open.address}/vehicles`, { headers: { Host: 'rebound.example' } }, (r) =>
        resolve(r.statusCode ?? 0)
      )
        .on('error', reject)
        .end()
    );
    expect(answered).toBe(421);
  });

  it('and every answer says what a browser may do with it', async () => {
    const { headers } = await fetch(`${open.address}/vehicles`);
    expect(headers.get('cache-control')).toBe('no-store');
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
  });
});
