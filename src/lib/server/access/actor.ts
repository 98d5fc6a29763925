import { AsyncLocalStorage } from 'node:async_hooks';
import { QueryTypes, type Transaction } from 'sequelize';
import { refusedToRole, type Role } from '../../../core/record/roles';
import type { RecordEvent } from '../../../core/record/events';
import { bad, good, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';

/** Who asks, in a house where people sign in. */
export interface Actor {
  readonly person: string;
  readonly device: string;
  readonly name: string;
  /** What they may do in this session. */
  readonly role: Role;
  /** The person who made what is sent, where the device kept it over a change of persons. */
  readonly takenBy: string | null;
}

const asking = new AsyncLocalStorage<Actor | null>();

/** Runs the work of a request for whoever asks; null in an open house. */
export const askedBy = <T>(actor: Actor | null, work: () => T): T => asking.run(actor, work);

/** The name an entry is made under: the session's, whatever the request says; in an open house the one that was picked. */
export const saidBy = (locals: Pick<App.Locals, 'session' | 'who'>, picked: string | undefined): string =>
  locals.session?.name ?? (picked || locals.who);

/** Whether somebody who is signed in asks: what an entry says of who made it counts for nothing then. */
export const isSigned = (): boolean => asking.getStore() != null;

export interface Author {
  readonly who: string;
  readonly person: string | null;
  readonly device: string | null;
}

/** A clock of a device and ours may differ by this much. */
const CLOCKS_S = 120;

/**
 * Who an entry is by, and whether they may make it. In an open house and for what the server does itself, it is by
 * whom it says; else by the person who is signed in, or by the one who was on this device when it was made.
 */
export async function authorOf(
  db: Database,
  event: RecordEvent,
  undone: { who: string; person: string | null } | null,
  transaction: Transaction
): Promise<Result<Author>> {
  const actor = asking.getStore();
  if (!actor) return good({ who: event.who, person: null, device: null });
  const author =
    actor.takenBy && actor.takenBy !== actor.person
      ? await whoWasHere(db, actor.takenBy, actor.device, event.at, transaction)
      : { id: actor.person, name: actor.name, role: actor.role };
  if (!author)
    return bad({
      field: 'who',
      message: 'was not signed in on this device when this was entered; sign in and enter it again'
    });
  const own = undone !== null && (undone.person ? undone.person === author.id : undone.who === author.name);
  const refused = refusedToRole(author.role, event.kind, own);
  return refused
    ? bad({ message: refused })
    : good({ who: author.name, person: author.id, device: actor.device });
}

async function whoWasHere(
  db: Database,
  person: string,
  device: string,
  at: string,
  transaction: Transaction
): Promise<{ id: string; name: string; role: Role } | undefined> {
  const rows = await db.sequelize.query<{ id: string; name: string; role: Role }>(
    `SELECT p.id, p.name, CASE WHEN p.role = 'owner' THEN 'lead' ELSE p.role END AS role
     FROM sessions s JOIN people p ON p.id = s.person_id
     WHERE s.person_id = $1 AND s.device_id = $2 AND NOT s.revoked AND p.active
       AND $3::timestamptz BETWEEN s.created_at - $4 * interval '1 second' AND coalesce(s.ended_at, now()) + $4 * interval '1 second'
     LIMIT 1`,
    { bind: [person, device, at, CLOCKS_S], type: QueryTypes.SELECT, transaction }
  );
  return rows[0];
}
