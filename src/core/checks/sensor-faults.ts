/** What a sensor itself can be at fault with, apart from its wiring: what every check of the sensor speaks to. */
export const SENSOR_FAULTS = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-wrong-part'
] as const;
