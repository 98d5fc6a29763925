import { CHANNELS, type ChannelKey, type Log } from '../../../core/logs/channels';

/** Samples a chunk: small enough to read a screenful quickly, large enough that a day of logging is a few rows. */
export const CHUNK_SAMPLES = 16_384;

export interface Chunk {
  readonly seq: number;
  readonly fromS: number;
  readonly toS: number;
  readonly count: number;
  readonly data: Buffer;
}

/** The channels of a log in the order chunks hold them. */
export const channelsOf = (log: Log): ChannelKey[] =>
  CHANNELS.map((c) => c.key).filter((key) => log.channels[key]);

/** Cuts a log into chunks: time as float64, then each channel as float32. */
export function* toChunks(log: Log): Generator<Chunk> {
  const keys = channelsOf(log);
  for (let start = 0, seq = 0; start < log.t.length; start += CHUNK_SAMPLES, seq++) {
    const end = Math.min(log.t.length, start + CHUNK_SAMPLES);
    const count = end - start;
    const data = Buffer.allocUnsafe(count * (8 + 4 * keys.length));
    bytesOf(log.t.subarray(start, end)).copy(data, 0);
    keys.forEach((key, i) =>
      bytesOf(log.channels[key]!.subarray(start, end)).copy(data, count * (8 + 4 * i))
    );
    yield { seq, fromS: log.t[start], toS: log.t[end - 1], count, data };
  }
}

const bytesOf = (values: Float64Array | Float32Array) =>
  Buffer.from(values.buffer, values.byteOffset, values.byteLength);

/** Puts chunks back together. They must be in order and of one run. */
export function fromChunks(
  chunks: readonly Pick<Chunk, 'count' | 'data'>[],
  keys: readonly ChannelKey[]
): Pick<Log, 't' | 'channels'> {
  const total = chunks.reduce((sum, c) => sum + c.count, 0);
  const t = new Float64Array(total);
  const channels = Object.fromEntries(keys.map((key) => [key, new Float32Array(total)])) as Partial<
    Record<ChannelKey, Float32Array>
  >;
  let at = 0;
  for (const { count, data } of chunks) {
    // A copy on a boundary of its own: a buffer from the driver may start at any byte.
    const own = new Uint8Array(data).buffer;
    t.set(new Float64Array(own, 0, count), at);
    keys.forEach((key, i) => channels[key]!.set(new Float32Array(own, count * (8 + 4 * i), count), at));
    at += count;
  }
  return { t, channels };
}
