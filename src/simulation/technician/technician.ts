import { clutchMeasures } from './clutch';
import { coolantMeasures } from './coolant';
import { fanMeasures } from './fan';
import { looks } from './looks';
import type { Measures } from './measure';
import { sensorMeasures } from './sensor';

/** Every check with a sheet of its own; runs are read elsewhere. */
export const MEASURES: Measures = {
  soak: (c) => ({ hoursStood: 14, lastC: 88, ambientC: Math.round(c.ambientC) }),
  codes: (c) => ({ codes: c.codes.map((code) => ({ code, state: 'stored' })) }),
  'level-and-look': looks,
  ...sensorMeasures,
  ...fanMeasures,
  ...clutchMeasures,
  ...coolantMeasures
};
