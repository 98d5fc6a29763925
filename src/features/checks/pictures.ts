import type { Component } from 'svelte';
import type { CheckOf } from '$core/checks/check';
import { clutchColdTurn } from '$core/checks/clutch/clutch-cold-turn';
import { clutchPlay } from '$core/checks/clutch/clutch-play';
import { combustionGas } from '$core/checks/coolant/combustion-gas';
import { fanCommand } from '$core/checks/fan/fan-command';
import { fanDirectFeed } from '$core/checks/fan/fan-direct-feed';
import { airRise } from '$core/checks/flow/air-rise';
import { keyOffFan } from '$core/checks/fan/key-off-fan';
import { hoseRush } from '$core/checks/thermostat/hose-rush';
import { thermostatHeater } from '$core/checks/thermostat/thermostat-heater';
import { checkOf, type CheckId } from '$core/checks/registry';
import { ectCircuit } from '$core/checks/sensor/ect-circuit';
import AirRisePicture from './pictures/AirRisePicture.svelte';
import ClutchColdTurnPicture from './pictures/ClutchColdTurnPicture.svelte';
import ClutchPlayPicture from './pictures/ClutchPlayPicture.svelte';
import CombustionGasPicture from './pictures/CombustionGasPicture.svelte';
import EctCircuitPicture from './pictures/EctCircuitPicture.svelte';
import FanCommandPicture from './pictures/FanCommandPicture.svelte';
import FanDirectFeedPicture from './pictures/FanDirectFeedPicture.svelte';
import HoseRushPicture from './pictures/HoseRushPicture.svelte';
import KeyOffFanPicture from './pictures/KeyOffFanPicture.svelte';
import ThermostatHeaterPicture from './pictures/ThermostatHeaterPicture.svelte';
import { capTest } from '$core/checks/coolant/cap-test';
import { pressureHold } from '$core/checks/coolant/pressure-hold';
import { clutchElectronic } from '$core/checks/clutch/clutch-electronic';
import { clutchHotSpeed } from '$core/checks/clutch/clutch-hot-speed';
import { fanSwitching } from '$core/checks/fan/fan-switching';
import { relayBench } from '$core/checks/fan/relay-bench';
import { ectSubstitute } from '$core/checks/sensor/ect-substitute';
import { coldAgreement } from '$core/checks/sensor/cold-agreement';
import { heaterAir } from '$core/checks/flow/heater-air';
import { warmIdle } from '$core/checks/engine/warm-idle';
import HeaterAirPicture from './pictures/HeaterAirPicture.svelte';
import WarmIdlePicture from './pictures/WarmIdlePicture.svelte';
import { soak } from '$core/checks/engine/soak';
import { thermostatBath } from '$core/checks/thermostat/thermostat-bath';
import { ectLadder } from '$core/checks/sensor/ect-ladder';
import { levelAndLook } from '$core/checks/coolant/level-and-look';
import { wiggle } from '$core/checks/sensor/wiggle';
import { gaugeCompare } from '$core/checks/sensor/gauge-compare';
import { temperatureMap } from '$core/checks/flow/temperature-map';
import { radiatorFace } from '$core/checks/flow/radiator-face';
import { controllerInOut, relaySocket } from '$core/checks/fan/relay-socket';
import { codes } from '$core/checks/engine/codes';
import CapTestPicture from './pictures/CapTestPicture.svelte';
import PressureHoldPicture from './pictures/PressureHoldPicture.svelte';
import ClutchElectronicPicture from './pictures/ClutchElectronicPicture.svelte';
import ClutchHotSpeedPicture from './pictures/ClutchHotSpeedPicture.svelte';
import FanSwitchingPicture from './pictures/FanSwitchingPicture.svelte';
import RelayBenchPicture from './pictures/RelayBenchPicture.svelte';
import EctSubstitutePicture from './pictures/EctSubstitutePicture.svelte';
import ColdAgreementPicture from './pictures/ColdAgreementPicture.svelte';
import SoakPicture from './pictures/SoakPicture.svelte';
import ThermostatBathPicture from './pictures/ThermostatBathPicture.svelte';
import EctLadderPicture from './pictures/EctLadderPicture.svelte';
import LevelAndLookPicture from './pictures/LevelAndLookPicture.svelte';
import LevelAndLookAside from './pictures/LevelAndLookAside.svelte';
import WigglePicture from './pictures/WigglePicture.svelte';
import GaugeComparePicture from './pictures/GaugeComparePicture.svelte';
import GaugeSender from './pictures/GaugeSender.svelte';
import TemperatureMapPicture from './pictures/TemperatureMapPicture.svelte';
import RadiatorFacePicture from './pictures/RadiatorFacePicture.svelte';
import ControllerPicture from './pictures/ControllerPicture.svelte';
import RelaySocketPicture from './pictures/RelaySocketPicture.svelte';
import CodesPicture from './pictures/CodesPicture.svelte';
import type { PictureProps } from './types';

/**
 * Where a picture of the readings stands: above or under the fields, narrow or slim before them, large beside them, or
 * in their place, where the readings are typed into the picture itself.
 */
type Place = 'above' | 'under' | 'narrow' | 'slim' | 'large' | 'whole';
type Drawing<R, Begun extends keyof R = never> = Component<
  PictureProps<R, Begun>,
  Record<string, never>,
  'readings' | ''
>;
interface Picture {
  readonly component: Drawing<never>;
  readonly place: Place;
  /** What follows under the fields. */
  readonly below?: Drawing<never>;
}

const PICTURES = new Map<object, Picture>();
/** A picture is held to the readings of its check: one that asks for a field that is not there does not compile. */
function picture<R, Begun extends keyof R = never>(
  check: CheckOf<R>,
  component: Drawing<R, Begun>,
  place: Place = 'above',
  below?: Drawing<R>
): void {
  PICTURES.set(check, { component, place, below } as unknown as Picture);
}

picture(fanCommand, FanCommandPicture);
picture(fanDirectFeed, FanDirectFeedPicture);
picture(airRise, AirRisePicture);
picture(combustionGas, CombustionGasPicture);
picture(ectCircuit, EctCircuitPicture);
picture(keyOffFan, KeyOffFanPicture);
picture(thermostatHeater, ThermostatHeaterPicture, 'large');
picture(hoseRush, HoseRushPicture, 'narrow');
picture(clutchPlay, ClutchPlayPicture, 'narrow');
picture(clutchColdTurn, ClutchColdTurnPicture, 'narrow');
picture(capTest, CapTestPicture, 'under');
picture(pressureHold, PressureHoldPicture, 'large');
picture(clutchElectronic, ClutchElectronicPicture, 'large');
picture(clutchHotSpeed, ClutchHotSpeedPicture, 'large');
picture(fanSwitching, FanSwitchingPicture, 'under');
picture(relayBench, RelayBenchPicture, 'large');
picture(ectSubstitute, EctSubstitutePicture, 'under');
picture(coldAgreement, ColdAgreementPicture, 'under');
picture(soak, SoakPicture, 'under');
picture(thermostatBath, ThermostatBathPicture, 'large');
picture(ectLadder, EctLadderPicture, 'large');
picture(levelAndLook, LevelAndLookPicture, 'slim', LevelAndLookAside);
picture(wiggle, WigglePicture);
picture(gaugeCompare, GaugeComparePicture, 'narrow', GaugeSender);
picture(temperatureMap, TemperatureMapPicture, 'whole');
picture(radiatorFace, RadiatorFacePicture, 'whole');
picture(controllerInOut, ControllerPicture, 'whole');
picture(relaySocket, RelaySocketPicture, 'whole');
picture(heaterAir, HeaterAirPicture, 'under');
picture(warmIdle, WarmIdlePicture, 'under');
picture(codes, CodesPicture, 'whole');

export const pictureOf = (id: CheckId): Picture | undefined => PICTURES.get(checkOf(id));
