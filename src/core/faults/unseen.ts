import { sayC } from '../units/say';
import type { Shown } from './fault';

/** Why a run is blind to what takes from the radiator. */
export const radiatorUnused = ({ maxC, startOpenC }: Shown) =>
  maxC < startOpenC
    ? {
        because: `coolant never reached start-to-open at ${sayC(startOpenC)}, so the radiator was not used`,
        toShow: 'Warm up fully, then pull a grade or idle for fifteen minutes'
      }
    : {
        because: 'the radiator was never needed in full: too little heat for today’s air',
        toShow: 'Pull a grade for five minutes, or idle long with the A/C on'
      };

/** Why a run is blind to a fan that turns unasked. */
export const fanUnseen = () => ({
  because: 'the fan is not in the log and the thermostat hid its cooling',
  toShow: 'Log the fan, or listen with the engine cold'
});
