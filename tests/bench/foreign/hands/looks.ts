import type { ForeignFault } from '../faults';
import { has, type Hands } from './scene';

/** What is looked at, read out, or held under pressure. */
export const looks: Hands = {
  soak: ({ ambientC, dice }) => ({
    hoursStood: 13 + Math.round(4 * dice.next()),
    lastC: 88,
    ambientC: Math.round(ambientC)
  }),
  codes: ({ codes }) => ({ codes: codes.map((code) => ({ code, state: 'stored' })) }),
  'level-and-look': ({ s, dice }) => {
    const is = (f: ForeignFault, share: number) => has(s, f) && dice.chance(share);
    const seen = <T>(value: T) => (dice.chance(0.08) ? null : value);
    const low =
      is('coolant-low', 0.9) ||
      is('combustion-leak', 0.35) ||
      is('water-pump-bearing', 0.25) ||
      is('pressure-cap-weak', 0.25) ||
      dice.chance(0.05);
    return {
      level: seen(
        low
          ? has(s, 'coolant-low') && s.bad > 0.75 && dice.chance(0.6)
            ? 'empty'
            : 'low'
          : is('combustion-leak', 0.15)
            ? 'over'
            : 'mark'
      ),
      leaks: seen(
        is('coolant-low', 0.45) || is('water-pump-bearing', 0.2)
          ? 'drip'
          : is('coolant-low', 0.5) || dice.chance(0.08)
            ? 'trace'
            : 'none'
      ),
      colour: seen(
        is('radiator-clogged', 0.45) ||
          is('sensor-branch-restricted', 0.3) ||
          is('heater-core-restricted', 0.35) ||
          dice.chance(0.03)
          ? 'rusty'
          : is('combustion-leak', 0.15)
            ? 'oily'
            : 'clean'
      ),
      face: seen(
        is('airflow-restricted', 0.3 + 0.4 * s.bad)
          ? 'choked'
          : is('airflow-restricted', 0.5) || dice.chance(0.12)
            ? 'some'
            : 'clean'
      ),
      belt: seen(is('pump-flow-low', 0.3) ? 'slack' : dice.chance(0.06) ? 'worn' : 'good'),
      pump: seen(
        is('water-pump-bearing', 0.4 + 0.5 * s.bad)
          ? 'play'
          : is('water-pump-bearing', 0.5) || dice.chance(0.03)
            ? 'weeps'
            : 'firm'
      ),
      hoses: seen(
        is('pressure-cap-weak', 0.12)
          ? 'flat'
          : is('pump-flow-low', 0.08)
            ? 'flat'
            : dice.chance(0.05)
              ? 'soft'
              : 'firm'
      ),
      connector: seen(
        is('ect-wiring', 0.45) || is('ect-intermittent', 0.4) || dice.chance(0.05)
          ? dice.chance(0.6)
            ? 'green'
            : 'loose'
          : 'sound'
      ),
      added: seen(is('fan-setpoint-modified', 0.55) ? 'found' : 'none')
    };
  },
  'pressure-hold': ({ s, dice }) => {
    const start = Math.round(0.8 * s.capKPa);
    const falls =
      has(s, 'coolant-low') && s.bad > 0.2 ? 1 + 4 * s.bad : has(s, 'water-pump-bearing') ? 0.6 * s.bad : 0.1;
    const gas = has(s, 'combustion-leak');
    const ran = dice.chance(0.5) || gas;
    return {
      points: [0, 2, 5, 10, 15].map((min) => ({
        min,
        kPa: Math.max(
          0,
          Math.round(
            (gas ? 0.6 * start : start) -
              falls * min +
              (gas ? (6 + 22 * s.bad) * (1 - Math.exp(-min)) : 0) +
              0.6 * dice.bell()
          )
        )
      })),
      seen: has(s, 'coolant-low') ? (dice.chance(0.55) ? 'outside' : null) : 'none',
      engineRan: ran
    };
  },
  'cap-test': ({ s, dice }) => {
    const weak = has(s, 'pressure-cap-weak');
    const opens = Math.round(s.capKPa * (weak ? 0.75 - 0.5 * s.bad : 1) * (1 + 0.03 * dice.bell()));
    return {
      opensKPa: [opens, opens],
      holds: weak && dice.chance(0.6) ? 'no' : 'yes',
      seal: weak && dice.chance(0.4) ? 'worn' : dice.chance(0.93) ? 'good' : 'worn'
    };
  },
  'combustion-gas': ({ s, dice }) => ({
    by: 'fluid',
    seen:
      has(s, 'combustion-leak') && dice.chance(0.5 + 0.45 * s.bad)
        ? 'gas'
        : dice.chance(0.05)
          ? 'doubtful'
          : 'clear',
    bubbles: dice.chance(0.4) ? (has(s, 'combustion-leak') && dice.chance(0.6) ? 'steady' : 'none') : null,
    dry: true,
    worked: true
  })
};
