import type { FaultId } from '../../vehicle/faults';
import { resistanceAt } from '../thermistor/curve';
import type { PlantParams } from './params';

/** How one fault changes the plant, from severity 0 (nothing) to 1 (as bad as it gets). */
export interface PlantFault {
  readonly id: FaultId;
  /** What severity means here, for the reader of a simulated log. */
  readonly scale: string;
  /** Ways the same fault can come about; the first is the usual one. */
  readonly variants: Readonly<Record<string, (p: PlantParams, severity: number) => Partial<PlantParams>>>;
  /** Whether a vehicle can have it at all. */
  readonly applies?: (p: PlantParams) => boolean;
}

const electricFan = (p: PlantParams) => p.fan.kind !== 'none';
const relayFan = (p: PlantParams) => p.fan.kind === 'stages';
const controllerFan = (p: PlantParams) => p.fan.kind === 'proportional';
const viscous = (p: PlantParams) => p.clutch.kind === 'thermal' || p.clutch.kind === 'fixed';
const deadFan = {
  driven: (_: PlantParams, s: number) => ({ fanStrength: 1 - s }),
  /** The same fault in a log whose fan column is sensed at the fan itself. */
  silent: (_: PlantParams, s: number) => ({ fanStrength: 1 - s, fanDriveShown: s < 1 })
};
const one = (apply: (p: PlantParams, severity: number) => Partial<PlantParams>) => ({ usual: apply });

/** Every fault of the catalogue with a thermal signature, as a change of plant parameters. */
export const PLANT_FAULTS: readonly PlantFault[] = [
  { id: 'none', scale: 'no meaning', variants: one(() => ({})) },
  {
    id: 'thermostat-stuck-open',
    scale: 'share of full lift it stays open, up to 60 %',
    variants: one((_, s) => ({ leak: 0.004 + 0.6 * s * s + 0.06 * s }))
  },
  {
    id: 'thermostat-stuck-closed',
    scale: 'share of lift it cannot reach',
    variants: one((_, s) => ({ liftMax: Math.max(0.004, 1 - s) ** 2 }))
  },
  {
    id: 'thermostat-low-rating',
    scale: 'up to 24 °C too early',
    variants: one((p, s) => ({ startOpenC: p.startOpenC - 24 * s, fullOpenC: p.fullOpenC - 24 * s }))
  },
  {
    id: 'thermostat-sluggish',
    scale: 'lag of the wax, up to 150 s',
    variants: one((p, s) => ({
      waxTauS: p.waxTauS + 140 * s,
      hysteresisC: p.hysteresisC + 3 * s,
      startOpenC: p.startOpenC + 2 * s
    }))
  },
  {
    id: 'thermostat-heater-failed',
    scale: 'share of the heater lost',
    applies: (p) => p.heaterDropC > 0,
    variants: one((p, s) => ({ heaterDropC: p.heaterDropC * (1 - s) }))
  },
  {
    id: 'ect-reads-hot',
    scale: 'leak across the sensor that adds up to 26 °C at 20 °C, or up to 24 °C of shift',
    variants: {
      leak: (p, s) => ({ sensorError: { kind: 'parallel', ohm: leakFor(p, 26 * s) } }),
      shift: (_, s) => ({ sensorError: { kind: 'shift', celsius: 24 * s } })
    }
  },
  {
    id: 'ect-reads-cold',
    scale: 'contact in series that costs up to 30 °C at 90 °C, or up to 24 °C of shift',
    variants: {
      contact: (p, s) => ({ sensorError: { kind: 'series', ohm: contactFor(p, 30 * s) } }),
      shift: (_, s) => ({ sensorError: { kind: 'shift', celsius: -24 * s } })
    }
  },
  {
    id: 'ect-open-circuit',
    scale: 'no meaning',
    variants: one((p) => ({ sensorError: { kind: 'fixed', readsC: p.openReadsC } }))
  },
  {
    id: 'ect-short-circuit',
    scale: 'no meaning',
    variants: one((p) => ({ sensorError: { kind: 'fixed', readsC: p.shortReadsC } }))
  },
  {
    id: 'ect-intermittent',
    scale: 'drop-outs a minute, up to 3',
    variants: {
      open: (p, s) => ({
        sensorError: { kind: 'dropouts', perMinute: 0.2 + 2.8 * s, meanS: 2 + 6 * s, readsC: p.openReadsC }
      }),
      short: (p, s) => ({
        sensorError: { kind: 'dropouts', perMinute: 0.2 + 2.8 * s, meanS: 2 + 6 * s, readsC: p.shortReadsC }
      })
    }
  },
  { id: 'fan-motor-dead', scale: 'share of airflow lost', applies: electricFan, variants: deadFan },
  { id: 'fan-relay-contacts', scale: 'share of airflow lost', applies: relayFan, variants: deadFan },
  { id: 'fan-relay-coil', scale: 'share of airflow lost', applies: relayFan, variants: deadFan },
  { id: 'fan-feed-open', scale: 'share of airflow lost', applies: electricFan, variants: deadFan },
  { id: 'fan-controller-dead', scale: 'share of airflow lost', applies: controllerFan, variants: deadFan },
  {
    id: 'fan-command-missing',
    scale: 'no meaning',
    applies: electricFan,
    variants: one(() => ({ fanCommandWorks: false }))
  },
  {
    id: 'fan-motor-weak',
    scale: 'share of airflow lost, up to 80 %',
    applies: electricFan,
    variants: one((_, s) => ({ fanStrength: 1 - 0.8 * s }))
  },
  {
    id: 'fan-relay-welded',
    scale: 'drive without command, up to 100 %',
    applies: relayFan,
    variants: one((p, s) => ({ fanStuckPct: stuckPct(p, s) }))
  },
  {
    id: 'fan-controller-shorted',
    scale: 'drive without command, up to 100 %',
    applies: controllerFan,
    variants: one((_, s) => ({ fanStuckPct: 40 + 60 * s, fanStuckWanders: true }))
  },
  {
    id: 'clutch-slipping',
    scale: 'share of grip lost',
    applies: viscous,
    variants: one((_, s) => ({ clutchGrip: 1 - 0.95 * s }))
  },
  {
    id: 'clutch-seized',
    scale: 'no meaning',
    applies: (p) => p.clutch.kind !== 'none',
    variants: one(() => ({ clutchLocked: true }))
  },
  {
    id: 'clutch-engages-late',
    scale: 'up to 35 °C above its air temperature',
    applies: (p) => p.clutch.kind === 'thermal',
    variants: one((_, s) => ({ fanShiftC: 35 * s }))
  },
  {
    id: 'clutch-circuit-open',
    scale: 'no meaning',
    applies: (p) => p.clutch.kind === 'electronic',
    variants: one(() => ({ clutchLocked: true }))
  },
  {
    id: 'airflow-restricted',
    scale: 'share of airflow lost, up to 85 %',
    variants: one((p, s) => ({ airFactor: 1 - 0.85 * s, radiatorNatural: p.radiatorNatural * (1 - 0.5 * s) }))
  },
  {
    id: 'radiator-clogged',
    scale: 'share of the core lost, up to 85 %',
    variants: one((_, s) => ({ coreFactor: 1 - 0.85 * s }))
  },
  {
    id: 'pump-flow-low',
    scale: 'share of flow lost, up to 92 %',
    variants: one((_, s) => ({ flowFactor: 1 - 0.92 * s }))
  },
  {
    id: 'coolant-low',
    scale: 'share of the filling lost, up to 50 %',
    variants: one((p, s) => ({
      jacket: p.jacket * (1 - 0.5 * s),
      hose: p.hose * (1 - 0.4 * s),
      returnHose: p.returnHose * (1 - 0.4 * s),
      flowFactor: 1 - 0.8 * s,
      heater: p.heater * (1 - 0.9 * s),
      metalToJacket: p.metalToJacket * (1 - 0.4 * s)
    }))
  },
  {
    id: 'sensor-branch-restricted',
    scale: 'share of the flow past the sensor lost',
    variants: one((_, s) => ({ branchShare: 1 - 0.4 * s }))
  },
  {
    id: 'fan-setpoint-modified',
    scale: 'fan up to 20 °C early',
    applies: electricFan,
    variants: { early: (_, s) => ({ fanShiftC: -20 * s }), late: (_, s) => ({ fanShiftC: 14 * s }) }
  }
];

/** Relays weld a stage at a time: the low one up to half severity, then all. */
const stuckPct = (p: PlantParams, s: number): number =>
  p.fan.kind === 'stages' && p.fan.stages.length > 1 && s <= 0.5 ? p.fan.stages[0].pct : 100;

/** Series resistance that makes the reading fall `celsius` short at 90 °C, Ω. */
const contactFor = (p: PlantParams, celsius: number): number =>
  Math.max(1, resistanceAt(p.curve, 90 - celsius) - resistanceAt(p.curve, 90));

/** Parallel leak that makes the reading rise `celsius` at 20 °C, Ω: the cold end is where it shows most. */
function leakFor(p: PlantParams, celsius: number): number {
  const truth = resistanceAt(p.curve, 20);
  const read = resistanceAt(p.curve, 20 + Math.max(0.5, celsius));
  return (truth * read) / (truth - read);
}

export const plantFault = (id: FaultId): PlantFault | undefined => PLANT_FAULTS.find((f) => f.id === id);

/**
 * The plant with a fault. Severity 0 to 1; the variant defaults to the usual one.
 * Throws RangeError for a fault without a thermal signature, an unknown variant, or one the vehicle cannot have.
 */
export function withFault(p: PlantParams, id: FaultId, severity: number, variant?: string): PlantParams {
  const fault = plantFault(id);
  if (!fault)
    throw new RangeError(
      `${id} leaves no mark in coolant temperature; choose one of ${PLANT_FAULTS.map((f) => f.id).join(', ')}`
    );
  if (fault.applies && !fault.applies(p))
    throw new RangeError(`${id} cannot happen on this vehicle: its spec sheet has no such part`);
  const names = Object.keys(fault.variants);
  const apply = fault.variants[variant ?? names[0]];
  if (!apply) throw new RangeError(`${id} has no variant “${variant}”; choose ${names.join(' or ')}`);
  return { ...p, ...apply(p, Math.min(1, Math.max(0, severity))) };
}
