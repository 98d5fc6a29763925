/** One repair of the catalogue. Minutes and prices are defaults of ours; a shop types its own. */
export interface Repair {
  readonly title: string;
  /** Part without labour, in the shop’s money; null where no part is bought. */
  readonly price: number | null;
  readonly labourMin: number;
  /** The cooling system is drained for it: done once for several repairs. */
  readonly drains: boolean;
}

const r = (title: string, price: number | null, labourMin: number, drains = false): Repair => ({
  title,
  price,
  labourMin,
  drains
});

/** Ids are kept in records: the list may grow, an id does not change its meaning. */
const REPAIRS = {
  thermostat: r('Thermostat', 48, 55, true),
  'thermostat-command': r('Wire or driver of the thermostat heater', 20, 70),
  'ect-sensor': r('ECT sensor', 26, 25, true),
  connector: r('Connector and ground service', 12, 40),
  relay: r('Fan relay', 14, 15),
  'fan-motor': r('Fan motor', 165, 70),
  'fan-controller': r('Fan controller', 140, 45),
  'fan-command': r('Fan command wire or control unit', 20, 75),
  'fan-clutch': r('Fan clutch', 190, 60),
  'clutch-harness': r('Harness of the fan clutch', 25, 50),
  'water-pump': r('Water pump', 120, 150, true),
  'electric-pump': r('Electric coolant pump', 210, 95, true),
  shutter: r('Shutter before the radiator', 110, 50),
  'radiator-outside': r('Radiator cleaned outside', null, 50),
  'radiator-inside': r('Radiator flushed inside', 30, 90, true),
  'branch-flush': r('Sensor branch flushed', null, 45, true),
  'heater-core': r('Heater core flushed or replaced', 85, 110, true),
  'coolant-fill': r('Coolant filled, leak closed, bled', 35, 50, true),
  cap: r('Pressure cap', 18, 5),
  gauge: r('Gauge, sender or its ground', 40, 60),
  'modification-out': r('Modification removed', null, 30),
  'sheet-correct': r('Spec sheet corrected', null, 5),
  'refer-on': r('Referred on', null, 20),
  none: r('No repair', null, 0)
} as const satisfies Readonly<Record<string, Repair>>;

export type RepairId = keyof typeof REPAIRS;
export const REPAIR_IDS = Object.keys(REPAIRS) as [RepairId, ...RepairId[]];
export const repairOf = (id: RepairId): Repair => REPAIRS[id];
