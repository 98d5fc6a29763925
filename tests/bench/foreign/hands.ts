import { clutch } from './hands/clutch';
import { coolant } from './hands/coolant';
import { fan } from './hands/fan';
import { looks } from './hands/looks';
import type { Hands } from './hands/scene';
import { sensor } from './hands/sensor';

/** How each check is done in this world; runs are logged elsewhere. */
export const HANDS: Hands = { ...looks, ...sensor, ...fan, ...clutch, ...coolant };
