import { MediaQuery } from 'svelte/reactivity';

const finger = new MediaQuery('pointer: coarse');

/** Whether it is worked with a finger, and brings its own keys for quantities; what has a mouse has a keyboard. */
export const hasPad = (): boolean => finger.current;
