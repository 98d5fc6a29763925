import { FAULTS, plantFault, PLANT_FAULTS, withFault } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { PLAIN_SEVERITY } from './blind';
import { alikeOn, canOccur } from './candidates';
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
    /** Plain as it may be, this run does not tell whether it is there beside the leading one. */
    readonly hidden: boolean;
  }[];
}

/** A cause less likely than this leads too little to ask what hides behind it. */
const LEADS = 0.3;
/** Two explanations that are this near do as well, nats. */
const AS_WELL = 1.5;

/** Every fault that changes a curve, laid over the leading one under the run's own conditions; null where nothing leads. */
export function besideLeading(bench: ObservedRun, [leading]: readonly Ranked[]): Beside | null {
  const { fault: lead } = leading;
  if (lead === 'none' || plantFault(lead)?.kind !== 'warms' || leading.probability < LEADS) return null;
  const alone = explains(bench, leading.plant, leading.fitted);
  const both = (other: FaultId, severity: number) => {
    const plant = withFault(leading.plant, other, severity);
    const first = fit(bench, plant, leading.heatScale, 1);
    const fitted = fitOn(bench, plant, first);
    return Math.max(explains(bench, plant, first), explains(bench, plant, fitted)) - alone;
  };
  const found = new Map<FaultId, Beside['faults'][number]>();
  for (const { id, plain = PLAIN_SEVERITY, severities = [plain / 2] } of besides(bench, leading)) {
    const more = both(id, plain);
    const hidden = more > -AS_WELL;
    // What hides a plain fault hides a mild one.
    const nats = hidden ? more : logSumExp([more, both(id, severities[0])]) - Math.log(2);
    for (const fault of [id, ...alikeOn(bench.plant, bench.spec, id)])
      // A fault that can draw two curves is as likely as the likelier of them.
      if (nats > (found.get(fault)?.nats ?? -Infinity)) found.set(fault, { fault, nats, hidden });
  }
  return { leading: lead, faults: [...found.values()] };
}

/**
 * The faults that stand for their like and are of another part: what one repair puts right does not hide behind itself.
 * A part that the leading fault takes away cannot fail as well.
 */
const besides = ({ spec }: ObservedRun, { fault: lead, plant }: Ranked) =>
  PLANT_FAULTS.flatMap((f) =>
    f.kind === 'warms' &&
    f.id !== 'none' &&
    f.id !== 'sheet-wrong' &&
    !FAULTS[f.id].like &&
    FAULTS[f.id].repair !== FAULTS[lead].repair &&
    canOccur(plant, spec, f.id)
      ? [f]
      : []
  );
