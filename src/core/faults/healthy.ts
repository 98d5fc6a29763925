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
  })
} satisfies Partial<Record<FaultId, Fault>>;
