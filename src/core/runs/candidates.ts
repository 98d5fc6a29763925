import { ALIKE, cannotHave, plantFault, PLANT_FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { PlantParams } from '../physics/plant/params';

/** One explanation tried on a run: a fault at a severity. Faults that draw the same curve share a candidate family. */
export interface Candidate {
  readonly fault: FaultId;
  readonly variant: string;
  readonly severity: number;
  readonly plant: PlantParams;
  /** Share of its family it is believed to be, before the run; the members of a family share 1. */
  readonly share: number;
}

const told = new Set<FaultId>(
  Object.values(ALIKE)
    .flat()
    .filter((id) => id !== 'clutch-seized')
);

/**
 * Healthy engines of one sheet that are unlike the usual one in what decides how hot they get: how much heat they
 * lose while warming, and how much their radiator has in hand. A spread around one curve does not reach them.
 */
const HEALTHY: readonly { variant: string; share: number; of: (p: PlantParams) => Partial<PlantParams> }[] = [
  { variant: 'usual', share: 0.6, of: () => ({}) },
  {
    variant: 'loses-more',
    share: 0.15,
    of: (p) => ({
      surface: 1.7 * p.surface,
      heater: 1.7 * p.heater,
      radiatorNatural: 1.4 * p.radiatorNatural
    })
  },
  {
    variant: 'opens-early',
    share: 0.1,
    of: (p) => ({ startOpenC: p.startOpenC - 3, fullOpenC: p.fullOpenC - 3 })
  },
  {
    variant: 'little-in-hand',
    share: 0.15,
    of: (p) => ({ radiatorMax: 0.72 * p.radiatorMax, pumpKgS: 0.75 * p.pumpKgS })
  }
];

export interface Unlogged {
  readonly heater: number;
  readonly still: number;
  readonly share: number;
}

/**
 * What nobody logs and every explanation may have: how much heat the heater takes, as a multiple of what it usually
 * does in such weather (its lever stands anywhere, and cores differ), and how much of it goes through a radiator that
 * no fan and no wind drives. Tried on every explanation that is still in the running, each as often as it is met.
 */
export const UNLOGGED: readonly Unlogged[] = [
  { heater: 1, still: 1, share: 0.3 },
  { heater: 2.6, still: 1, share: 0.15 },
  { heater: 0.3, still: 1, share: 0.15 },
  { heater: 1, still: 8, share: 0.25 },
  { heater: 2.6, still: 8, share: 0.15 }
];

/** Where a fan switches that nobody described, as often as it is met: at the usual point, and well below it. */
const SUPPOSED_POINTS: readonly { readonly shiftC: number; readonly share: number }[] = [
  { shiftC: 0, share: 0.65 },
  { shiftC: -9, share: 0.35 }
];

/** Where a thermostat opens whose number nobody gave, as often as it is met: about the usual, well below it and above. */
const SUPPOSED_OPENINGS: typeof HEALTHY = [
  ...HEALTHY.map((h) => ({ ...h, share: 0.5 * h.share })),
  ...(
    [
      [-8, 'lower', 0.3],
      [7, 'higher', 0.2]
    ] as const
  ).map(([byC, way, share]) => ({
    variant: `opens ${way}`,
    share,
    of: (p: PlantParams) => ({ startOpenC: p.startOpenC + byC, fullOpenC: p.fullOpenC + byC })
  }))
];

const healthyOnes = (plant: PlantParams): Candidate[] =>
  (plant.fan.kind !== 'none' && plant.fan.pointsSupposed
    ? SUPPOSED_POINTS
    : [{ shiftC: 0, share: 1 }]
  ).flatMap((point) =>
    (plant.openingSupposed ? SUPPOSED_OPENINGS : HEALTHY).map(({ variant, share, of }) => ({
      fault: 'none',
      variant: point.shiftC === 0 ? variant : `${variant}, fan from lower on`,
      severity: 0,
      plant: { ...plant, ...of(plant), fanShiftC: plant.fanShiftC + point.shiftC },
      share: share * point.share
    }))
  );

/**
 * Every candidate this vehicle can have, at a few severities each. Without the fan command in
 * the log, a missing one is a fan that does not run; a seized electronic clutch and an unpowered one turn alike.
 */
export function candidatesFor(plant: PlantParams, commandLogged: boolean): Candidate[] {
  const faults = PLANT_FAULTS.flatMap((f) => (f.kind === 'warms' ? [f] : []))
    .filter(
      (f) =>
        f.id !== 'none' &&
        !told.has(f.id) &&
        (commandLogged || f.id !== 'fan-command-missing') &&
        !(f.id === 'clutch-seized' && plant.clutch.kind === 'electronic') &&
        (!f.applies || f.applies(plant))
    )
    .flatMap((fault) => {
      const variants = Object.entries(fault.variants);
      const severities = fault.severities ?? [1];
      return variants.flatMap(([variant, apply]) =>
        severities.map((severity) => ({
          fault: fault.id,
          variant,
          severity,
          plant: { ...plant, ...apply(plant, severity) },
          share: 1 / (variants.length * severities.length)
        }))
      );
    });
  return [...healthyOnes(plant), ...faults];
}

/** Whether a vehicle can have a fault at all, by its plant and by its sheet. */
export const canOccur = (plant: PlantParams, sheet: SpecSheet, fault: FaultId): boolean =>
  (plantFault(fault)?.applies?.(plant) ?? true) && cannotHave(fault, sheet) === null;

/** The faults alike to this one that the vehicle can have. */
export function alikeOn(
  plant: PlantParams,
  sheet: SpecSheet,
  fault: FaultId,
  commandLogged = false
): FaultId[] {
  return (ALIKE[fault] ?? [])
    .concat(fault === 'fan-motor-dead' && !commandLogged ? ['fan-command-missing'] : [])
    .filter((id) => canOccur(plant, sheet, id));
}
