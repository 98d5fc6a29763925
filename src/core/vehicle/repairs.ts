/** One repair of the catalogue. Minutes and prices are defaults of ours; a shop types its own. */
export interface Repair {
  /** The part, or what is worked on: as a price list and a part number name it. */
  readonly title: string;
  /** What is done, as an order. */
  readonly deed: string;
  /** The same when it is done, as it stands behind “We”. */
  readonly done: string;
  /** Part without labour, in the shop’s money; null where no part is bought. */
  readonly price: number | null;
  readonly labourMin: number;
  /** The cooling system is drained for it: done once for several repairs. */
  readonly drains: boolean;
}

const r = (
  title: string,
  deed: string,
  done: string,
  price: number | null,
  labourMin: number,
  drains = false
): Repair => ({
  title,
  deed,
  done,
  price,
  labourMin,
  drains
});

/** Ids are kept in records: the list may grow, an id does not change its meaning. */
const REPAIRS = {
  thermostat: r('Thermostat', 'Replace the thermostat', 'replaced the thermostat', 48, 55, true),
  'thermostat-command': r(
    'Wire or driver of the thermostat heater',
    'Repair the wire or driver of the thermostat heater',
    'repaired the wire or driver of the thermostat heater',
    20,
    70
  ),
  'ect-sensor': r('ECT sensor', 'Replace the ECT sensor', 'replaced the ECT sensor', 26, 25, true),
  connector: r(
    'Connector and ground',
    'Repair the connector and ground',
    'repaired the connector and ground',
    12,
    40
  ),
  relay: r('Fan relay', 'Replace the fan relay', 'replaced the fan relay', 14, 15),
  'fan-motor': r('Fan motor', 'Replace the fan motor', 'replaced the fan motor', 165, 70),
  'fan-controller': r('Fan controller', 'Replace the fan controller', 'replaced the fan controller', 140, 45),
  'fan-command': r(
    'Fan command wire or control unit',
    'Repair the fan command wire or control unit',
    'repaired the fan command wire or control unit',
    20,
    75
  ),
  'fan-clutch': r('Fan clutch', 'Replace the fan clutch', 'replaced the fan clutch', 190, 60),
  'clutch-harness': r(
    'Harness of the fan clutch',
    'Repair the harness of the fan clutch',
    'repaired the harness of the fan clutch',
    25,
    50
  ),
  'water-pump': r('Water pump', 'Replace the water pump', 'replaced the water pump', 120, 150, true),
  'electric-pump': r(
    'Electric coolant pump',
    'Replace the electric coolant pump',
    'replaced the electric coolant pump',
    210,
    95,
    true
  ),
  shutter: r(
    'Shutter before the radiator',
    'Replace the shutter before the radiator',
    'replaced the shutter before the radiator',
    110,
    50
  ),
  'radiator-outside': r(
    'Radiator, outside',
    'Clean the radiator from outside',
    'cleaned the radiator from outside',
    null,
    50
  ),
  'radiator-inside': r(
    'Radiator, inside',
    'Flush the radiator inside',
    'flushed the radiator inside',
    30,
    90,
    true
  ),
  'branch-flush': r('Sensor branch', 'Flush the sensor branch', 'flushed the sensor branch', null, 45, true),
  'heater-core': r(
    'Heater core',
    'Flush or replace the heater core',
    'flushed or replaced the heater core',
    85,
    110,
    true
  ),
  'coolant-fill': r(
    'Coolant',
    'Close the leak, fill and bleed the coolant',
    'closed the leak, filled and bled the coolant',
    35,
    50,
    true
  ),
  cap: r('Pressure cap', 'Replace the pressure cap', 'replaced the pressure cap', 18, 5),
  gauge: r(
    'Gauge, sender or its ground',
    'Repair the gauge, its sender or ground',
    'repaired the gauge, its sender or ground',
    40,
    60
  ),
  'modification-out': r('Modification', 'Remove the modification', 'removed the modification', null, 30),
  'sheet-correct': r('Spec sheet', 'Correct the spec sheet', 'corrected the spec sheet', null, 5),
  'refer-on': r('Another workshop', 'Refer it on', 'referred it on', null, 20),
  none: r('No repair', 'Leave it as it is', 'left it as it is', null, 0)
} as const satisfies Readonly<Record<string, Repair>>;

export type RepairId = keyof typeof REPAIRS;
export const REPAIR_IDS = Object.keys(REPAIRS) as [RepairId, ...RepairId[]];
export const repairOf = (id: RepairId): Repair => REPAIRS[id];
