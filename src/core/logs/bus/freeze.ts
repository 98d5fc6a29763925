import { sayC } from '../../units/say';
import type { ChannelKey } from '../channels';
import { codeOf } from './codes';
import { identifierOf } from './identifiers';

/** A freeze frame (SAE J1979, service 02): the code that set it, and what was read then. */
export interface Freeze {
  readonly code: string | null;
  readonly values: readonly {
    readonly title: string;
    readonly channel: ChannelKey | null;
    readonly value: number;
  }[];
}

/** What answers have told of a freeze frame so far; values by identifier. */
export interface FrozenSoFar {
  code: string | null;
  readonly values: Map<number, number>;
}

/** Takes an answer’s body: identifier, number of the frame, value; identifier 02 is the code that set it. Whether it told anything. */
export function takeFreeze(freeze: FrozenSoFar, body: Uint8Array): boolean {
  let used = false;
  for (let at = 0; at + 2 < body.length;) {
    const identifier = identifierOf(body[at]);
    const bytes = body[at] === 0x02 ? 2 : identifier?.bytes;
    if (bytes === undefined || at + 2 + bytes > body.length) break;
    const data = body.subarray(at + 2, at + 2 + bytes);
    // A code of two noughts: nothing was frozen.
    if (body[at] === 0x02) freeze.code = data[0] || data[1] ? codeOf(data[0], data[1]) : null;
    else {
      const value = identifier!.decode(data);
      if (value !== null) freeze.values.set(body[at], value);
    }
    used = true;
    at += 2 + bytes;
  }
  return used;
}

/** The freeze frame that answers have told; null where nothing was frozen. */
export function readFreeze({ code, values }: FrozenSoFar): Freeze | null {
  if (code === null && values.size === 0) return null;
  return {
    code,
    values: [...values].map(([id, value]) => {
      const { title, channel } = identifierOf(id)!;
      return { title, channel, value };
    })
  };
}

/** A freeze frame in a sentence. */
export function freezeSaid({ code, values }: Freeze): string {
  const said = values.flatMap(({ channel, value }) =>
    channel === 'ect_c'
      ? [`coolant ${sayC(value)}`]
      : channel === 'rpm'
        ? [`${value.toFixed(0)} rpm`]
        : channel === 'speed_kmh'
          ? [`${value.toFixed(0)} km/h`]
          : channel === 'load_pct'
            ? [`${value.toFixed(0)} % load`]
            : []
  );
  return `when ${code ?? 'a code'} was set: ${said.join(', ') || 'nothing that is decoded here'}`;
}
