import type { Random } from '../../core/base/random';
import type { Case } from '../cases/hidden-case';

/** What eyes find on a cold engine. No model makes debris: shares are written down here, and nowhere else. */
export function looks({ fault, severity }: Case, random: Random) {
  const chance = (share: number) => random() < share;
  // Debris between two cores is behind what is looked at.
  const choked = fault === 'airflow-restricted' && chance(0.5 * severity + 0.1);
  const level =
    fault === 'coolant-low'
      ? chance(0.9)
        ? severity > 0.8
          ? 'empty'
          : 'low'
        : 'mark'
      : fault === 'combustion-leak' || fault === 'water-pump-bearing'
        ? chance(0.35)
          ? 'low'
          : 'mark'
        : chance(0.04)
          ? 'low'
          : 'mark';
  return {
    level,
    leaks:
      fault === 'coolant-low'
        ? chance(0.5)
          ? 'drip'
          : chance(0.5)
            ? 'trace'
            : 'none'
        : chance(0.07)
          ? 'trace'
          : 'none',
    colour:
      fault === 'radiator-clogged'
        ? chance(0.4)
          ? 'rusty'
          : 'clean'
        : fault === 'combustion-leak' && chance(0.15)
          ? 'oily'
          : fault === 'sensor-branch-restricted' && chance(0.35)
            ? 'rusty'
            : chance(0.02)
              ? 'rusty'
              : 'clean',
    face: choked
      ? 'choked'
      : fault === 'airflow-restricted'
        ? chance(0.5)
          ? 'some'
          : 'clean'
        : chance(0.12)
          ? 'some'
          : 'clean',
    belt: fault === 'pump-flow-low' && chance(0.3) ? 'slack' : chance(0.06) ? 'worn' : 'good',
    // Play is felt by a hand that rocks the pulley; a little of it may be missed.
    pump:
      fault === 'water-pump-bearing'
        ? chance(0.45 + 0.5 * severity)
          ? 'play'
          : chance(0.4)
            ? 'weeps'
            : 'firm'
        : chance(0.03)
          ? 'weeps'
          : 'firm',
    hoses: fault === 'pressure-cap-weak' && chance(0.15) ? 'flat' : 'firm',
    connector:
      (fault === 'ect-wiring' || fault === 'ect-intermittent') && chance(0.4)
        ? chance(0.5)
          ? 'green'
          : 'loose'
        : chance(0.04)
          ? 'green'
          : 'sound',
    added: fault === 'fan-setpoint-modified' && chance(0.65) ? 'found' : 'none',
    note: '',
    fixAnyway: []
  };
}
