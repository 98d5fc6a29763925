import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Log } from '../../../core/logs/channels';
import { CHUNK_SAMPLES, channelsOf, fromChunks, toChunks } from './chunks';

const logOf = (n: number): Log => ({
  t: Float64Array.from({ length: n }, (_, i) => i / 7),
  channels: {
    rpm: Float32Array.from({ length: n }, (_, i) => 800 + (i % 13)),
    ect_c: Float32Array.from({ length: n }, (_, i) => (i % 5 === 0 ? NaN : 20 + i / 1000))
  },
  events: []
});

describe('samples in chunks', () => {
  it('come back bit for bit, blanks too, whatever the length', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3 * CHUNK_SAMPLES }), (n) => {
        const log = logOf(n);
        const back = fromChunks([...toChunks(log)], channelsOf(log));
        expect(back.t).toEqual(log.t);
        expect(back.channels).toEqual(log.channels);
      }),
      { numRuns: 12 }
    );
  });

  it('come back from a buffer that starts at an odd byte, as a driver may hand it over', () => {
    const log = logOf(50);
    const shifted = [...toChunks(log)].map((c) => {
      const wide = Buffer.alloc(c.data.length + 1);
      c.data.copy(wide, 1);
      return { count: c.count, data: wide.subarray(1) };
    });
    expect(fromChunks(shifted, channelsOf(log)).t).toEqual(log.t);
  });

  it('follow on without a gap or an overlap', () => {
    const chunks = [...toChunks(logOf(2 * CHUNK_SAMPLES + 1))];
    expect(chunks.map((c) => c.count)).toEqual([CHUNK_SAMPLES, CHUNK_SAMPLES, 1]);
    expect(chunks[1].fromS).toBeGreaterThan(chunks[0].toS);
  });
});
