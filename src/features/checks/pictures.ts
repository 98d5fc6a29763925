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
import type { PictureProps } from './types';

/** Where a picture of the readings stands: above the fields, narrow beside them, or large with the fields beside it. */
type Place = 'above' | 'narrow' | 'large';
interface Picture {
  readonly component: Component<PictureProps<never>>;
  readonly place: Place;
}

const PICTURES = new Map<object, Picture>();
/** A picture is held to the readings of its check: one that asks for a field that is not there does not compile. */
function picture<R>(check: CheckOf<R>, component: Component<PictureProps<R>>, place: Place = 'above'): void {
  PICTURES.set(check, { component: component as unknown as Picture['component'], place });
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

export const pictureOf = (id: CheckId): Picture | undefined => PICTURES.get(checkOf(id));
