import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ANSWER_ID, writeFrame } from '../../../core/logs/bus/frame';
import { createServer, type AddressInfo } from 'node:net';
import { knownAdapters } from './adapters';
import { tellBench } from './bench';
import { AdapterLost, replayAdapter, socketAdapter } from './adapter';
import { poll, type Sample } from './poll';
import { liveBench, type LiveBench } from '../../../../tests/support/live-bench';

let there: LiveBench;
beforeAll(async () => void (there = await liveBench()));
afterAll(() => there.close());

describe('an adapter', () => {
  it('on a socket gives samples with the clock of its own', async () => {
    await there.plug();
    const adapter = await socketAdapter(there.address);
    const samples: Sample[] = [];
    while (samples.length < 5) {
      const sample = await poll(adapter);
      if (sample) samples.push(sample);
    }
    adapter.close();
    expect(samples.every((s, i) => i === 0 || s.stamp > samples[i - 1].stamp)).toBe(true);
    expect(Object.keys(samples[0].values).sort()).toEqual([
      'ambient_c',
      'ect_c',
      'iat_c',
      'load_pct',
      'rpm',
      'speed_kmh'
    ]);
  });

  it('that plays a capture back is the same to its user', async () => {
    const ect = (t: number, c: number) =>
      writeFrame({ t, id: ANSWER_ID, data: Uint8Array.of(3, 0x41, 5, c + 40, 0, 0, 0, 0) });
    const adapter = replayAdapter([ect(1, 20), '(1.5) can0 3B1#01', ect(2, 21)].join('\n'));
    expect((await poll(adapter))!).toEqual({ stamp: 1, values: { ect_c: 20 } });
    expect((await poll(adapter))!.values.ect_c).toBe(21);
    await expect(poll(adapter)).rejects.toThrow(AdapterLost);
  });

  it('that is no bench at all is said to be none, and takes no server down', async () => {
    const stranger = createServer((socket) => socket.end('220 mail ready\r\n'));
    await new Promise<void>((resolve) => stranger.listen(0, '127.0.0.1', resolve));
    const { port } = stranger.address() as AddressInfo;
    const answer = await tellBench(`127.0.0.1:${port}`, { do: 'state' });
    expect(!answer.ok && answer.problems[0].message).toContain('no simulated bench');
    stranger.close();
  });

  it('that is not there is said to be lost', async () => {
    await expect(socketAdapter('127.0.0.1:9')).rejects.toThrow('no adapter answers at 127.0.0.1:9');
  });

  it('is one of the workshop’s, as its settings name them', () => {
    expect(
      knownAdapters({
        PYRETHOS_ADAPTERS: 'Bay 1=127.0.0.1:5200, broken, Yard = 10.0.0.7:35000',
        PYRETHOS_BENCH_PORT: '5191'
      })
    ).toEqual([
      { name: 'Bay 1', address: '127.0.0.1:5200', simulated: false },
      { name: 'Yard', address: '10.0.0.7:35000', simulated: false },
      { name: 'Simulated vehicle', address: '127.0.0.1:5191', simulated: true }
    ]);
  });
});
