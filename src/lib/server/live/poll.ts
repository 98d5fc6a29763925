import { readAnswer } from '../../../core/logs/bus/identifiers';
import type { ChannelKey } from '../../../core/logs/channels';
import type { ScanAdapter } from './adapter';

/** One sample as the control unit gave it. */
export interface Sample {
  /** Adapter's clock, s. */
  readonly stamp: number;
  readonly values: Partial<Record<ChannelKey, number>>;
}

/** All that is asked in one request: coolant, revs, speed, load, intake air, ambient. */
const REQUEST = Uint8Array.of(0x01, 0x05, 0x0c, 0x0d, 0x04, 0x0f, 0x46);
/** Where a control unit has no identifier 05. */
const REQUEST_67 = Uint8Array.of(0x01, 0x67, 0x0c, 0x0d, 0x04, 0x0f, 0x46);

/** Asks for one sample; null where no answer came, or one without a coolant temperature. */
export async function poll(adapter: ScanAdapter): Promise<Sample | null> {
  for (const request of [REQUEST, REQUEST_67]) {
    const answer = await adapter.ask(request);
    if (!answer) return null;
    const values: Partial<Record<ChannelKey, number>> = {};
    for (const { identifier, value } of readAnswer(answer.message.subarray(1)))
      if (identifier.channel) values[identifier.channel] = value;
    if (values.ect_c !== undefined) return { stamp: answer.t, values };
  }
  return null;
}
