import { PAGES } from '../offline/kept';

let ended = $state(false);

/** Whether the session ended under an open page: the page stays, and asks for a PIN or passphrase over it. */
export const sessionEnded = (): boolean => ended;

export function setSessionEnded(now: boolean): void {
  ended = now;
  // What this device kept to open without the network was for whoever was signed in.
  if (now && typeof caches !== 'undefined') void caches.delete(PAGES);
}
