import { cannotHave, FAULTS, PLANT_FAULTS, withFault } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { PLAIN_SEVERITY } from './blind';
import { alikeOn } from './candidates';
import { fit, fitOn } from './fit';
import { logSumExp } from './likelihood';
import type { ObservedRun } from './observed-parts';
import { explains, type Ranked } from './rank';

/** What a second fault beside the leading one would have made of the run: both simulated together. */
export interface Beside {
  readonly leading: FaultId;
  readonly faults: readonly {
    readonly fault: FaultId;
    /** How much better both explain the run than the leading one alone, nats; negative where worse. */
    readonly nats: number;
    /** With both, plain as the second may be, the run would have looked the same. */
    readonly hidden: boolean;
  }[];
}

/** A cause less likely than this leads too little to ask what hides behind it. */
const LEADS = 0.3;
/** Two explanations that are this near do as well, nats. */
const AS_WELL = 1.5;

/** Every fault that changes a curve, laid over the leading one under the run's own conditions; null where nothing leads. */
export function besideLeading(bench: ObservedRun, [leading]: readonly Ranked[]): Beside | null {
  const drawn = PLANT_FAULTS.find((f) => f.id === leading.fault);
  if (leading.fault === 'none' || drawn?.kind !== 'warms' || leading.probability < LEADS) return null;
  const alone = explains(bench, leading.plant, leading.fitted);
  const faults = PLANT_FAULTS.flatMap((other) => {
    const { id, applies } = other;
    if (id === 'none' || id === 'sheet-wrong' || id === leading.fault || other.kind !== 'warms') return [];
    if (applies && !applies(bench.plant)) return [];
    // What one repair puts right is one part: nothing hides behind itself.
    if (FAULTS[id].repair === FAULTS[leading.fault].repair) return [];
    if (FAULTS[id].like || cannotHave(id, bench.spec)) return [];
    const plain = other.plain ?? PLAIN_SEVERITY;
    const mild = other.severities?.[0] ?? plain / 2;
    const both = (severity: number) => {
      const plant = withFault(leading.plant, id, severity);
      const first = fit(bench, plant, leading.heatScale, 1);
      const fitted = fitOn(bench, plant, first);
      return Math.max(explains(bench, plant, first), explains(bench, plant, fitted)) - alone;
    };
    const more = both(plain);
    const hidden = more > -AS_WELL;
    // What hides a plain fault hides a mild one.
    const nats = hidden ? more : logSumExp([more, both(mild)]) - Math.log(2);
    return [id, ...alikeOn(bench.plant, bench.spec, id)].map((fault) => ({ fault, nats, hidden }));
  });
  return { leading: leading.fault, faults };
}
