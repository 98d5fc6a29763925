import type { DateForm } from '$core/base/dates';
import type { SignedIn } from '$lib/server/access/sessions';
import type { Role } from '$core/record/roles';
import type { UnitChoice } from '$core/units/say';

declare global {
  namespace App {
    interface PageData {
      session?: { readonly person: string; readonly name: string; readonly role: Role } | null;
    }
    interface Locals {
      /** As chosen with the switch; `system` until then. */
      theme: 'system' | 'day' | 'night';
      /** Who is at the bench: the person signed in; in an open house the name picked at the top of the window. */
      who: string;
      /** The session of whoever asks; null in an open house and where nobody is signed in. */
      session: SignedIn | null;
      /** Whether this is an open house, where nobody signs in. */
      openHouse: boolean;
      /** The units this person reads in. */
      units: UnitChoice;
      /** The form this person writes dates in. */
      dates: DateForm;
      /** What the database made of a request that failed in it; null where it had no part in it. */
      fault?: 'away' | 'conflict' | 'refused' | null;
    }
  }
}

export {};
