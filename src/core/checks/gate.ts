import type { ThermalState } from '../physics/heat/state';
import type { Gate } from './check';

/**
 * Why hands and instruments must stay out for now; null where the gate is open. A cap is opened only where the engine
 * is known to be cool enough.
 */
export function heldByGate(
  gate: Gate,
  { running, safeToOpen }: Pick<ThermalState, 'running' | 'safeToOpen'>
): string | null {
  if (gate === 'none') return null;
  if (running) return 'The engine runs: stop it first';
  if (gate === 'stopped' || safeToOpen === true) return null;
  return safeToOpen === null
    ? 'It is not known whether the system is cool enough to open'
    : 'The system is too hot to open';
}
