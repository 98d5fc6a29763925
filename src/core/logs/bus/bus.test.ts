import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bytesOfCode, codeOf, readCodes } from './codes';
import { isAnswer, readFrame, writeFrame } from './frame';
import { IDENTIFIERS, identifierOf, readAnswer, supportFlags } from './identifiers';
import { Assembler, toFrames } from './isotp';

const bytes = (text: string) => Uint8Array.from(text.split(' ').map((b) => parseInt(b, 16)));

describe('frames', () => {
  it('are read as they are written, with 11 and 29 bits', () => {
    const line = '(1732500000.123456) can0 7E8#0341055A';
    const frame = readFrame(line)!;
    expect([frame.t, frame.id, [...frame.data]]).toEqual([1732500000.123456, 0x7e8, [3, 0x41, 5, 0x5a]]);
    expect(writeFrame(frame)).toBe(line);
    expect(readFrame('(0.5) vcan1 18DAF110#0341057B')!.id).toBe(0x18daf110);
    expect([isAnswer(0x7e8), isAnswer(0x7df), isAnswer(0x18daf110), isAnswer(0x18db33f1)]).toEqual([
      true,
      false,
      true,
      false
    ]);
  });
  it('are none where the line is remote, flexible-rate, odd or words', () => {
    for (const line of ['(1.0) can0 123#R', '(1.0) can0 123##1AABB', '(1.0) can0 7E8#034', 'hello', ''])
      expect(readFrame(line)).toBeNull();
  });
});

describe('long messages', () => {
  it('are cut and put together as ISO 15765-2 says', () => {
    // 10 bytes: a first frame with 6, a consecutive one with 4.
    const message = Uint8Array.from({ length: 10 }, (_, i) => i + 1);
    const frames = toFrames(message);
    expect([...frames[0]]).toEqual([0x10, 10, 1, 2, 3, 4, 5, 6]);
    expect([...frames[1].subarray(0, 5)]).toEqual([0x21, 7, 8, 9, 10]);
    expect([...toFrames(bytes('41 05 5A'))[0].subarray(0, 4)]).toEqual([3, 0x41, 5, 0x5a]);
  });
  it('come back whole, whatever their length', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 1, maxLength: 400 }), (message) => {
        const assembler = new Assembler();
        const got = toFrames(message)
          .map((f) => assembler.take(f))
          .filter((m) => m !== null);
        return got.length === 1 && Buffer.from(got[0]).equals(Buffer.from(message));
      })
    );
  });
  it('are dropped where a frame is lost, and never mixed with the next', () => {
    const assembler = new Assembler();
    const long = toFrames(new Uint8Array(30).fill(7));
    expect([long[0], long[2], long[3]].map((f) => assembler.take(f))).toEqual([null, null, null]);
    expect([...assembler.take(toFrames(bytes('41 05 5A'))[0])!]).toEqual([0x41, 5, 0x5a]);
    expect(() => toFrames(new Uint8Array(0))).toThrow(RangeError);
  });
});

describe('service 01', () => {
  it.each([
    [0x05, '7B', 83],
    [0x0c, '1A F8', 1726],
    [0x0d, '3C', 60],
    [0x04, '80', 50.2],
    [0x42, '36 B0', 14],
    [0x1f, '01 0A', 266],
    [0x67, '03 7B 5A', 83]
  ])('%i with %s is %d', (id, data, value) => {
    expect(identifierOf(id)!.decode(bytes(data))).toBeCloseTo(value, 1);
  });
  it('covers the identifiers of the formats page, there and back', () => {
    expect(IDENTIFIERS.map((i) => i.id)).toEqual([
      0x04, 0x05, 0x0b, 0x0c, 0x0d, 0x0f, 0x1f, 0x33, 0x42, 0x46, 0x5c, 0x67
    ]);
    for (const i of IDENTIFIERS) expect(i.decode(Uint8Array.from(i.encode(60)))).toBeCloseTo(60, 0);
  });
  it('reads several values in one answer and stops at what it does not know', () => {
    const read = readAnswer(bytes('05 7B 0C 1A F8 0D 3C')).map((a) => [a.identifier.id, a.value]);
    expect(read).toEqual([
      [0x05, 83],
      [0x0c, 1726],
      [0x0d, 60]
    ]);
    expect(readAnswer(bytes('05 7B FE 01 0D 3C'))).toHaveLength(1);
    expect(readAnswer(bytes('0C 1A'))).toEqual([]);
  });
  it('tells what a control unit has as flags', () => {
    expect(supportFlags(0, [0x01, 0x05, 0x20])).toEqual([0x88, 0, 0, 1]);
  });
});

describe('codes in bytes', () => {
  it.each([
    ['P0118', 0x01, 0x18],
    ['U0100', 0xc1, 0x00],
    ['B1234', 0x92, 0x34],
    ['P2183', 0x21, 0x83]
  ])('%s', (code, high, low) => {
    expect(codeOf(high, low)).toBe(code);
    expect(bytesOfCode(code)).toEqual([high, low]);
  });
  it('come by count, without padding', () => {
    expect(readCodes(bytes('02 01 18 01 28 00 00'))).toEqual(['P0118', 'P0128']);
    expect(readCodes(bytes('00'))).toEqual([]);
    expect(() => bytesOfCode('hot')).toThrow(RangeError);
  });
});
