import { heaterAir } from './flow/heater-air';
import { warmIdle } from './engine/warm-idle';
import { pumpCommand } from './flow/pump-command';
import { airRise } from './flow/air-rise';
import { capTest } from './coolant/cap-test';
import { clutchElectronic } from './clutch/clutch-electronic';
import { clutchHotSpeed } from './clutch/clutch-hot-speed';
import { clutchListen } from './clutch/clutch-listen';
import { combustionGas } from './coolant/combustion-gas';
import { fanDirectFeed } from './fan/fan-direct-feed';
import { pressureHold } from './coolant/pressure-hold';
import { radiatorFace } from './flow/radiator-face';
import { relayBench } from './fan/relay-bench';
import { controllerInOut, relaySocket } from './fan/relay-socket';
import { relaySwap } from './fan/relay-swap';
import { temperatureMap } from './flow/temperature-map';
import { transmissionHeat } from './flow/transmission-heat';
import { thermostatBath } from './thermostat/thermostat-bath';
import { thermostatHeater } from './thermostat/thermostat-heater';
import { BY_HAND } from './by-hand';
import type { Check } from './check';
import { clutchColdTurn } from './clutch/clutch-cold-turn';
import { clutchPlay } from './clutch/clutch-play';
import { codes } from './engine/codes';
import { coldAgreement } from './sensor/cold-agreement';
import { ectCircuit } from './sensor/ect-circuit';
import { ectLadder } from './sensor/ect-ladder';
import { ectSubstitute } from './sensor/ect-substitute';
import { fanCommand } from './fan/fan-command';
import { fanSwitching } from './fan/fan-switching';
import { gaugeCompare } from './sensor/gauge-compare';
import { hoseRush } from './thermostat/hose-rush';
import { keyOffFan } from './fan/key-off-fan';
import { levelAndLook } from './coolant/level-and-look';
import { soak } from './engine/soak';
import { wiggle } from './sensor/wiggle';

/**
 * Every check there is, in the order they are best done on one stretch of the line. The heat line, the sheets, the
 * record, the export and the table in docs/checks.md follow from this. Ids are a contract.
 */
const CHECKS = {
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
  'warm-idle': warmIdle,
  'gauge-compare': gaugeCompare,
  'hose-rush': hoseRush,
  'fan-switching': fanSwitching,
  'fan-command': fanCommand,
  'key-off-fan': keyOffFan,
  ...BY_HAND,
  'fan-direct-feed': fanDirectFeed,
  'relay-bench': relayBench,
  'relay-swap': relaySwap,
  'relay-socket': relaySocket,
  'controller-in-out': controllerInOut,
  'clutch-listen': clutchListen,
  'clutch-hot-speed': clutchHotSpeed,
  'clutch-electronic': clutchElectronic,
  'pump-command': pumpCommand,
  'heater-air': heaterAir,
  'transmission-heat': transmissionHeat,
  'temperature-map': temperatureMap,
  'radiator-face': radiatorFace,
  'air-rise': airRise,
  'pressure-hold': pressureHold,
  'cap-test': capTest,
  'combustion-gas': combustionGas,
  'thermostat-bath': thermostatBath,
  'thermostat-heater': thermostatHeater
} as const satisfies Readonly<Record<string, Check>>;

export type CheckId = keyof typeof CHECKS;
export const CHECK_IDS = Object.keys(CHECKS) as [CheckId, ...CheckId[]];
export const isCheckId = (text: string | null | undefined): text is CheckId =>
  !!text && Object.hasOwn(CHECKS, text);
export const checkOf = (id: CheckId): Check => CHECKS[id];
