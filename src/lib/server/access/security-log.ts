import { QueryTypes } from 'sequelize';
import type { Database } from '../db/database';
import { log } from '../log';

/** What the log of security keeps, append-only in the database as the record is. */
export type SecurityEvent =
  | 'signed in'
  | 'signed in by PIN'
  | 'wrong passphrase'
  | 'wrong PIN'
  | 'PIN taken away'
  | 'locked out'
  | 'signed out'
  | 'left alone'
  | 'device enrolled'
  | 'device revoked'
  | 'person invited'
  | 'person joined'
  | 'role changed'
  | 'person removed'
  | 'refused'
  | 'too many requests';

export interface Where {
  readonly person?: string | null;
  readonly device?: string | null;
  readonly address: string;
}

export async function tellSecurity(
  db: Database,
  what: SecurityEvent,
  { person = null, device = null, address }: Where,
  details = ''
): Promise<void> {
  log.info({ security: what, person, device, address, details }, 'security');
  await db.sequelize.query(
    'INSERT INTO security_events (what, person_id, device_id, address, details) VALUES ($1, $2, $3, $4, $5)',
    { bind: [what, person, device, address.slice(0, 100), details.slice(0, 300)] }
  );
}

export interface SecurityLine {
  readonly at: Date;
  readonly what: SecurityEvent;
  readonly person: string | null;
  readonly device: string | null;
  readonly address: string;
  readonly details: string;
}

export const securityLines = (db: Database, most = 200): Promise<SecurityLine[]> =>
  db.sequelize.query<SecurityLine>(
    `SELECT e.at, e.what, p.name AS person, d.name AS device, e.address, e.details
     FROM security_events e LEFT JOIN people p ON p.id = e.person_id LEFT JOIN devices d ON d.id = e.device_id
     ORDER BY e.seq DESC LIMIT $1`,
    { bind: [most], type: QueryTypes.SELECT }
  );
