import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Log } from '../logs/channels';
import { readLog } from '../logs/csv-import';
import { bandFor } from './analyse';
import { momentOf, opensIn, outsideBand, withAhead } from './live';

const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const logOf = (ect: number[], dt = 1): Log => ({
  t: Float64Array.from(ect, (_, i) => i * dt),
  channels: { ect_c: Float32Array.from(ect), rpm: Float32Array.from(ect, () => 800) },
  events: []
});
const ramp = (from: number, perMin: number, s: number) =>
  Array.from({ length: s }, (_, i) => from + (perMin * i) / 60);

describe('a run in progress', () => {
  it('tells rate, phase and margin', () => {
    const warming = momentOf(logOf(ramp(20, 6, 120)), curlew)!;
    expect(warming.rateCPerMin).toBeCloseTo(6, 5);
    expect(warming).toMatchObject({ phase: 'warming', level: 'calm', fanDue: false, implausible: null });
    // Half and half under a cap of 110 kPa boils near 131 °C.
    expect(warming.boilingMarginC! + warming.coolantC).toBeCloseTo(131.3, 0);
    expect(momentOf(logOf(ramp(90, 1, 60)), curlew)!.phase).toBe('regulating');
    expect(momentOf(logOf([20, 21]), curlew)!.rateCPerMin).toBeNull();
    expect(momentOf(logOf([]), curlew)).toBeNull();
  });

  it('warns at the hot limit and stops at the stop limit of the sheet', () => {
    const level = (c: number) => momentOf(logOf(ramp(c, 0.1, 60)), curlew)!.level;
    expect([level(111.5), level(112), level(117), level(118)]).toEqual(['calm', 'hot', 'hot', 'stop']);
    expect(momentOf(logOf(ramp(103, 0.1, 60)), curlew)!.fanDue).toBe(true);
  });

  it('does not cry stop at a circuit that is open, shorted or jumping', () => {
    expect(momentOf(logOf([...ramp(60, 4, 60), 140]), curlew)).toMatchObject({
      level: 'calm',
      implausible: expect.stringContaining('short-circuit')
    });
    expect(momentOf(logOf([...ramp(60, 4, 60), -40]), curlew)!.implausible).toContain('open-circuit');
    expect(momentOf(logOf([...ramp(60, 4, 60), 119, 119]), curlew)).toMatchObject({
      level: 'calm',
      implausible: expect.stringContaining('Jumped')
    });
    // After a gap the engine may well have come this far.
    expect(momentOf({ ...logOf([60, 61, 119]), t: Float64Array.of(0, 1, 400) }, curlew)!.level).toBe('stop');
  });

  it('draws its band ahead, and tells when the thermostat should open', () => {
    const read = readLog(new Uint8Array(readFileSync('demo/runs/qh-03-proof.csv')));
    const whole = read.ok ? read.value.log : null!;
    const n = 300;
    const soFar: Log = {
      t: whole.t.slice(0, n),
      channels: Object.fromEntries(Object.entries(whole.channels).map(([k, v]) => [k, v.slice(0, n)])),
      events: []
    };
    const ahead = withAhead(soFar, 600);
    expect(ahead.t[ahead.t.length - 1]).toBe(soFar.t[n - 1] + 600);
    expect(ahead.channels.ect_c![n]).toBeNaN();
    expect(ahead.channels.rpm![n + 5]).toBeCloseTo(
      soFar.channels.rpm!.slice(-61).reduce((a, b) => a + b) / 61,
      -1
    );
    const band = bandFor(ahead, curlew, { draws: 60 });
    expect(band.t[band.t.length - 1]).toBeGreaterThan(800);
    const now = soFar.t[n - 1];
    expect(outsideBand(band, now, soFar.channels.ect_c![n - 1])).toBe(0);
    expect(outsideBand(band, now, 100)).toBeGreaterThan(20);
    expect(outsideBand(band, 1e6, 50)).toBeNull();
    const opens = opensIn(band, now);
    if (opens) expect(opens.toS).toBeGreaterThanOrEqual(opens.fromS);
    expect(opensIn(band, 1e6)).toBeNull();
    expect(opensIn(null, 0)).toBeNull();
  });

  it('narrows its band by what this engine has shown, around what it goes on to show', () => {
    const read = readLog(new Uint8Array(readFileSync('demo/runs/qh-03-proof.csv')));
    const whole = read.ok ? read.value.log : null!;
    const wide = bandFor(whole, curlew, { draws: 150 });
    const narrow = bandFor(whole, curlew, { draws: 150, narrowed: true });
    const i = wide.t.findIndex((t) => t >= 500);
    const width = (b: typeof wide) => b.high[i] - b.low[i];
    expect(width(narrow)).toBeLessThan(0.75 * width(wide));
    // Whoever fits the first minutes also opens when they foretell.
    const opens = ({ openingAtS }: typeof wide) => openingAtS!.high - openingAtS!.low;
    expect(opens(narrow)).toBeLessThan(0.75 * opens(wide));
    const inside = whole.t.filter((t, k) => outsideBand(narrow, t, whole.channels.ect_c![k]) === 0).length;
    expect(inside / whole.t.length).toBeGreaterThan(0.85);
  });
});
