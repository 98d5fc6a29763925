import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Role } from '../../../core/record/roles';
import { bad, good, type Problem, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { stepOfCode } from './second-factor';
import { isSecret, newToken, pinFault, secretHash, tokenHash } from './secrets';
import { tellSecurity } from './security-log';

/** A session nobody used for this long ends by itself. */
const IDLE_MIN = 15;
/** And every session after this. */
const LONGEST_H = 14;
const TRIES = 5;
/** A shut-out doubles from one minute up to this. */
const LONGEST_SHUT_OUT_MIN = 15;

export interface SignedIn {
  readonly person: string;
  readonly name: string;
  readonly device: string;
  /** An owner who came by PIN is a lead until they sign in with passphrase and code. */
  readonly role: Role;
}

/** What a browser shows of itself: its cookies, and where it asks from. */
export interface Browser {
  readonly session: string | undefined;
  readonly device: string | undefined;
  readonly address: string;
}

/** Tokens that a browser is to keep. */
export interface Keys {
  readonly session: string;
  readonly device: string;
}

/** Who is signed in with this browser's cookie; null where nobody is. Using it keeps it alive. */
export async function sessionOf(db: Database, browser: Browser): Promise<SignedIn | null> {
  if (!browser.session || !browser.device) return null;
  const [row] = await db.sequelize.query<{
    person: string;
    name: string;
    device: string;
    role: Role;
    strong: boolean;
    idle: boolean;
    stale: boolean;
  }>(
    `SELECT p.id AS person, p.name, p.role, d.id AS device, s.strong,
       (s.seen_at < now() - $3 * interval '1 minute' OR s.created_at < now() - $4 * interval '1 hour') AS idle,
       s.seen_at < now() - interval '30 seconds' AS stale
     FROM sessions s JOIN people p ON p.id = s.person_id JOIN devices d ON d.id = s.device_id
     WHERE s.token = $1 AND d.token = $2 AND s.ended_at IS NULL AND NOT s.revoked AND p.active AND d.revoked_at IS NULL`,
    {
      bind: [tokenHash(browser.session), tokenHash(browser.device), IDLE_MIN, LONGEST_H],
      type: QueryTypes.SELECT
    }
  );
  if (!row) return null;
  if (row.idle) {
    await endSession(db, browser, 'left alone', row);
    return null;
  }
  if (row.stale)
    await db.sequelize.query(
      `WITH s AS (UPDATE sessions SET seen_at = now() WHERE token = $1) UPDATE devices SET seen_at = now() WHERE id = $2`,
      { bind: [tokenHash(browser.session), row.device] }
    );
  const { person, name, device, role, strong } = row;
  return { person, name, device, role: role === 'owner' && !strong ? 'lead' : role };
}

export async function endSession(
  db: Database,
  browser: Browser,
  why: 'signed out' | 'left alone',
  who: { person: string; device: string }
): Promise<void> {
  await db.sequelize.query('UPDATE sessions SET ended_at = now() WHERE token = $1 AND ended_at IS NULL', {
    bind: [tokenHash(browser.session ?? '')]
  });
  await tellSecurity(db, why, { ...who, address: browser.address });
}

interface PersonRow {
  id: string;
  name: string;
  role: Role;
  passphrase: string;
  second_factor: string | null;
  second_factor_used: string;
  shut_out_s: number | null;
}

const WRONG: Problem = {
  field: 'passphrase',
  message: 'or name is not right; try again, or ask an owner for a link'
};

/** Signs a person in by passphrase, an owner with a code too, and enrols the browser as a device of the workshop. */
export async function signIn(
  db: Database,
  browser: Browser,
  asked: { name: string; passphrase: string; code: string; deviceName: string },
  nowMs: number = Date.now()
): Promise<Result<Keys & { person: string }>> {
  const [person] = await db.sequelize.query<PersonRow>(
    `SELECT id, name, role, passphrase, second_factor, second_factor_used,
       extract(epoch FROM locked_until - now()) AS shut_out_s
     FROM people WHERE lower(name) = lower($1) AND active`,
    { bind: [asked.name.trim()], type: QueryTypes.SELECT }
  );
  const at = { person: person?.id, address: browser.address };
  if (person?.shut_out_s && person.shut_out_s > 0)
    return bad({
      field: 'passphrase',
      message: `was wrong too often; try again in ${Math.ceil(person.shut_out_s / 60)} min`
    });
  if (!(await isSecret(person?.passphrase, asked.passphrase))) {
    await tellSecurity(db, 'wrong passphrase', at, person ? '' : 'nobody of that name');
    if (person) await countFailure(db, person.id, browser);
    return bad(WRONG);
  }
  if (person!.second_factor) {
    if (!asked.code)
      return bad({ field: 'code', message: 'is asked for next: the six digits of your authenticator' });
    const step = stepOfCode(person!.second_factor, asked.code, Number(person!.second_factor_used), nowMs);
    const [used] = await db.sequelize.query(
      'UPDATE people SET second_factor_used = $2 WHERE id = $1 AND second_factor_used < $2 RETURNING id',
      { bind: [person!.id, step ?? 0] }
    );
    if (step === null || used.length === 0) {
      await tellSecurity(db, 'wrong passphrase', at, 'code');
      await countFailure(db, person!.id, browser);
      return bad({ field: 'code', message: 'is not the one shown now; wait for the next and enter that' });
    }
  }
  await db.sequelize.query('UPDATE people SET failed = 0, locked_until = NULL WHERE id = $1', {
    bind: [person!.id]
  });
  return good({
    person: person!.id,
    ...(await openSession(db, browser, person!.id, true, asked.deviceName))
  });
}

/** Opens a session, on this browser's device or on a new one. */
export async function openSession(
  db: Database,
  browser: Browser,
  person: string,
  strong: boolean,
  deviceName: string
): Promise<Keys> {
  const known = await deviceOf(db, browser);
  const device = { id: known ?? randomUUID(), token: known ? browser.device! : newToken() };
  if (!known) {
    await db.sequelize.query('INSERT INTO devices (id, token, name, enrolled_by) VALUES ($1, $2, $3, $4)', {
      bind: [device.id, tokenHash(device.token), deviceName.trim().slice(0, 60) || 'Unnamed device', person]
    });
    await tellSecurity(db, 'device enrolled', { person, device: device.id, address: browser.address });
  }
  // Who was here before on this browser is not any more.
  if (browser.session)
    await db.sequelize.query('UPDATE sessions SET ended_at = now() WHERE token = $1 AND ended_at IS NULL', {
      bind: [tokenHash(browser.session)]
    });
  const session = newToken();
  await db.sequelize.query(
    'INSERT INTO sessions (token, person_id, device_id, strong) VALUES ($1, $2, $3, $4)',
    { bind: [tokenHash(session), person, device.id, strong] }
  );
  await tellSecurity(db, strong ? 'signed in' : 'signed in by PIN', {
    person,
    device: device.id,
    address: browser.address
  });
  return { session, device: device.token };
}

/** The device of this browser, where it is one of the workshop. */
async function deviceOf(db: Database, browser: Browser): Promise<string | null> {
  if (!browser.device) return null;
  const [row] = await db.sequelize.query<{ id: string }>(
    'SELECT id FROM devices WHERE token = $1 AND revoked_at IS NULL',
    { bind: [tokenHash(browser.device)], type: QueryTypes.SELECT }
  );
  return row?.id ?? null;
}

/** Who can sign in here by PIN. */
export async function peopleHere(db: Database, browser: Browser): Promise<{ id: string; name: string }[]> {
  if (!browser.device) return [];
  return db.sequelize.query<{ id: string; name: string }>(
    `SELECT p.id, p.name FROM pins JOIN people p ON p.id = pins.person_id JOIN devices d ON d.id = pins.device_id
     WHERE d.token = $1 AND d.revoked_at IS NULL AND p.active ORDER BY p.name`,
    { bind: [tokenHash(browser.device)], type: QueryTypes.SELECT }
  );
}

export async function setPin(db: Database, who: SignedIn, pin: string): Promise<Result<null>> {
  const fault = pinFault(pin);
  if (fault) return bad({ field: 'pin', message: fault });
  await db.sequelize.query(
    `INSERT INTO pins (device_id, person_id, pin) VALUES ($1, $2, $3)
     ON CONFLICT (device_id, person_id) DO UPDATE SET pin = excluded.pin, failed = 0`,
    { bind: [who.device, who.person, await secretHash(pin)] }
  );
  return good(null);
}

/** Signs a person in by the PIN they have on this device. After five wrong ones the PIN is gone, here. */
export async function signInByPin(
  db: Database,
  browser: Browser,
  asked: { person: string; pin: string }
): Promise<Result<Keys>> {
  const device = await deviceOf(db, browser);
  if (!device) return bad({ field: 'pin', message: 'is of no use here; sign in with your passphrase' });
  // Counted before it is looked at, so that many at once have five tries together.
  const [rows] = await db.sequelize.query(
    `UPDATE pins SET failed = pins.failed + 1 FROM people p
     WHERE pins.device_id = $1 AND pins.person_id = $2 AND p.id = pins.person_id AND p.active
     RETURNING pins.pin, pins.failed`,
    { bind: [device, asked.person] }
  );
  const kept = (rows as { pin: string; failed: number }[])[0];
  const at = { person: kept ? asked.person : null, device, address: browser.address };
  if (!kept) return bad({ field: 'pin', message: 'is not set on this device; sign in with your passphrase' });
  if (kept.failed <= TRIES && (await isSecret(kept.pin, asked.pin))) {
    await db.sequelize.query('UPDATE pins SET failed = 0 WHERE device_id = $1 AND person_id = $2', {
      bind: [device, asked.person]
    });
    return good(await openSession(db, browser, asked.person, false, ''));
  }
  await tellSecurity(db, 'wrong PIN', at);
  if (kept.failed < TRIES)
    return bad({
      field: 'pin',
      message: `is not right; ${TRIES - kept.failed} ${kept.failed === TRIES - 1 ? 'try' : 'tries'} left`
    });
  await db.sequelize.query('DELETE FROM pins WHERE device_id = $1 AND person_id = $2', {
    bind: [device, asked.person]
  });
  await tellSecurity(db, 'PIN taken away', at);
  return bad({ field: 'pin', message: 'was wrong five times and is gone; sign in with your passphrase' });
}

async function countFailure(db: Database, person: string, browser: Browser): Promise<void> {
  const [rows] = await db.sequelize.query(
    `UPDATE people SET failed = failed + 1,
       locked_until = CASE WHEN failed + 1 >= $2 THEN now() + least($3, power(2, failed + 1 - $2)) * interval '1 minute' END
     WHERE id = $1 RETURNING failed`,
    { bind: [person, TRIES, LONGEST_SHUT_OUT_MIN] }
  );
  if ((rows as { failed: number }[])[0]!.failed >= TRIES)
    await tellSecurity(db, 'locked out', { person, address: browser.address });
}
