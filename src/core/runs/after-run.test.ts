import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Log } from '../logs/channels';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { logFrom } from './log-from';
import { plantFor } from '../physics/plant/params';
import { analyse } from './analyse';
import { readHunting } from './cycles';
import { toGrid } from './grid';

const curlew: SpecSheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const warm = [
  { minutes: 14, speedKmh: 50, load: 0.4, rpm: 2200 },
  { minutes: 6, speedKmh: 0, load: 0.2, rpm: 800 }
];
/** A run and what a logger that stayed on wrote of the engine after it was switched off. */
function withKeyOff(minutes: number, more: Partial<Parameters<typeof logFrom>[0]> = {}): Log {
  const stop = 20 * 60;
  const legs = [...warm, { minutes, speedKmh: 0, load: 0, rpm: 0 }];
  const log = logFrom({
    spec: curlew,
    fault: 'none',
    severity: 0,
    legs,
    ambientC: 12,
    startC: 12,
    columns: 'all',
    seed: 3,
    ...more
  });
  log.channels.rpm!.fill(0, stop + 8);
  return log;
}

describe('a log that goes on after key-off', () => {
  const read = analyse(withKeyOff(40), curlew);
  const ran = analyse(withKeyOff(0), curlew);

  it('tells when the engine stopped, how far it rose and how fast it cools', () => {
    const after = read.features.afterRun!;
    expect(Math.abs(after.stoppedAtS - 1203)).toBeLessThan(12);
    expect(after.riseC).toBeGreaterThanOrEqual(0);
    expect(after.riseC).toBeLessThan(6);
    expect(after.cooling!.tauH).toBeGreaterThan(1.5);
    expect(after.cooling!.tauH).toBeLessThan(2.6);
    expect(ran.features.afterRun).toBeNull();
  });

  it('leaves what the running engine showed as it was, and is no less healthy', () => {
    expect(read.verdict).toBe('none');
    expect(read.features.plateauC).toBeCloseTo(ran.features.plateauC!, 0);
    expect(read.features.segments.every((s) => s.toS <= 1210)).toBe(true);
  });

  it('finds a fan that the key does not stop, and says for how long it ran against its rule', () => {
    const log = withKeyOff(15, { fault: 'fan-relay-welded', severity: 1 });
    const { verdict, features, evidence } = analyse(log, curlew);
    expect(features.afterRun!.fanStillOn).toBe(true);
    expect(features.afterRun!.fanS).toBeGreaterThan(14 * 60);
    expect(verdict).toBe('fan-relay-welded');
    const said = evidence.find((e) => e.text.includes('after key-off; the sheet allows'));
    expect(said?.state).toBe('off');
    expect(said?.text).toContain('6 min');
  });
});

describe('a reading that swings', () => {
  const grid = (celsius: (s: number) => number) =>
    toGrid(
      {
        t: Float64Array.from({ length: 1500 }, (_, i) => i),
        channels: { ect_c: Float32Array.from({ length: 1500 }, (_, i) => Math.round(celsius(i))) },
        events: []
      },
      curlew
    );
  const noFan = { from: 'none' as const, switches: [], onShare: 0, ratio: null };

  it('is measured: its period and half of peak to trough', () => {
    const swing = grid((s) => 88 + 5 * Math.sin((2 * Math.PI * s) / 180));
    const found = readHunting(swing, 0, noFan)!;
    expect(Math.abs(found.periodS - 180)).toBeLessThan(6);
    expect(Math.abs(found.amplitudeC - 5)).toBeLessThan(0.6);
    expect(found.cycles).toBeGreaterThanOrEqual(7);
    expect(found.withFan).toBe(false);
  });

  it('is not seen in the step of a whole-degree reading, nor in one rise and fall', () => {
    expect(
      readHunting(
        grid((s) => 88.5 + 0.9 * Math.sin(s / 20)),
        0,
        noFan
      )
    ).toBeNull();
    expect(
      readHunting(
        grid((s) => 88 + 9 * Math.exp(-(((s - 700) / 200) ** 2))),
        0,
        noFan
      )
    ).toBeNull();
  });

  it('in step with its fan is the fan’s', () => {
    const legs = [{ minutes: 60, speedKmh: 0, load: 0.3, rpm: 950 }];
    const log = logFrom({
      spec: curlew,
      fault: 'none',
      severity: 0,
      legs,
      ambientC: 34,
      startC: 34,
      columns: 'all',
      seed: 4,
      plant: { ...plantFor(curlew), radiatorMax: 0.5 }
    });
    const { hunting, fanCoolsCPerMin } = analyse(log, curlew).features;
    expect(hunting!.withFan).toBe(true);
    expect(hunting!.amplitudeC).toBeGreaterThan(1.5);
    expect(fanCoolsCPerMin).toBeGreaterThan(0.5);
  });
});
