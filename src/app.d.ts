import type { DateForm } from '$core/base/dates';
import type { UnitChoice } from '$core/units/say';

declare global {
  namespace App {
    interface Locals {
      /** As chosen with the switch; `system` until then. */
      theme: 'system' | 'day' | 'night';
      /** Who is at the bench: picked once at the top of the window and kept in a cookie, until there are accounts. */
      who: string;
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
