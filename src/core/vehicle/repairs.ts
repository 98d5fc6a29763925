import type { FaultId } from './faults';

/** One repair of the catalogue. Minutes and prices are defaults of ours; a shop types its own. */
export interface Repair {
  readonly title: string;
  readonly cures: readonly FaultId[];
  /** Part without labour, in the shop’s money; null where no part is bought. */
  readonly price: number | null;
  readonly labourMin: number;
  /** The cooling system is drained for it: done once for several repairs. */
  readonly drains: boolean;
}

const r = (
  title: string,
  cures: readonly FaultId[],
  price: number | null,
  labourMin: number,
  drains = false
): Repair => ({ title, cures, price, labourMin, drains });

/** Ids are kept in records: the list may grow, an id does not change its meaning. */
const REPAIRS = {
  thermostat: r(
    'Thermostat',
    [
      'thermostat-stuck-open',
      'thermostat-stuck-closed',
      'thermostat-low-rating',
      'thermostat-sluggish',
      'thermostat-heater-failed'
    ],
    48,
    55,
    true
  ),
  'ect-sensor': r(
    'ECT sensor',
    ['ect-reads-hot', 'ect-reads-cold', 'ect-open-circuit', 'ect-short-circuit', 'ect-wrong-part'],
    26,
    25,
    true
  ),
  connector: r('Connector and ground service', ['ect-wiring', 'ect-intermittent', 'fan-feed-open'], 12, 40),
  relay: r('Fan relay', ['fan-relay-contacts', 'fan-relay-welded', 'fan-relay-coil'], 14, 15),
  'fan-motor': r('Fan motor', ['fan-motor-dead', 'fan-motor-weak'], 165, 70),
  'fan-controller': r('Fan controller', ['fan-controller-shorted', 'fan-controller-dead'], 140, 45),
  'fan-command': r('Fan command wire or control unit', ['fan-command-missing'], 20, 75),
  'fan-clutch': r(
    'Fan clutch',
    ['clutch-slipping', 'clutch-seized', 'clutch-engages-late', 'clutch-bearing'],
    190,
    60
  ),
  'clutch-harness': r('Harness of the fan clutch', ['clutch-circuit-open'], 25, 50),
  'water-pump': r('Water pump', ['water-pump-bearing', 'pump-flow-low'], 120, 150, true),
  'radiator-outside': r('Radiator cleaned outside', ['airflow-restricted'], null, 50),
  'radiator-inside': r('Radiator flushed inside', ['radiator-clogged'], 30, 90, true),
  'branch-flush': r('Sensor branch flushed', ['sensor-branch-restricted'], null, 45, true),
  'coolant-fill': r('Coolant filled, leak closed, bled', ['coolant-low'], 35, 50, true),
  cap: r('Pressure cap', ['pressure-cap-weak'], 18, 5),
  gauge: r('Gauge, sender or its ground', ['gauge-fault'], 40, 60),
  'modification-out': r('Modification removed', ['fan-setpoint-modified'], null, 30),
  'refer-on': r('Referred on', ['combustion-leak'], null, 20),
  none: r('No repair', ['none'], null, 0)
} as const satisfies Readonly<Record<string, Repair>>;

export type RepairId = keyof typeof REPAIRS;
export const REPAIR_IDS = Object.keys(REPAIRS) as [RepairId, ...RepairId[]];
export const repairOf = (id: RepairId): Repair => REPAIRS[id];

const BY_FAULT = new Map<FaultId, RepairId>(
  REPAIR_IDS.flatMap((id) => repairOf(id).cures.map((f) => [f, id] as const))
);
/** The repair that cures a fault. Every fault of the catalogue has one. */
export const repairFor = (fault: FaultId): RepairId => BY_FAULT.get(fault)!;
