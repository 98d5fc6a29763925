export const FAULT_IDS = [
  'none',
  'thermostat-stuck-open',
  'thermostat-stuck-closed',
  'thermostat-low-rating',
  'thermostat-sluggish',
  'thermostat-heater-failed',
  'thermostat-map-control',
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent',
  'ect-wrong-part',
  'ect-wiring',
  'gauge-fault',
  'fan-relay-contacts',
  'fan-relay-welded',
  'fan-relay-coil',
  'fan-command-missing',
  'fan-feed-open',
  'fan-motor-dead',
  'fan-motor-weak',
  'fan-controller-shorted',
  'fan-controller-dead',
  'clutch-slipping',
  'clutch-seized',
  'clutch-engages-late',
  'clutch-bearing',
  'clutch-circuit-open',
  'water-pump-bearing',
  'airflow-restricted',
  'active-shutter-stuck',
  'radiator-clogged',
  'pump-flow-low',
  'coolant-pump-electric-dead',
  'heater-core-restricted',
  'coolant-low',
  'sensor-branch-restricted',
  'pressure-cap-weak',
  'combustion-leak',
  'fan-setpoint-modified',
  'sheet-wrong'
] as const;

/** The fault ids of the catalogue: a contract with files and tests; ids never change meaning. */
export type FaultId = (typeof FAULT_IDS)[number];

/** What leaves an electric fan without power or motion: told apart at its circuit, alike from outside, on warm days and at a standstill only. */
export const FAN_DEAD = [
  'fan-motor-dead',
  'fan-feed-open',
  'fan-command-missing',
  'fan-relay-contacts',
  'fan-relay-coil',
  'fan-controller-dead'
] as const satisfies readonly FaultId[];

export const isFaultId = (text: string): text is FaultId => (FAULT_IDS as readonly string[]).includes(text);
