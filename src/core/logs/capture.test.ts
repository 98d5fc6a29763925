import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { ANSWER_ID, REQUEST_ALL, writeFrame } from './bus/frame';
import { identifierOf } from './bus/identifiers';
import { toFrames } from './bus/isotp';
import { analyse } from '../runs/analyse';
import { readAnyLog } from './any-log';
import { isCapture, readCapture } from './capture';
import type { Log } from './channels';
import { readLog } from './csv-import';

const encode = (id: number, value: number) => [id, ...identifierOf(id)!.encode(value)];
/** A log as a bus would have carried it: every answer holds several identifiers, so it takes two frames. */
function capture(log: Log, t0 = 1_764_000_000): string {
  const lines: string[] = [];
  for (let i = 0; i < log.t.length; i++) {
    const t = t0 + log.t[i];
    lines.push(writeFrame({ t, id: REQUEST_ALL, data: Uint8Array.of(5, 1, 5, 0x0c, 0x0d, 0x04, 0, 0) }));
    const answer = [
      0x41,
      ...encode(5, log.channels.ect_c![i]),
      ...encode(0x0c, log.channels.rpm![i]),
      ...encode(0x0d, log.channels.speed_kmh![i]),
      ...encode(4, log.channels.load_pct![i])
    ];
    toFrames(Uint8Array.from(answer)).forEach((data, n) =>
      lines.push(writeFrame({ t: t + 0.004 * (n + 1), id: ANSWER_ID, data }))
    );
    if (i % 10 === 0) lines.push(writeFrame({ t: t + 0.02, id: 0x3b1, data: Uint8Array.of(1, 2, 3) }));
    if (i % 30 === 0) {
      const slow = [0x41, ...encode(0x46, 8), ...encode(0x0f, 11)];
      toFrames(Uint8Array.from(slow)).forEach((data) =>
        lines.push(writeFrame({ t: t + 0.03, id: ANSWER_ID, data }))
      );
    }
  }
  lines.push(
    `(${(t0 + 9e5).toFixed(6)}) can0 7E8#06430201180128AA`.replace('06430201180128AA', '0643020118012800')
  );
  return lines.join('\n') + '\n';
}
const original = readLog(new Uint8Array(readFileSync('demo/runs/qh-03-ridge-road.csv')));
const csv = original.ok ? original.value.log : null!;

describe('a bus capture', () => {
  const text = capture(csv);
  const read = readCapture(text);
  if (!read.ok) throw new Error(read.problems[0].message);
  const { log, capture: report } = read.value;

  it('gives the samples that went over the bus, multi-frame answers included', () => {
    expect(log.t.length).toBe(csv.t.length);
    expect([...log.channels.ect_c!]).toEqual([...csv.channels.ect_c!]);
    expect(log.channels.rpm![500]).toBeCloseTo(csv.channels.rpm![500], 0);
    expect(log.channels.ambient_c![500]).toBeNaN();
    expect(log.channels.ambient_c![600]).toBe(8);
    expect(log.startedAt).toBe('2025-11-24T16:00:00.004Z'.replace('.004', '.008'));
  });

  it('counts what it skips and tells the codes', () => {
    expect(report.stored).toEqual(['P0118', 'P0128']);
    expect(report.skipped).toBe(csv.t.length + Math.ceil(csv.t.length / 10));
    expect(read.warnings.map((w) => w.message)).toEqual([
      'trouble codes on the bus: P0118 stored, P0128 stored'
    ]);
  });

  it('is judged like the same run from a CSV', () => {
    const sheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
    expect(analyse(log, sheet).verdict).toBe('thermostat-stuck-open');
  });

  it('is told from a CSV by its content', () => {
    const bytes = new TextEncoder().encode(text);
    expect(isCapture(bytes)).toBe(true);
    expect(isCapture(new Uint8Array(readFileSync('demo/runs/qh-03-proof.csv')))).toBe(false);
    const any = readAnyLog(bytes);
    expect(any.ok && any.value.log.t.length).toBe(csv.t.length);
  });
});

describe('a capture that is wrong', () => {
  const ect = (t: number, value: number, id = ANSWER_ID) =>
    writeFrame({ t, id, data: Uint8Array.of(3, 0x41, 5, value + 40, 0, 0, 0, 0) });
  it('is refused in words', () => {
    const none = readCapture('hello\nworld\n');
    expect(!none.ok && none.problems[0]).toMatchObject({
      line: 1,
      message: expect.stringContaining('expected (seconds.micros)')
    });
    const other = readCapture('(1.0) can0 3B1#010203\n(2.0) can0 3B1#010203\n');
    expect(!other.ok && other.problems[0].message).toContain('fewer than two coolant temperatures');
  });
  it('names the first broken line, and leaves out what runs backwards or was cut off', () => {
    const read = readCapture(
      [ect(1, 20), 'noise', ect(2, 21), ect(1.5, 90), ect(3, 22), '(4.0) can0 7E8#0341'].join('\n')
    );
    if (!read.ok) throw new Error('refused');
    expect([...read.value.log.channels.ect_c!]).toEqual([20, 21, 22]);
    expect(read.warnings.map((w) => [w.line, w.message.slice(0, 20)])).toEqual([
      [2, 'is no frame and was '],
      [undefined, '1 frames go back in ']
    ]);
  });
  it('takes the engine’s own word where another control unit speaks too', () => {
    const lines = [0, 1, 2, 3].flatMap((t) => [ect(t, 80 + t), ...(t % 2 ? [ect(t + 0.1, 20, 0x7e9)] : [])]);
    const read = readCapture(lines.join('\n'));
    expect(read.ok && [...read.value.log.channels.ect_c!]).toEqual([80, 81, 82, 83]);
  });
});

describe('what a control unit says of itself', () => {
  const withAnswers = (...answers: readonly (readonly number[])[]) => {
    const lines = answers.flatMap((answer, n) =>
      toFrames(Uint8Array.from(answer)).map((data, k) =>
        writeFrame({ t: 1.7e9 + n + 0.001 * k, id: ANSWER_ID, data })
      )
    );
    const coolant = [0, 1].map((n) =>
      writeFrame({ t: 1.7e9 + 60 + n, id: ANSWER_ID, data: Uint8Array.of(3, 0x41, 0x05, 0x7b) })
    );
    const read = readCapture([...lines, ...coolant].join('\n'));
    if (!read.ok) throw new Error(read.problems[0].message);
    return { ...read.value.capture, said: read.warnings.map((w) => w.message) };
  };

  it('is its readiness: what a drive has shown since codes were cleared, and what it has not', () => {
    // Lamp on, two codes; all three continuous tests there, fuel system not complete; catalyst, oxygen sensor and its heater there, catalyst not complete.
    const { readiness, said } = withAnswers([0x41, 0x01, 0x82, 0x27, 0x61, 0x01]);
    expect(readiness).toEqual({
      lamp: true,
      codes: 2,
      complete: ['Misfire', 'Components', 'Oxygen sensor', 'Oxygen sensor heater'],
      incomplete: ['Fuel system', 'Catalyst']
    });
    expect(said.join()).toContain('4 of 6 complete, not yet: fuel system, catalyst; lamp on, 2 codes');
    // A diesel has other tests behind the same bits.
    expect(withAnswers([0x41, 0x01, 0x00, 0x0f, 0x43, 0x40]).readiness).toMatchObject({
      lamp: false,
      complete: ['Misfire', 'Fuel system', 'Components', 'Hydrocarbon catalyst', 'NOx treatment'],
      incomplete: ['Particle filter']
    });
  });

  it('is how it was when a code was set', () => {
    const { freeze, said } = withAnswers(
      [0x42, 0x02, 0x00, 0x01, 0x28],
      [0x42, 0x05, 0x00, 0x6f, 0x0c, 0x00, 0x1c, 0xe8, 0x0d, 0x00, 0x2b]
    );
    expect(freeze).toMatchObject({ code: 'P0128' });
    expect(freeze!.values.map((v) => [v.channel, v.value])).toEqual([
      ['ect_c', 71],
      ['rpm', 1850],
      ['speed_kmh', 43]
    ]);
    expect(said.join()).toMatch(/when P0128 was set: coolant .*71.*, 1850 rpm, 43 km\/h/);
  });

  it('is nothing where nobody asked, and nothing of an answer that was cut off', () => {
    expect(withAnswers()).toMatchObject({ readiness: null, freeze: null, said: [] });
    expect(withAnswers([0x41, 0x01, 0x82]).readiness).toBeNull();
    expect(withAnswers([0x42, 0x05, 0x00]).freeze).toBeNull();
  });
});
