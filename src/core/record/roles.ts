import type { EventBody } from './events';

/** Who may do what in a workshop, each more than the one before: a reader looks, a technician records, a lead closes, prices and undoes others' entries, an owner has people, devices, files and backups. */
export const ROLES = ['reader', 'technician', 'lead', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role may do what asks for at least another. */
export const atLeast = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);

/** Entries that ask for more than a technician. */
const LEAST: Partial<Record<EventBody['kind'], { readonly role: Role; readonly deed: string }>> = {
  'job.closed': { role: 'lead', deed: 'closing a job' },
  'job.reopened': { role: 'lead', deed: 'reopening a job' },
  'shop.priced': { role: 'lead', deed: 'setting prices' },
  'shop.equipped': { role: 'lead', deed: 'setting tools' },
  'shop.staffed': { role: 'lead', deed: 'setting people and places' },
  'job.promised': { role: 'lead', deed: 'promising a vehicle' }
};

/**
 * Why a role may not make an entry, in words that end a sentence; null where it may. `ownUndo` tells of an undo
 * whether the entry it takes back is this person's own.
 */
export function refusedToRole(role: Role, kind: EventBody['kind'], ownUndo: boolean): string | null {
  const { role: least, deed } =
    LEAST[kind] ??
    (kind === 'undo' && !ownUndo
      ? { role: 'lead' as const, deed: 'undoing an entry of somebody else' }
      : { role: 'technician' as const, deed: 'writing into the record' });
  return atLeast(role, least)
    ? null
    : `${deed} is for ${least === 'owner' ? 'an' : 'a'} ${least}; you are signed in as a ${role}`;
}
