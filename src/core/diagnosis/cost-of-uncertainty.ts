import type { Ways } from './hypotheses';
import { REPAIR_IDS, repairFor, repairOf } from '../vehicle/repairs';
import { priceOf } from './costs';
import type { ShopCosts } from '../record/shop-costs';

/** What not knowing is expected to cost, by the chances of every way of a vehicle. */
export type Stakes = (chances: Float64Array) => number;

const kept = new WeakMap<Ways, { readonly costs: ShopCosts; readonly stakes: Stakes }>();

/**
 * What acting now is expected to cost beyond acting with the cause known: the wrong parts and the comebacks of the
 * repair that is cheapest in the end, and a leading cause that is written down and was not there. Money; 0 where nothing is in doubt.
 */
export function stakesOf(of: Ways, costs: ShopCosts): Stakes {
  const had = kept.get(of);
  if (had?.costs === costs) return had.stakes;
  const stakes = make(of, costs);
  kept.set(of, { costs, stakes });
  return stakes;
}

function make(of: Ways, costs: ShopCosts): Stakes {
  const known = Float64Array.from(of.ways, (faults) => priceOf(faults.map(repairFor), costs).total);
  // One row for every repair that could be chosen: what it costs in the end where things are that way.
  const ids = REPAIR_IDS.filter((id) => of.possible.some((f) => repairFor(f) === id));
  const rows = ids.map((id) => {
    const own = priceOf([id], costs).total;
    return Float64Array.from(of.ways, (faults) => {
      const left = faults.filter((f) => f !== 'none' && !repairOf(id).cures.includes(f));
      return own + (left.length === 0 ? 0 : costs.comeback + priceOf(left.map(repairFor), costs).total);
    });
  });
  const members = of.ways.map((faults) => faults.map((f) => of.possible.indexOf(f)));
  const shares = new Float64Array(of.possible.length);
  return (chances) => {
    let due = 0;
    shares.fill(0);
    for (let h = 0; h < chances.length; h++) {
      due += chances[h] * known[h];
      for (const f of members[h]) shares[f] += chances[h];
    }
    const named = Math.max(...shares);
    let least = Infinity;
    for (const row of rows) {
      let sum = 0;
      for (let h = 0; h < chances.length; h++) sum += chances[h] * row[h];
      if (sum < least) least = sum;
    }
    return Math.max(0, least - due) + costs.misnamed * (1 - named);
  };
}
