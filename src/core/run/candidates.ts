import { PLANT_FAULTS, type FaultId } from '../plant/faults';
import type { PlantParams } from '../plant/params';

/** One explanation tried on a run: a fault at a severity. Faults that draw the same curve share a candidate family. */
export interface Candidate {
  readonly fault: FaultId;
  readonly variant: string;
  readonly severity: number;
  readonly plant: PlantParams;
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
  none: [0],
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
 * Every candidate this vehicle can have, at a few severities each. Without the fan command in
 * the log, a missing one is a fan that does not run; a seized electronic clutch and an unpowered one turn alike.
 */
export function candidatesFor(plant: PlantParams, commandLogged: boolean): Candidate[] {
  return PLANT_FAULTS.filter(
    (f) =>
      !told.has(f.id) &&
      (commandLogged || f.id !== 'fan-command-missing') &&
      !(f.id === 'clutch-seized' && plant.clutch.kind === 'electronic') &&
      !ELECTRICAL.has(f.id) &&
      (!f.applies || f.applies(plant))
  ).flatMap((fault) =>
    Object.entries(fault.variants).flatMap(([variant, apply]) =>
      (SEVERITIES[fault.id] ?? [1]).map((severity) => ({
        fault: fault.id,
        variant,
        severity,
        plant: { ...plant, ...apply(plant, severity) }
      }))
    )
  );
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
