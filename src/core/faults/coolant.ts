import type { FaultId } from '../vehicle/faults';
import { defineFault, type Fault, usual } from './fault';
import { radiatorUnused } from './unseen';

/** The coolant itself and what keeps it under pressure. */
export const coolant = {
  'coolant-low': defineFault({
    title: 'Coolant low or air in it',
    means: 'Too little, or a pocket of air',
    confirm: 'Level, bleeding',
    prior: 4,
    repair: 'coolant-fill',
    told: {
      'gauge-high': 0.2,
      'gauge-jumps': 0.12,
      'heater-weak': 0.5,
      'heater-swings': 0.7,
      'smell-coolant': 0.45,
      'smell-steam': 0.1
    },
    worse: ['idle', 'stopping'],
    codes: ['P0128', 'P0217', 'P2181'],
    curve: {
      kind: 'warms',
      scale: 'share of the filling lost, up to 50 %',
      variants: usual((p, s) => ({
        jacket: p.jacket * (1 - 0.5 * s),
        hose: p.hose * (1 - 0.4 * s),
        returnHose: p.returnHose * (1 - 0.4 * s),
        flowFactor: 1 - 0.8 * s,
        heater: p.heater * (1 - 0.9 * s),
        metalToJacket: p.metalToJacket * (1 - 0.4 * s)
      })),
      severities: [0.5, 0.85],
      blind: radiatorUnused
    }
  }),
  'pressure-cap-weak': defineFault({
    title: 'Pressure cap weak',
    means: 'Loses pressure',
    confirm: 'Cap test, boiling margin',
    prior: 2,
    repair: 'cap',
    told: { 'smell-coolant': 0.45, 'smell-steam': 0.65 },
    worse: ['stopping'],
    curve: { kind: 'unseen', because: 'pressure is not in the log', toShow: 'Cap test on the cold engine' }
  }),
  'combustion-leak': defineFault({
    title: 'Combustion gas in coolant',
    means: 'Gas leaks into the coolant',
    confirm: 'Pressure, chemical gas test; refer on',
    prior: 2,
    repair: 'refer-on',
    told: { 'gauge-high': 0.2, 'heater-swings': 0.4, 'smell-coolant': 0.45, 'smell-steam': 0.65 },
    curve: { kind: 'unseen', because: 'gas is not in the log', toShow: 'Pressure hold and chemical gas test' }
  })
} satisfies Partial<Record<FaultId, Fault>>;
