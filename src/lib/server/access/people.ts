import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Role } from '../../../core/record/roles';
import { bad, good, type Problem, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { stepOfCode } from './second-factor';
import { newToken, passphraseFault, secretHash, tokenHash } from './secrets';
import { tellSecurity, type Where } from './security-log';

const INVITED_FOR_H = 48;

/** A link's token that makes somebody a person here with this role, once; or gives one who is here a new passphrase. */
export async function invite(db: Database, role: Role, person: string | null, by: Where): Promise<string> {
  const token = newToken();
  await db.sequelize.query(
    `INSERT INTO invitations (token, role, person_id, expires_at) VALUES ($1, $2, $3, now() + $4 * interval '1 hour')`,
    { bind: [tokenHash(token), role, person, INVITED_FOR_H] }
  );
  await tellSecurity(db, 'person invited', by, role);
  return token;
}

/** The link that makes the first owner; null where there is one. Links printed before stop working. */
export async function ownerInvitation(db: Database, address: string): Promise<string | null> {
  const [owner] = await db.sequelize.query("SELECT 1 FROM people WHERE role = 'owner' AND active");
  if (owner.length > 0) return null;
  await db.sequelize.query(
    "UPDATE invitations SET used_at = now() WHERE role = 'owner' AND person_id IS NULL AND used_at IS NULL"
  );
  return invite(db, 'owner', null, { address });
}

export interface Invitation {
  readonly role: Role;
  /** Who gets a new passphrase; null for somebody new. */
  readonly name: string | null;
  readonly person: string | null;
}

/** What a link is for; null where it is used, too old or none of ours. */
export async function invitationOf(db: Database, token: string): Promise<Invitation | null> {
  const [row] = await db.sequelize.query<Invitation>(
    `SELECT i.role, p.name, i.person_id AS person FROM invitations i LEFT JOIN people p ON p.id = i.person_id
     WHERE i.token = $1 AND i.used_at IS NULL AND i.expires_at > now() AND coalesce(p.active, true)`,
    { bind: [tokenHash(token)], type: QueryTypes.SELECT }
  );
  return row ?? null;
}

/** Makes the person of a link, or gives them a new passphrase and ends their sessions. */
export async function join(
  db: Database,
  token: string,
  asked: { name: string; passphrase: string; secret: string; code: string },
  address: string,
  nowMs: number = Date.now()
): Promise<Result<{ person: string }>> {
  const invitation = await invitationOf(db, token);
  if (!invitation) return bad({ message: 'the link was used or is too old; ask an owner for another' });
  const name = (invitation.name ?? asked.name).trim();
  const problems: Problem[] = [];
  if (name.length === 0 || name.length > 60)
    problems.push({ field: 'name', message: 'has 1 to 60 characters, as it is to stand in the record' });
  const fault = passphraseFault(asked.passphrase, name);
  if (fault) problems.push({ field: 'passphrase', message: fault });
  const owner = invitation.role === 'owner';
  const step = owner ? stepOfCode(asked.secret, asked.code, 0, nowMs) : 0;
  if (step === null)
    problems.push({
      field: 'code',
      message: 'is not the one your authenticator shows now; enter the six digits'
    });
  if (problems.length > 0) return bad(...problems);
  const passphrase = await secretHash(asked.passphrase);
  const person = invitation.person ?? randomUUID();
  const done = await db.sequelize
    .transaction(async (transaction): Promise<Problem | null> => {
      const [used] = await db.sequelize.query(
        'UPDATE invitations SET used_at = now() WHERE token = $1 AND used_at IS NULL RETURNING token',
        { bind: [tokenHash(token)], transaction }
      );
      if (used.length === 0) return { message: 'the link was used meanwhile; ask an owner for another' };
      const [made] = await db.sequelize
        .query(
          `INSERT INTO people (id, name, role, passphrase, second_factor, second_factor_used) VALUES ($1, $2, $3, $4, $5, $6)
       ON CONFLICT (id) DO UPDATE SET role = excluded.role, passphrase = excluded.passphrase, second_factor = excluded.second_factor,
         second_factor_used = excluded.second_factor_used, failed = 0, locked_until = NULL
       RETURNING id`,
          {
            bind: [person, name, invitation.role, passphrase, owner ? asked.secret : null, step],
            transaction
          }
        )
        .catch((error: Error) => {
          if (error.name === 'SequelizeUniqueConstraintError') return [[]];
          throw error;
        });
      if (made.length === 0) throw new NameTaken();
      await endAll(db, person, transaction);
      return null;
    })
    .catch((error: unknown): Problem => {
      if (error instanceof NameTaken)
        return { field: 'name', message: 'is taken here; add a letter of your surname' };
      throw error;
    });
  if (done) return bad(done);
  await tellSecurity(db, 'person joined', { person, address }, invitation.role);
  return good({ person });
}

class NameTaken extends Error {}

const endAll = (db: Database, person: string, transaction?: import('sequelize').Transaction) =>
  db.sequelize.query(
    'WITH gone AS (DELETE FROM pins WHERE person_id = $1) UPDATE sessions SET revoked = true WHERE person_id = $1',
    { bind: [person], transaction }
  );

export interface PersonLine {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly seenAt: Date | null;
}
export interface DeviceLine {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly seenAt: Date;
}

export const peopleLines = (db: Database): Promise<PersonLine[]> =>
  db.sequelize.query<PersonLine>(
    `SELECT p.id, p.name, p.role, max(s.seen_at) AS "seenAt" FROM people p LEFT JOIN sessions s ON s.person_id = p.id
     WHERE p.active GROUP BY p.id ORDER BY p.name`,
    { type: QueryTypes.SELECT }
  );

export const deviceLines = (db: Database): Promise<DeviceLine[]> =>
  db.sequelize.query<DeviceLine>(
    `SELECT d.id, d.name, p.name AS by, d.seen_at AS "seenAt" FROM devices d JOIN people p ON p.id = d.enrolled_by
     WHERE d.revoked_at IS NULL ORDER BY d.seen_at DESC`,
    { type: QueryTypes.SELECT }
  );

/** Another role for a person, or none any more. The last owner stays one. */
export async function changePerson(
  db: Database,
  person: string,
  role: Role | null,
  by: Where
): Promise<Result<null>> {
  return db.sequelize.transaction(async (transaction) => {
    // Two owners who take each other away at once would leave none.
    const [owners] = await db.sequelize.query(
      "SELECT id FROM people WHERE role = 'owner' AND active ORDER BY id FOR UPDATE",
      { transaction }
    );
    const left = (owners as { id: string }[]).filter((o) => o.id !== person).length;
    if (role !== 'owner' && left === 0)
      return bad({ field: 'role', message: 'is that of the only owner; make somebody else an owner first' });
    if (role === 'owner' && !(owners as { id: string }[]).some((o) => o.id === person))
      return bad({ field: 'role', message: 'needs a second factor: give them a link as an owner' });
    await db.sequelize.query(
      role
        ? 'UPDATE people SET role = $2 WHERE id = $1'
        : 'UPDATE people SET active = false, name = name || $2 WHERE id = $1',
      {
        bind: [person, role ?? ` (until ${new Date().toISOString().slice(0, 10)}, ${person.slice(0, 4)})`],
        transaction
      }
    );
    await endAll(db, person, transaction);
    await tellSecurity(db, role ? 'role changed' : 'person removed', by, `${person} ${role ?? ''}`.trim());
    return good(null);
  });
}

/** Ends every session of a device, for good: its kept keys are of no use. */
export async function revokeDevice(db: Database, device: string, by: Where): Promise<void> {
  await db.sequelize.query(
    `WITH d AS (UPDATE devices SET revoked_at = now() WHERE id = $1), p AS (DELETE FROM pins WHERE device_id = $1)
     UPDATE sessions SET revoked = true WHERE device_id = $1`,
    { bind: [device] }
  );
  await tellSecurity(db, 'device revoked', by, device);
}
