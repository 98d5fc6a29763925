import { formatDistanceStrict } from 'date-fns';
import type { ThermalState } from '$core/physics/heat/state';
import { PHASE_TITLES } from '$core/physics/heat/phases';
import { shown } from '$lib/ui/page-state/units';
import { hour } from '$lib/ui/page-state/when';

export const phaseTitle = (state: ThermalState): string =>
  state.phase === 'unknown' ? 'State not known' : PHASE_TITLES[state.phase];

/** What the state rests on, in a short sentence. */
export function basisText(state: ThermalState, now: string): string {
  const { basis } = state;
  if (!basis) return 'Nobody has said when it last ran';
  const ago = `${formatDistanceStrict(new Date(basis.at), new Date(now))} ago`;
  switch (basis.kind) {
    case 'started':
      return `Started ${ago}`;
    case 'ran-until':
      return `Stopped ${ago}${basis.coolantC === null ? '' : `${basis.bySensor ? '; its sensor read' : ' at'} ${shown(basis.coolantC, 'temperature', 0)}`}`;
    case 'measured':
      return `${shown(basis.coolantC, 'temperature', 0)} ${basis.bySensor ? 'read by its sensor' : 'measured'} ${ago}`;
  }
}

/** What the clock promises next, or null. */
export function waitText(state: ThermalState, now: string, zone: string): string | null {
  if (state.running || state.soaked !== false || !state.soakedFrom) return null;
  const soaked = `soaked from ${hour(state.soakedFrom, zone, now)}`;
  return state.safeToOpen === false && state.safeToOpenFrom
    ? `cap stays shut until ${hour(state.safeToOpenFrom, zone, now)} · ${soaked}`
    : soaked;
}
