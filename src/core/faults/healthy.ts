import type { FaultId } from '../vehicle/faults';
import { defineFault, type Fault, usual } from './fault';

/** Nothing is wrong: what every fault is held against. */
export const healthy = {
  none: defineFault({
    title: 'Works as designed',
    means: 'Nothing in this run is outside what the engine should do',
    confirm: 'Nothing to confirm',
    prior: 45,
    repair: 'none',
    told: {},
    curve: {
      kind: 'warms',
      scale: 'no meaning',
      variants: usual(() => ({})),
      blind: () => ({ because: 'nothing can be missed', toShow: 'Nothing' })
    }
  }),
  'sheet-wrong': defineFault({
    title: 'Sheet or stamp wrong',
    means: 'The engine agrees with itself, and not with the temperatures it is held against',
    confirm: 'The number on the thermostat, the maker’s information for this very engine',
    prior: 2,
    repair: 'sheet-correct',
    // Whoever compares the needle with the sheet tells of it; nobody is cold or hot.
    told: { 'gauge-low': 0.15, 'gauge-high': 0.12 },
    curve: {
      kind: 'warms',
      // A sheet that does not say where it opens is not wrong about it.
      applies: (p) => !p.openingSupposed,
      scale: 'up to 12 °C off, one way or the other',
      variants: {
        lower: (p, s) => ({ startOpenC: p.startOpenC - 12 * s, fullOpenC: p.fullOpenC - 12 * s }),
        higher: (p, s) => ({ startOpenC: p.startOpenC + 12 * s, fullOpenC: p.fullOpenC + 12 * s })
      },
      severities: [0.45, 0.9],
      blind: ({ startOpenC, maxC }) => ({
        because:
          maxC < startOpenC
            ? 'the thermostat never opened in this run'
            : 'it did not regulate for long enough to say where',
        toShow: 'Hold a steady speed for ten minutes, warm, with the log running'
      })
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
