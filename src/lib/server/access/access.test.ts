import { randomUUID } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Role } from '../../../core/record/roles';
import type { EventInput } from '../../../core/record/events';
import { testDatabase, type TestDatabase } from '../db/test-database';
import { append } from '../record/record';
import { askedBy } from './actor';
import { isOpenHouse } from './mode';
import {
  changePerson,
  deviceLines,
  invitationOf,
  invite,
  join,
  ownerInvitation,
  peopleLines,
  revokeDevice
} from './people';
import { AtOnce, Rates } from './rates';
import { newSecondFactor } from './second-factor';
import { passphraseFault, pinFault } from './secrets';
import { securityLines } from './security-log';
import { endSession, sessionOf, setPin, signIn, signInByPin, type Browser, type SignedIn } from './sessions';

let there: TestDatabase;
beforeAll(async () => void (there = await testDatabase()));
afterAll(() => there.drop());
const db = () => there.db;

const HERE = { address: '127.0.0.1' };
const STRANGE: Browser = { session: undefined, device: undefined, ...HERE };
const PASSPHRASE = 'lantern copper ferry moss';
const codeAt = (secret: string, at = Date.now()) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at });

let many = 0;
/** Somebody of a role, by a link, with the browser they signed in on. */
async function somebody(role: Role, name = `Person ${++many}`) {
  const token = await invite(db(), role, null, HERE);
  const secret = role === 'owner' ? newSecondFactor() : '';
  const joined = await join(
    db(),
    token,
    { name, passphrase: PASSPHRASE, secret, code: secret && codeAt(secret, Date.now() - 30_000) },
    '127.0.0.1'
  );
  if (!joined.ok) throw new Error(JSON.stringify(joined.problems));
  return { ...joined.value, name, secret };
}
async function at(name: string, code = '', browser = STRANGE): Promise<Browser> {
  const done = await signIn(db(), browser, {
    name,
    passphrase: PASSPHRASE,
    code,
    deviceName: 'Bench tablet'
  });
  if (!done.ok) throw new Error(JSON.stringify(done.problems));
  return { ...done.value, ...HERE };
}
const problemsOf = (r: { ok: boolean; problems?: readonly { field?: string; message: string }[] }) =>
  r.ok ? [] : r.problems!.map((p) => `${p.field ?? ''} ${p.message}`.trim());

describe('a house', () => {
  it('is open on loopback alone, and only where it is asked to be', () => {
    expect(isOpenHouse({ PYRETHOS_ACCESS: 'open', HOST: '127.0.0.1' })).toBe(true);
    expect(isOpenHouse({ HOST: '127.0.0.1' })).toBe(false);
    expect(isOpenHouse({ PYRETHOS_ACCESS: 'signed' })).toBe(false);
    for (const HOST of [undefined, '0.0.0.0', '192.168.7.2'])
      expect(() => isOpenHouse({ PYRETHOS_ACCESS: 'open', HOST })).toThrow('serves this machine alone');
  });
});

describe('secrets', () => {
  it.each([
    ['short', 'shorter than 12'],
    ['aaaaaaaaaaaabbbb', 'repeats'],
    ['pyrethos workshop 1', 'easy to guess'],
    ['Maren OakeMaren Oake', 'easy to guess']
  ])('refuse the passphrase %s', (text, why) => expect(passphraseFault(text, 'Maren Oake')).toContain(why));
  it('take a long one of any signs', () => {
    expect(passphraseFault(PASSPHRASE, 'Maren Oake')).toBeNull();
    expect(passphraseFault('дом мост парус море', 'Maren Oake')).toBeNull();
  });
  it('refuse PINs that anyone tries', () => {
    for (const pin of ['1234', '0000', '87654321', '123', '12a4', '123456789'])
      expect(pinFault(pin)).not.toBeNull();
    expect(pinFault('4071')).toBeNull();
  });
});

describe('the first owner', () => {
  it('comes by a link that works once, and earlier links do not', async () => {
    const first = (await ownerInvitation(db(), 'terminal'))!;
    const second = (await ownerInvitation(db(), 'terminal'))!;
    expect(await invitationOf(db(), first)).toBeNull();
    expect(await invitationOf(db(), second)).toEqual({ role: 'owner', name: null, person: null });
    const secret = newSecondFactor();
    const ask = { name: 'Ysolt Brandy', passphrase: PASSPHRASE, secret, code: '000000' };
    expect(problemsOf(await join(db(), second, ask, ''))[0]).toContain('code is not the one');
    const both = await Promise.all(
      [1, 2].map(() => join(db(), second, { ...ask, code: codeAt(secret, Date.now() - 30_000) }, ''))
    );
    expect(both.filter((r) => r.ok)).toHaveLength(1);
    expect(await ownerInvitation(db(), 'terminal')).toBeNull();
    // A code that was used once is of no use to whoever looked over the shoulder.
    const code = codeAt(secret);
    await at('ysolt brandy', code);
    expect(
      problemsOf(
        await signIn(db(), STRANGE, { name: 'Ysolt Brandy', passphrase: PASSPHRASE, code, deviceName: '' })
      )[0]
    ).toContain('code is not the one');
  });

  it('stays, where no other is', async () => {
    const [ysolt] = (await peopleLines(db())).filter((p) => p.role === 'owner');
    const gone = await changePerson(db(), ysolt!.id, null, HERE);
    expect(problemsOf(gone)[0]).toContain('only owner');
  });
});

describe('signing in', () => {
  it('shuts a person out after five wrong passphrases, and tells nobody who is here', async () => {
    const { name, person } = await somebody('technician');
    const wrong = (who: string) =>
      signIn(db(), STRANGE, { name: who, passphrase: 'wrong wrong wrong', code: '', deviceName: '' });
    const told = problemsOf(await wrong('Nobody Here'));
    for (let i = 0; i < 5; i++) expect(problemsOf(await wrong(name))).toEqual(told);
    await expect(at(name)).rejects.toThrow('too often');
    await db().sequelize.query("UPDATE people SET locked_until = now() - interval '1 second' WHERE id = $1", {
      bind: [person]
    });
    await at(name);
  });

  it('by PIN has five tries on a device, also all at once', async () => {
    const { name, person } = await somebody('technician');
    const browser = await at(name);
    await setPin(db(), (await sessionOf(db(), browser))!, '4071');
    expect((await signInByPin(db(), browser, { person, pin: '4071' })).ok).toBe(true);
    const tries = await Promise.all(
      Array.from({ length: 12 }, () => signInByPin(db(), browser, { person, pin: '9999' }))
    );
    expect(tries.every((t) => !t.ok)).toBe(true);
    expect(problemsOf(await signInByPin(db(), browser, { person, pin: '4071' }))[0]).toContain('not set');
    // A PIN is of this device alone.
    const other = await at(name);
    expect(problemsOf(await signInByPin(db(), other, { person, pin: '4071' }))[0]).toContain('not set');
  });

  it('by PIN makes an owner a lead until they sign in with passphrase and code', async () => {
    const { name, person, secret } = await somebody('owner');
    const browser = await at(name, codeAt(secret));
    expect((await sessionOf(db(), browser))!.role).toBe('owner');
    await setPin(db(), (await sessionOf(db(), browser))!, '4071');
    const by = await signInByPin(db(), browser, { person, pin: '4071' });
    expect((await sessionOf(db(), { ...browser, ...(by.ok ? by.value : {}) }))!.role).toBe('lead');
  });

  it('ends when it is signed out, left alone, or too old', async () => {
    const { name } = await somebody('technician');
    const browser = await at(name);
    const who = (await sessionOf(db(), browser))!;
    await endSession(db(), browser, 'signed out', who);
    expect(await sessionOf(db(), browser)).toBeNull();
    for (const set of [
      "seen_at = now() - interval '16 minutes'",
      "created_at = now() - interval '15 hours'"
    ]) {
      const again = await at(name, '', browser);
      await db().sequelize.query(`UPDATE sessions SET ${set} WHERE ended_at IS NULL AND person_id = $1`, {
        bind: [who.person]
      });
      expect(await sessionOf(db(), again)).toBeNull();
    }
    const left = (await securityLines(db())).filter((l) => l.what === 'left alone' && l.person === name);
    expect(left).toHaveLength(2);
  });

  it('is of no use with the key of another device, and after its device is revoked', async () => {
    const { name } = await somebody('technician');
    const [one, two] = [await at(name), await at(name)];
    expect(await sessionOf(db(), { ...one, device: two.device })).toBeNull();
    const device = (await sessionOf(db(), one))!.device;
    expect((await deviceLines(db())).map((d) => d.id)).toContain(device);
    await revokeDevice(db(), device, HERE);
    expect(await sessionOf(db(), one)).toBeNull();
    expect(await sessionOf(db(), two)).not.toBeNull();
    expect((await deviceLines(db())).map((d) => d.id)).not.toContain(device);
  });

  it('ends for a person whose role changes, who is removed or gets a new passphrase', async () => {
    for (const change of [
      (person: string) => changePerson(db(), person, 'reader', HERE),
      (person: string) => changePerson(db(), person, null, HERE),
      async (person: string) =>
        join(
          db(),
          await invite(db(), 'technician', person, HERE),
          { name: '', passphrase: 'quite another set of words', secret: '', code: '' },
          ''
        )
    ]) {
      const { name, person } = await somebody('technician');
      const browser = await at(name);
      expect((await change(person)).ok).toBe(true);
      expect(await sessionOf(db(), browser)).toBeNull();
    }
  });
});

describe('what is appended', () => {
  const vehicle = `vehicle:${randomUUID()}`;
  const job = `job:${randomUUID()}`;
  const send = (
    who: SignedIn,
    stream: string,
    body: EventInput,
    more: object = {},
    takenBy: string | null = null
  ) =>
    askedBy({ ...who, takenBy }, () =>
      append(db(), {
        id: randomUUID(),
        stream,
        who: 'Somebody Else',
        at: new Date().toISOString(),
        ...body,
        ...more
      })
    );
  const session = async (role: Role) => {
    const { name } = await somebody(role);
    const browser = await at(name);
    return { browser, who: (await sessionOf(db(), browser))! };
  };
  const authorOf = async (id: string) => {
    const row = await db().events.findByPk(id);
    return { who: row!.who, person: row!.personId, device: row!.deviceId };
  };

  it('is by whoever is signed in, whatever it says, and only what their role may', async () => {
    const tech = (await session('technician')).who;
    const reader = (await session('reader')).who;
    const lead = (await session('lead')).who;
    const entered = {
      kind: 'vehicle.entered',
      payload: { fleetNo: 'QH-31', name: 'Lundmar Drover' }
    } as const;
    expect(problemsOf(await send(reader, vehicle, entered))[0]).toContain('is for a technician');
    const made = await send(tech, vehicle, entered);
    expect(made.ok && (await authorOf(made.value.event.id))).toEqual({
      who: tech.name,
      person: tech.person,
      device: tech.device
    });
    const payload = { vehicleId: vehicle.slice(8), complaint: 'Hot in the queue', symptoms: [] };
    await send(tech, job, { kind: 'job.opened', payload });
    const close = {
      kind: 'job.closed',
      payload: { outcome: 'declined' }
    } as EventInput;
    expect(problemsOf(await send(tech, job, close))[0]).toBe(
      'closing a job is for a lead; you are signed in as a technician'
    );
    const note = await send(lead, job, { kind: 'job.noted', payload: { text: 'Lead was here' } });
    const undo = { kind: 'undo', payload: { of: note.ok ? note.value.event.id : '' } } as const;
    expect(problemsOf(await send(tech, job, undo))[0]).toContain('undoing an entry of somebody else');
    expect((await send(lead, job, undo)).ok).toBe(true);
    const own = await send(tech, job, { kind: 'job.noted', payload: { text: 'Mine' } });
    expect(
      (await send(tech, job, { kind: 'undo', payload: { of: own.ok ? own.value.event.id : '' } })).ok
    ).toBe(true);
  });

  it('on a device goes out under whoever was signed in there when it was made, and no one else', async () => {
    const first = await session('technician');
    const made = new Date().toISOString();
    await endSession(db(), first.browser, 'signed out', first.who);
    const second = await somebody('technician');
    const now = (await sessionOf(db(), await at(second.name, '', first.browser)))!;
    expect(now.device).toBe(first.who.device);
    const note = { kind: 'job.noted', payload: { text: 'Kept while away' } } as const;
    const kept = await send(now, job, note, { at: made }, first.who.person);
    expect(kept.ok && (await authorOf(kept.value.event.id)).who).toBe(first.who.name);
    // Its answer was lost, and it is sent again in the session of another: it is the same entry.
    const again = kept.ok ? kept.value.event : null;
    const resent = askedBy({ ...now, takenBy: first.who.person }, () =>
      append(db(), { ...again, who: now.name }, undefined, 'same-contents')
    );
    expect(await resent).toMatchObject({ ok: true, value: { isNew: false } });
    // Long after they had gone, or by somebody who never was on this device, it is a forgery.
    const later = new Date(Date.now() + 600_000).toISOString();
    const stranger = await session('technician');
    for (const [at, by] of [
      [later, first.who.person],
      [made, stranger.who.person]
    ] as const)
      expect(problemsOf(await send(now, job, note, { at }, by))[0]).toContain(
        'was not signed in on this device'
      );
  });
});

describe('rates', () => {
  it('let a burst through, then so many a second, each device by itself', () => {
    let now = 0;
    const rates = new Rates(() => now);
    const burst = () =>
      Array.from({ length: 300 }, () => rates.allow('events', 'tablet')).filter((s) => s === 0);
    expect(burst()).toHaveLength(200);
    expect(rates.allow('events', 'phone')).toBe(0);
    now = 2000;
    expect(burst()).toHaveLength(40);
    for (let i = 0; i < 5; i++) expect(rates.allow('signIn', 'tablet')).toBe(0);
    expect(rates.allow('signIn', 'tablet')).toBe(12);
  });

  it('let a device do two long things at once, and the next when one is done', async () => {
    const atOnce = new AtOnce(2);
    let end = () => {};
    const long = () => new Promise<string>((resolve) => (end = () => resolve('done')));
    const [first, second] = [
      atOnce.run('tablet', long),
      atOnce.run('tablet', async () => Promise.reject(new Error('no')))
    ];
    expect(await atOnce.run('tablet', async () => 'third')).toBeNull();
    expect(await atOnce.run('phone', async () => 'other')).toBe('other');
    await expect(second).rejects.toThrow('no');
    expect(await atOnce.run('tablet', async () => 'third')).toBe('third');
    end();
    expect(await first).toBe('done');
  });
});
