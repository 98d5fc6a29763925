import { curesOf } from '../faults/registry';
import { minutesOf, type ShopChecks } from '../record/shop-checks';
import type { JobState } from '../record/derive';
import { repairOf, type RepairId } from '../vehicle/repairs';
import { priceOf } from './costs';
import type { Waited } from './waited';
import { USUAL_COSTS } from '../record/shop-costs';

/** How a job went, as the depot counts it. */
export interface Ending {
  /** Everything that was repaired, in order. */
  readonly repairs: readonly RepairId[];
  /** How often it was repaired: two repairs in one go are one. */
  readonly goes: number;
  /** When it was last repaired, ISO 8601; null where it never was. */
  readonly repairedAt: string | null;
  /** How often it came back after it was closed. */
  readonly comebacks: number;
  /** Hands-on minutes of its checks, as this shop takes them, and of its repairs by the catalogue. */
  readonly minutes: number;
  /** When the vehicle was promised, ISO 8601; null where it was not. */
  readonly promised: string | null;
  /** Checks that counted for nothing because the engine was not cold any more. */
  readonly lostSoaks: number;
  /** What the vehicle waited for; null where it came back. */
  readonly waited: Waited | null;
}

export function endingOf(
  state: Pick<JobState, 'checks' | 'repairs' | 'comebacks' | 'runIds' | 'promised'>,
  shop: ShopChecks,
  lostSoaks: number,
  waited: Waited | null
): Ending {
  const checks = state.checks.reduce((sum, c) => sum + minutesOf(c.check, shop), 0);
  const runs = state.runIds.length * minutesOf('warm-up-run', shop);
  const repairs = state.repairs.reduce((sum, r) => sum + priceOf(r.done.repairs, USUAL_COSTS).labourMin, 0);
  return {
    repairs: state.repairs.flatMap((r) => r.done.repairs),
    goes: state.repairs.length,
    repairedAt: state.repairs.at(-1)?.at ?? null,
    comebacks: state.comebacks,
    minutes: checks + runs + repairs,
    promised: state.promised,
    lostSoaks,
    waited
  };
}

/** Repairs with a bought part that do not cure what it was: parts fitted needlessly. */
export const needless = (repairs: readonly RepairId[], cause: string): RepairId[] =>
  repairs.filter((id) => repairOf(id).price !== null && !(curesOf(id) as readonly string[]).includes(cause));
