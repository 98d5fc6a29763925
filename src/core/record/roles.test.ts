import { describe, expect, it } from 'vitest';
import { EVENT_VERSIONS } from './events';
import { atLeast, refusedToRole, ROLES, type Role } from './roles';
import type { EventBody } from './events';

const KINDS = Object.keys(EVENT_VERSIONS) as EventBody['kind'][];
const mayMake = (role: Role, ownUndo = true) =>
  KINDS.filter((kind) => refusedToRole(role, kind, ownUndo) === null);

describe('roles', () => {
  it('grow: what one may, the next may too', () => {
    for (const [i, role] of ROLES.entries())
      for (const next of ROLES.slice(i)) {
        expect(atLeast(next, role)).toBe(true);
        expect(mayMake(next)).toEqual(expect.arrayContaining(mayMake(role)));
      }
  });

  it('let a reader write nothing', () => expect(mayMake('reader')).toEqual([]));

  it('let a technician record and take back what is their own, and leave closing and prices to a lead', () => {
    const left = KINDS.filter((kind) => !mayMake('technician').includes(kind));
    expect(left.sort()).toEqual([
      'job.closed',
      'job.promised',
      'job.reopened',
      'shop.equipped',
      'shop.priced',
      'shop.staffed'
    ]);
    expect(mayMake('technician', false)).not.toContain('undo');
    expect(mayMake('lead', false)).toEqual(KINDS);
  });

  it('say what is asked for', () => {
    expect(refusedToRole('technician', 'undo', false)).toBe(
      'undoing an entry of somebody else is for a lead; you are signed in as a technician'
    );
  });
});
