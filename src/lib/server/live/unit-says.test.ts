import { describe, expect, it } from 'vitest';
import type { ScanAdapter } from './adapter';
import { unitSays } from './unit-says';

/** An adapter whose control unit gives these answers, by request in hexadecimal. */
function unit(answers: Readonly<Record<string, readonly number[]>>) {
  const asked: string[] = [];
  const adapter: ScanAdapter = {
    async ask(request) {
      const key = Buffer.from(request).toString('hex');
      asked.push(key);
      const answer = answers[key];
      return answer ? { t: 0, message: Uint8Array.from(answer) } : null;
    },
    close: () => undefined
  };
  return { adapter, asked };
}

describe('what a control unit says of itself', () => {
  it('is which of its tests have run, and how it was when a code was set', async () => {
    const { adapter } = unit({
      '0101': [0x41, 0x01, 0x81, 0x07, 0x61, 0x01],
      '020200': [0x42, 0x02, 0x00, 0x02, 0x17],
      '020500': [0x42, 0x05, 0x00, 0x9d],
      '020c00': [0x42, 0x0c, 0x00, 0x0b, 0xb8]
    });
    const said = await unitSays(adapter);
    expect(said[0]).toContain('5 of 6 complete, not yet: catalyst; lamp on, 1 code');
    expect(said[1]).toMatch(/^when P0217 was set: coolant .*117.*, 750 rpm$/);
  });

  it('is nothing of a unit that does not answer, which is not asked on and on', async () => {
    const { adapter, asked } = unit({});
    expect(await unitSays(adapter)).toEqual([]);
    expect(asked).toEqual(['0101', '020200']);
  });

  it('is no freeze frame where no code was set', async () => {
    const { adapter, asked } = unit({ '020200': [0x42, 0x02, 0x00, 0x00, 0x00] });
    expect(await unitSays(adapter)).toEqual([]);
    expect(asked).not.toContain('020500');
  });
});
