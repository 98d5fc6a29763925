import { PLANT_FAULTS } from '../physics/plant/faults';
import type { FaultId } from '../vehicle/faults';
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

/** Faults one temperature log cannot tell from the one that stands for them: told together, never ranked apart. */
export const ALIKE: Readonly<Partial<Record<FaultId, readonly FaultId[]>>> = {
  'ect-reads-hot': ['ect-wrong-part', 'ect-wiring'],
  'ect-reads-cold': ['ect-wrong-part', 'ect-wiring'],
  'ect-open-circuit': ['ect-wiring'],
  'ect-short-circuit': ['ect-wiring'],
  'ect-intermittent': ['ect-wiring'],
  'clutch-circuit-open': ['clutch-seized'],
  'fan-motor-dead': ['fan-relay-contacts', 'fan-relay-coil', 'fan-feed-open', 'fan-controller-dead']
};

const SEVERITIES: Readonly<Partial<Record<FaultId, readonly number[]>>> = {
  'thermostat-stuck-open': [0.2, 0.4, 0.65, 1],
  'thermostat-stuck-closed': [0.85, 0.93, 1],
  'thermostat-low-rating': [0.25, 0.45, 0.7, 1],
  'thermostat-sluggish': [0.35, 0.65, 1],
  'ect-reads-hot': [0.25, 0.5, 0.8],
  'ect-reads-cold': [0.2, 0.4, 0.65, 1],
  'airflow-restricted': [0.4, 0.65, 0.9],
  'radiator-clogged': [0.35, 0.6, 0.85],
  'pump-flow-low': [0.6, 0.85, 1],
  'coolant-low': [0.5, 0.85],
  'sensor-branch-restricted': [0.4, 0.7, 1],
  'fan-setpoint-modified': [0.4, 0.8],
  'fan-motor-weak': [0.6, 1],
  'fan-relay-welded': [0.4, 1],
  'fan-controller-shorted': [0.3, 1],
  'clutch-slipping': [0.5, 1],
  'clutch-engages-late': [0.5, 1]
};

/** Faults read from the jumps and flat lines of the reading itself, not from how the engine warms. */
export const ELECTRICAL: ReadonlySet<FaultId> = new Set([
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent'
]);

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

const healthyOnes = (plant: PlantParams): Candidate[] =>
  HEALTHY.map(({ variant, share, of }) => ({
    fault: 'none',
    variant,
    severity: 0,
    plant: { ...plant, ...of(plant) },
    share
  }));

/**
 * Every candidate this vehicle can have, at a few severities each. Without the fan command in
 * the log, a missing one is a fan that does not run; a seized electronic clutch and an unpowered one turn alike.
 */
export function candidatesFor(plant: PlantParams, commandLogged: boolean): Candidate[] {
  const faults = PLANT_FAULTS.filter(
    (f) =>
      f.id !== 'none' &&
      !told.has(f.id) &&
      (commandLogged || f.id !== 'fan-command-missing') &&
      !(f.id === 'clutch-seized' && plant.clutch.kind === 'electronic') &&
      !ELECTRICAL.has(f.id) &&
      (!f.applies || f.applies(plant))
  ).flatMap((fault) => {
    const variants = Object.entries(fault.variants);
    const severities = SEVERITIES[fault.id] ?? [1];
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

/** The faults alike to this one that the vehicle can have. */
export function alikeOn(plant: PlantParams, fault: FaultId, commandLogged = false): FaultId[] {
  return (ALIKE[fault] ?? [])
    .concat(fault === 'fan-motor-dead' && !commandLogged ? ['fan-command-missing'] : [])
    .filter((id) => {
      const known = PLANT_FAULTS.find((f) => f.id === id);
      return !known?.applies || known.applies(plant);
    });
}
