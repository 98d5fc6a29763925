import type { SpecSheet } from '../vehicle/spec-sheet';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import { SUSPECTS } from '../vehicle/fault-words';
import { cannotHave } from './findings';

/** How often each suspect was the cause before, relative to the catalogue's idea of it: 1 where nothing is known. */
export type History = Readonly<Partial<Record<FaultId, number>>>;

/** Every way things can be on a vehicle: nothing wrong, one fault, or a plausible pair, with what each had before. */
export interface Ways {
  readonly possible: readonly FaultId[];
  readonly impossible: readonly { readonly fault: FaultId; readonly because: string }[];
  readonly ways: readonly (readonly FaultId[])[];
  /** Natural logarithm of each way's chance before any evidence; they add up to one. */
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

const pairable = (a: FaultId, b: FaultId): boolean => !ONE_PART.some((part) => part.test(a) && part.test(b));

/** What a sheet rules out does not change with the findings, and looking ahead asks for it thousands of times. */
const known = new WeakMap<object, { readonly history: History | undefined; readonly ways: Ways }>();
const NO_SHEET = {};

/** The ways of a vehicle by its sheet, every fault there is without one. */
export function waysOf(sheet: SpecSheet | null, history?: History): Ways {
  const had = known.get(sheet ?? NO_SHEET);
  if (had && had.history === history) return had.ways;
  const ways = make(sheet, history);
  known.set(sheet ?? NO_SHEET, { history, ways });
  return ways;
}

function make(sheet: SpecSheet | null, history: History = {}): Ways {
  const impossible = FAULT_IDS.flatMap((fault) => {
    const because = cannotHave(fault, sheet);
    return because ? [{ fault, because }] : [];
  });
  const possible = FAULT_IDS.filter((f) => !impossible.some((i) => i.fault === f));
  const weight = (f: FaultId) => SUSPECTS[f].prior * (history[f] ?? 1);
  const total = possible.reduce((sum, f) => sum + weight(f), 0);
  const share = (f: FaultId) => weight(f) / total;
  const faults = possible.filter((f) => f !== 'none');
  const pairs = faults.flatMap((a, i) =>
    faults.slice(i + 1).flatMap((b) => (pairable(a, b) ? [[a, b] as const] : []))
  );
  const any = faults.reduce((sum, f) => sum + share(f), 0);
  const product = ([a, b]: readonly [FaultId, FaultId]) => share(a) * share(b);
  const products = pairs.reduce((sum, p) => sum + product(p), 0);
  const chances = [
    ...possible.map((f) => (f === 'none' ? share(f) : share(f) * (1 - PAIRS))),
    ...pairs.map((p) => (PAIRS * any * product(p)) / products)
  ];
  return {
    possible,
    impossible,
    ways: [...possible.map((f) => [f] as const), ...pairs],
    logPrior: Float64Array.from(chances, Math.log)
  };
}
