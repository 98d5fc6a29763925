import { airRise } from './air-rise';
import { capTest } from './cap-test';
import { clutchElectronic } from './clutch-electronic';
import { clutchHotSpeed } from './clutch-hot-speed';
import { combustionGas } from './combustion-gas';
import { fanDirectFeed } from './fan-direct-feed';
import { pressureHold } from './pressure-hold';
import { radiatorFace } from './radiator-face';
import { relayBench } from './relay-bench';
import { controllerInOut, relaySocket } from './relay-socket';
import { relaySwap } from './relay-swap';
import { temperatureMap } from './temperature-map';
import { thermostatBath } from './thermostat-bath';
import { thermostatHeater } from './thermostat-heater';
import { BY_HAND, onceByHand } from './by-hand';
import type { Check } from './check';
import { clutchColdTurn } from './clutch-cold-turn';
import { clutchPlay } from './clutch-play';
import { codes } from './codes';
import { coldAgreement } from './cold-agreement';
import { ectCircuit } from './ect-circuit';
import { ectLadder } from './ect-ladder';
import { ectSubstitute } from './ect-substitute';
import { fanCommand } from './fan-command';
import { fanSwitching } from './fan-switching';
import { gaugeCompare } from './gauge-compare';
import { hoseRush } from './hose-rush';
import { keyOffFan } from './key-off-fan';
import { levelAndLook } from './level-and-look';
import { soak } from './soak';
import { wiggle } from './wiggle';

/**
 * Every check there is, in the order they are best done on one stretch of the line. The heat line, the sheets, the
 * record, the export and the table in docs/checks.md follow from this. Ids are a contract.
 */
export const CHECKS = {
  soak,
  codes,
  'level-and-look': levelAndLook,
  'cold-agreement': coldAgreement,
  'clutch-cold-turn': clutchColdTurn,
  'clutch-play': clutchPlay,
  'ect-ladder': ectLadder,
  'ect-circuit': ectCircuit,
  'ect-substitute': ectSubstitute,
  wiggle,
  'gauge-compare': gaugeCompare,
  'hose-rush': hoseRush,
  'fan-switching': fanSwitching,
  'fan-command': fanCommand,
  'key-off-fan': keyOffFan,
  ...BY_HAND,
  'fan-direct-feed': onceByHand(fanDirectFeed),
  'relay-bench': onceByHand(relayBench),
  'relay-swap': onceByHand(relaySwap),
  'relay-socket': onceByHand(relaySocket),
  'controller-in-out': onceByHand(controllerInOut),
  'clutch-hot-speed': onceByHand(clutchHotSpeed),
  'clutch-electronic': onceByHand(clutchElectronic),
  'temperature-map': onceByHand(temperatureMap),
  'radiator-face': onceByHand(radiatorFace),
  'air-rise': onceByHand(airRise),
  'pressure-hold': onceByHand(pressureHold),
  'cap-test': onceByHand(capTest),
  'combustion-gas': onceByHand(combustionGas),
  'thermostat-bath': onceByHand(thermostatBath),
  'thermostat-heater': onceByHand(thermostatHeater)
} as const satisfies Readonly<Record<string, Check>>;

export type CheckId = keyof typeof CHECKS;
export const CHECK_IDS = Object.keys(CHECKS) as [CheckId, ...CheckId[]];
export const isCheckId = (text: string | null | undefined): text is CheckId =>
  !!text && Object.hasOwn(CHECKS, text);
export const checkOf = (id: CheckId): Check => CHECKS[id];
