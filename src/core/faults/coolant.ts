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
      // A sensor that stands in air reads low.
      'gauge-low': 0.2,
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
      variants: {
        usual: (_, s) => ({ filling: 1 - 0.5 * s }),
        'sensor stays covered': (_, s) => ({ filling: 1 - 0.5 * s, sensorHigh: false })
      },
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
    provenBy: 'checks',
    curve: {
      kind: 'warms',
      scale: 'share of the cap’s pressure lost, up to 60 %',
      variants: usual((_, s) => ({ capHold: 1 - 0.6 * s })),
      severities: [1],
      plain: 1,
      blind: () => ({
        because: 'the coolant never came near boiling, where a cap first matters',
        toShow: 'Cap test on the cold engine'
      })
    }
  }),
  'combustion-leak': defineFault({
    title: 'Combustion gas in coolant',
    means: 'Gas leaks into the coolant',
    confirm: 'Pressure, chemical gas test; refer on',
    prior: 2,
    repair: 'refer-on',
    told: { 'gauge-high': 0.2, 'heater-swings': 0.4, 'smell-coolant': 0.45, 'smell-steam': 0.65 },
    provenBy: 'checks',
    curve: {
      kind: 'warms',
      scale: 'gas that lifts the pressure by up to 20 kPa a minute at full load',
      // Gas brings its heat, and what is lost to it is coolant.
      variants: usual((p, s) => ({ gasKPaMin: 20 * s, heatLoad: p.heatLoad * (1 + 0.12 * s) })),
      // A small leak leaves no mark, and most are small for long.
      severities: [0.1, 0.8],
      plain: 0.6,
      blind: () => ({
        because: 'too little gas came in to drive coolant out',
        toShow: 'Pressure hold and chemical gas test'
      })
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
