/** A trouble code: what the public standard (SAE J2012, ISO 15031-6) means by it, in our words, and what follows. */
export interface TroubleCode {
  readonly means: string;
  /** What a control unit commonly does while it is stored; null where nothing. */
  readonly failsafe: string | null;
}

const SENSOR_LOST =
  'Takes a substitute temperature, runs the fan at full speed, may switch the air conditioning off';
const OVERHEATED = 'Holds power back, runs the fan at full speed, switches the air conditioning off';
const CLOSED_LOOP_WAITS = 'Stays in the warm-up mixture and blocks other self-tests';
const FAN_FULL = 'May drive the fan at full speed or not at all; may switch the air conditioning off';

const c = (means: string, failsafe: string | null = null): TroubleCode => ({ means, failsafe });

/** The codes that speak of engine temperature, its sensor, the fan and the thermostat. */
const KNOWN = {
  P0111: c('Intake air temperature: out of the range expected'),
  P0112: c('Intake air temperature: signal low'),
  P0113: c('Intake air temperature: signal high'),
  P0115: c('Coolant temperature sensor 1: circuit', SENSOR_LOST),
  P0116: c(
    'Coolant temperature sensor 1: not where it should be, or does not move as it should',
    SENSOR_LOST
  ),
  P0117: c('Coolant temperature sensor 1: signal low, as a short to ground (reads hot)', SENSOR_LOST),
  P0118: c('Coolant temperature sensor 1: signal high, as an open circuit (reads cold)', SENSOR_LOST),
  P0119: c('Coolant temperature sensor 1: signal comes and goes', SENSOR_LOST),
  P0125: c('Coolant not warm enough, soon enough, for closed-loop mixture', CLOSED_LOOP_WAITS),
  P0126: c('Coolant not warm enough for stable running', CLOSED_LOOP_WAITS),
  P0128: c('Coolant stays below the temperature the thermostat should regulate', CLOSED_LOOP_WAITS),
  P0217: c('Engine too hot', OVERHEATED),
  P0480: c('Fan 1: control circuit', FAN_FULL),
  P0481: c('Fan 2: control circuit', FAN_FULL),
  P0482: c('Fan 3: control circuit', FAN_FULL),
  P0483: c('Fan: does not answer as commanded', FAN_FULL),
  P0484: c('Fan: draws too much current', FAN_FULL),
  P0485: c('Fan: supply or ground', FAN_FULL),
  P0493: c('Fan: turns too fast'),
  P0494: c('Fan: turns too slowly'),
  P0495: c('Fan: turns too fast for the command'),
  P0526: c('Fan speed sensor: circuit'),
  P0527: c('Fan speed sensor: out of the range expected'),
  P0528: c('Fan speed sensor: no signal'),
  P0529: c('Fan speed sensor: signal comes and goes'),
  P059F: c('Shutter before the radiator: does not move as it should'),
  P0597: c('Thermostat heater: control circuit open'),
  P0598: c('Thermostat heater: control circuit low'),
  P0599: c('Thermostat heater: control circuit high'),
  P0691: c('Fan 1: control circuit low', FAN_FULL),
  P0692: c('Fan 1: control circuit high', FAN_FULL),
  P0693: c('Fan 2: control circuit low', FAN_FULL),
  P0694: c('Fan 2: control circuit high', FAN_FULL),
  P2600: c('Coolant pump: control circuit open'),
  P2601: c('Coolant pump: does not run as it should', OVERHEATED),
  P2602: c('Coolant pump: control circuit low'),
  P2603: c('Coolant pump: control circuit high'),
  P2181: c('Cooling system does not perform as it should'),
  P2182: c('Coolant temperature sensor 2: circuit'),
  P2183: c('Coolant temperature sensor 2: not where it should be'),
  P2184: c('Coolant temperature sensor 2: signal low'),
  P2185: c('Coolant temperature sensor 2: signal high'),
  P2186: c('Coolant temperature sensor 2: signal comes and goes')
} as const satisfies Readonly<Record<string, TroubleCode>>;
export type CodeId = keyof typeof KNOWN;
export const CODES: Readonly<Record<string, TroubleCode>> = KNOWN;

/** Writes a code as the standard does: `p 0118`, `0118` and `P0118` are one. Null where it is no code. */
export function readCode(text: string): string | null {
  const found = /^([PCBU])?\s*-?\s*([0-3][0-9A-F]{3})$/i.exec(text.trim());
  return found ? `${(found[1] ?? 'P').toUpperCase()}${found[2].toUpperCase()}` : null;
}

/** Codes whose number or words contain every word typed; the number first. */
export function findCodes(text: string): string[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const hits = Object.entries(CODES).filter(([code, { means }]) =>
    words.every((w) => `${code} ${means}`.toLowerCase().includes(w))
  );
  const byNumber = ([code]: [string, TroubleCode]) => (code.toLowerCase().includes(words[0]) ? 0 : 1);
  return hits.sort((a, b) => byNumber(a) - byNumber(b)).map(([code]) => code);
}
