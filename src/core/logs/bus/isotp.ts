/**
 * Messages longer than a frame, by ISO 15765-2: a single frame carries up to 7 bytes; longer ones begin with a
 * first frame and go on in consecutive ones, numbered 1 to 15 and round again.
 */
const PAD = 0xaa;
const MOST_BYTES = 4095;

/** Cuts a message into the data of its frames. Throws RangeError for an empty one or one of over 4095 bytes. */
export function toFrames(message: Uint8Array): Uint8Array[] {
  const { length } = message;
  if (length === 0 || length > MOST_BYTES)
    throw new RangeError(`a message has 1 to ${MOST_BYTES} bytes, not ${length}`);
  const frame = (head: number[], part: Uint8Array) => {
    const data = new Uint8Array(8).fill(PAD);
    data.set(head);
    data.set(part, head.length);
    return data;
  };
  if (length <= 7) return [frame([length], message)];
  const frames = [frame([0x10 | (length >> 8), length & 0xff], message.subarray(0, 6))];
  for (let at = 6, n = 1; at < length; at += 7, n = (n + 1) & 0xf)
    frames.push(frame([0x20 | n], message.subarray(at, at + 7)));
  return frames;
}

/** "Go on, all of it, without a pause": what a receiver answers to a first frame. */
export const FLOW_GO_ON = Uint8Array.of(0x30, 0, 0, PAD, PAD, PAD, PAD, PAD);

export const isFirstFrame = (data: Uint8Array): boolean => data.length > 1 && data[0] >> 4 === 1;

/** Puts the frames of one sender together. A lost frame drops its message, never mixes two. */
export class Assembler {
  #message: Uint8Array | null = null;
  #have = 0;
  #next = 1;

  /** Takes a frame's data; the whole message when it is complete, else null. */
  take(data: Uint8Array): Uint8Array | null {
    if (data.length === 0) return null;
    switch (data[0] >> 4) {
      case 0: {
        this.#message = null;
        const length = data[0] & 0xf;
        return length >= 1 && length < data.length ? data.slice(1, 1 + length) : null;
      }
      case 1: {
        if (data.length < 8) return null;
        this.#message = new Uint8Array(((data[0] & 0xf) << 8) | data[1]);
        this.#have = Math.min(6, this.#message.length);
        this.#message.set(data.subarray(2, 2 + this.#have));
        this.#next = 1;
        return null;
      }
      case 2:
        return this.#goOn(data);
      default:
        return null;
    }
  }

  #goOn(data: Uint8Array): Uint8Array | null {
    const message = this.#message;
    if (!message) return null;
    if ((data[0] & 0xf) !== this.#next) {
      this.#message = null;
      return null;
    }
    const part = data.subarray(1, 1 + message.length - this.#have);
    message.set(part, this.#have);
    this.#have += part.length;
    this.#next = (this.#next + 1) & 0xf;
    if (this.#have < message.length) return null;
    this.#message = null;
    return message;
  }
}
