import { OWN_WEIGHTS, type OwnFinding } from '../record/own-finding';
import type { Finding } from './finding';

/** As evidence. Even the last word leaves the chance of a blunder. */
export function ownAsFinding(id: string, own: OwnFinding): Finding {
  const nats = OWN_WEIGHTS[own.weight].nats;
  return {
    id,
    title: 'Own finding',
    says: own.says,
    llr: { [own.fault]: own.way === 'for' ? nats : -nats },
    group: `own/${id}`
  };
}
