import { USUAL_COSTS, type ShopCosts } from './shop-costs';
import { activeEvents } from './active';
import { DEMO_WHO } from './derive';
import type { RecordEvent } from './events';
import { NO_FLOOR, type Floor } from './floor';
import { USUAL_CHECKS, type ShopChecks } from './shop-checks';

/** The shop has one stream of its own. */
export const SHOP_ID = '00000000-0000-4000-8000-000000000001';

/** What things cost here, as it was said last; our defaults until somebody says. */
export function deriveCosts(events: readonly RecordEvent[]): ShopCosts {
  const last = activeEvents(events).findLast((e) => e.kind === 'shop.priced');
  return last?.kind === 'shop.priced' ? last.payload : USUAL_COSTS;
}

/** Whether a person has said what the shop's money is called; what the demo says of its own is nobody's word. */
export const isCurrencyKnown = (events: readonly RecordEvent[]): boolean =>
  activeEvents(events).some((e) => e.kind === 'shop.priced' && e.who !== DEMO_WHO);

/** How checks are done here, as it was said last. */
export function deriveChecks(events: readonly RecordEvent[]): ShopChecks {
  const last = activeEvents(events).findLast((e) => e.kind === 'shop.equipped');
  return last?.kind === 'shop.equipped' ? last.payload : USUAL_CHECKS;
}

/** Who works here and where, as it was said last. */
export function deriveFloor(events: readonly RecordEvent[]): Floor {
  const last = activeEvents(events).findLast((e) => e.kind === 'shop.staffed');
  return last?.kind === 'shop.staffed' ? last.payload : NO_FLOOR;
}
