import { freezeSaid, readFreeze, takeFreeze, type FrozenSoFar } from '../../../core/logs/bus/freeze';
import { readinessSaid, readReadiness } from '../../../core/logs/bus/readiness';
import type { ScanAdapter } from './adapter';

/** What a freeze frame is asked for: coolant, revs, speed, load. One at a time, as service 02 wants it. */
const FROZEN = [0x05, 0x0c, 0x0d, 0x04];

/**
 * What the control unit says of its own tests (service 01, identifier 01) and of how it was when a code was set
 * (service 02), in sentences. A unit that does not answer one of them says nothing there.
 */
export async function unitSays(adapter: ScanAdapter): Promise<string[]> {
  const said: string[] = [];
  const state = await adapter.ask(Uint8Array.of(0x01, 0x01));
  const readiness = state?.message[1] === 0x01 ? readReadiness(state.message.subarray(2)) : null;
  if (readiness) said.push(readinessSaid(readiness));
  const so: FrozenSoFar = { code: null, values: new Map() };
  const ask = async (id: number) => {
    const answer = await adapter.ask(Uint8Array.of(0x02, id, 0x00));
    return answer !== null && takeFreeze(so, answer.message.subarray(1));
  };
  if ((await ask(0x02)) && so.code !== null) for (const id of FROZEN) if (!(await ask(id))) break;
  const freeze = readFreeze(so);
  if (freeze) said.push(freezeSaid(freeze));
  return said;
}
