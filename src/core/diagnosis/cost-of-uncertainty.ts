import { curesOf, repairFor } from '../faults/registry';
import { contentKey, Recent } from '../base/content-key';
import type { ShopCosts } from '../record/shop-costs';
import { REPAIR_IDS } from '../vehicle/repairs';
import { priceOf } from './costs';
import type { Space } from './hypotheses';

/** What not knowing is expected to cost, by the chances of every hypothesis. Money of the shop. */
export type CostOfUncertainty = (chances: Float64Array) => number;

const kept = new WeakMap<Space, Recent<CostOfUncertainty>>();

/**
 * What acting now is expected to cost beyond acting with the cause known: the wrong parts and the comebacks of the
 * repair that is cheapest in the end, and a leading cause that is written down and was not there; 0 where nothing is
 * in doubt.
 */
export function costOfUncertainty(space: Space, costs: ShopCosts): CostOfUncertainty {
  const ofSpace = kept.get(space) ?? new Recent<CostOfUncertainty>(8);
  kept.set(space, ofSpace);
  return ofSpace.of(contentKey(costs), () => make(space, costs));
}

/** Hypotheses less likely than this cost less than a hundredth of a coin together. */
const NEGLIGIBLE = 1e-9;

function make({ possible, sets, members }: Space, costs: ShopCosts): CostOfUncertainty {
  const known = Float64Array.from(sets, (faults) => priceOf(faults.map(repairFor), costs).total);
  // One row for every repair that could be chosen: what it costs in the end under each hypothesis.
  const ids = REPAIR_IDS.filter((id) => possible.some((f) => repairFor(f) === id));
  const rows = ids.map((id) => {
    const own = priceOf([id], costs).total;
    return Float64Array.from(sets, (faults) => {
      const left = faults.filter((f) => f !== 'none' && !curesOf(id).includes(f));
      return own + (left.length === 0 ? 0 : costs.comeback + priceOf(left.map(repairFor), costs).total);
    });
  });
  const shares = new Float64Array(possible.length);
  return (chances) => {
    let due = 0;
    shares.fill(0);
    const counting: number[] = [];
    for (let h = 0; h < chances.length; h++) {
      if (chances[h] < NEGLIGIBLE) continue;
      counting.push(h);
      due += chances[h] * known[h];
      for (const f of members[h]) shares[f] += chances[h];
    }
    const named = Math.max(...shares);
    let least = Infinity;
    for (const row of rows) {
      let sum = 0;
      for (const h of counting) sum += chances[h] * row[h];
      if (sum < least) least = sum;
    }
    return Math.max(0, least - due) + costs.misnamed * (1 - named);
  };
}
