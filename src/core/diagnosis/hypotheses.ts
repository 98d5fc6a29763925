import { canHave, cannotHave, FAULTS } from '../faults/registry';
import { contentKey, Recent } from '../base/content-key';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** How often each suspect was the cause before, relative to the catalogue's idea of it: 1 where nothing is known. */
export type History = Readonly<Partial<Record<FaultId, number>>>;

/** What can be wrong with a vehicle: nothing, one fault, or a plausible pair. Vehicles of one build share it. */
export interface Space {
  readonly possible: readonly FaultId[];
  readonly impossible: readonly { readonly fault: FaultId; readonly because: string }[];
  /** The faults of each hypothesis, and the same as places in `possible`. */
  readonly sets: readonly (readonly FaultId[])[];
  readonly members: readonly (readonly number[])[];
}

/** The same with what each hypothesis had before any evidence. */
export interface Hypotheses {
  readonly space: Space;
  /** Natural logarithm of each chance; they add up to one. */
  readonly logPrior: Float64Array;
}

/** Two faults at once, of all vehicles with any. */
const PAIRS = 0.04;
/** Two of one list are one part, or exclude each other: no pair is made of them. */
const ONE_PART: readonly RegExp[] = [
  /^thermostat-(?!heater)/,
  /^ect-|^sensor-branch/,
  /^clutch-(?!bearing)/,
  /^fan-(motor|relay|feed|command|controller)/
];

/** A sheet that is wrong is told by an engine that is otherwise sound: it is no part, and goes with none. */
const pairable = (a: FaultId, b: FaultId): boolean =>
  a !== 'sheet-wrong' && b !== 'sheet-wrong' && !ONE_PART.some((part) => part.test(a) && part.test(b));

/** Looking ahead asks for them thousands of times, and a reloaded page with new objects of the same contents. */
const spaces = new Recent<Space>(60);
const known = new Recent<Hypotheses>(60);

/** What can be wrong with a vehicle by its sheet, every fault there is without one. */
function spaceOf(sheet: SpecSheet | null): Space {
  return spaces.of(contentKey(sheet), () => {
    const impossible = FAULT_IDS.flatMap((fault) => {
      const because = cannotHave(fault, sheet);
      return because ? [{ fault, because }] : [];
    });
    // Sheets that rule out the same faults share one space, and whatever is laid out over it.
    return built.of(contentKey(impossible), () => build(impossible));
  });
}
const built = new Recent<Space>(60);

function build(impossible: Space['impossible']): Space {
  const possible = FAULT_IDS.filter((f) => !impossible.some((i) => i.fault === f));
  const faults = possible.filter((f) => f !== 'none');
  const pairs = faults.flatMap((a, i) =>
    faults.slice(i + 1).flatMap((b) => (pairable(a, b) ? [[a, b] as const] : []))
  );
  const sets = [...possible.map((f) => [f] as const), ...pairs];
  const members = sets.map((set) => set.map((f) => possible.indexOf(f)));
  return { possible, impossible, sets, members };
}

/** The hypotheses of a vehicle, with the catalogue's frequencies bent by the shop's own history. */
export function hypothesesOf(sheet: SpecSheet | null, history: History = {}): Hypotheses {
  return known.of(`${contentKey(sheet)} ${contentKey(history)}`, () => {
    const space = spaceOf(sheet);
    const { possible, sets } = space;
    const weight = (f: FaultId) => FAULTS[f].prior * (history[f] ?? 1) * canHave(f, sheet);
    const total = possible.reduce((sum, f) => sum + weight(f), 0);
    const share = new Map(possible.map((f) => [f, weight(f) / total]));
    const any = 1 - (share.get('none') ?? 0);
    const product = (set: readonly FaultId[]) => share.get(set[0])! * share.get(set[1])!;
    const products = sets.reduce((sum, set) => sum + (set.length === 2 ? product(set) : 0), 0);
    const chances = sets.map((set) =>
      set.length === 2
        ? (PAIRS * any * product(set)) / products
        : set[0] === 'none'
          ? share.get('none')!
          : share.get(set[0])! * (1 - PAIRS)
    );
    return { space, logPrior: Float64Array.from(chances, Math.log) };
  });
}
