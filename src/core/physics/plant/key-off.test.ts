import { withFault } from '../../faults/registry';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { driveFromLegs, type Leg } from './drive';
import { afterKeyOff } from './key-off';
import { plantFor, type PlantParams } from './params';
import { simulate } from './simulate';

const sheet = (file: string): SpecSheet => JSON.parse(readFileSync(`demo/specs/${file}.spec.json`, 'utf8'));
const curlew = plantFor(sheet('qh-03-curlew'));
const pull: Leg[] = [
  { minutes: 6, speedKmh: 40, load: 0.3, rpm: 1800 },
  { minutes: 9, speedKmh: 60, load: 0.8, rpm: 2800 }
];

/** A run and the hours after it, the engine stopped dead at `stop` s. */
function stopped(p: PlantParams, legs: readonly Leg[], ambientC: number, hours = 7) {
  const stop = legs.reduce((sum, leg) => sum + leg.minutes * 60, 0);
  const drive = driveFromLegs([...legs, { minutes: 60 * hours, speedKmh: 0, load: 0, rpm: 0 }], ambientC, 1);
  for (const column of [drive.rpm, drive.load, drive.speedKmh]) column.fill(0, stop + 1);
  return { stop, trace: simulate(p, drive, { startC: ambientC }) };
}

describe('after key-off', () => {
  it('the reading goes on rising for some minutes: metal gives its heat to coolant that stands', () => {
    const { stop, trace } = stopped(curlew, pull, 15, 1);
    const after = trace.ect.slice(stop);
    const peak = after.indexOf(Math.max(...after));
    expect(after[peak] - after[0]).toBeGreaterThanOrEqual(4);
    expect(after[peak] - after[0]).toBeLessThanOrEqual(12);
    expect(peak).toBeGreaterThan(60);
    expect(peak).toBeLessThan(420);
  });

  it('then cools by the two hours of the cooling law, larger engines more slowly', () => {
    const tau = (p: PlantParams) => {
      const { stop, trace } = stopped(p, pull, 15);
      const over = (h: number) => trace.jacket[stop + h * 3600] - 15;
      // One law throughout: the first two hours and the next three give the same τ.
      expect(2 / Math.log(over(1) / over(3))).toBeCloseTo(3 / Math.log(over(3) / over(6)), 1);
      return 2 / Math.log(over(1) / over(3));
    };
    expect(tau(curlew)).toBeGreaterThan(1.7);
    expect(tau(curlew)).toBeLessThan(2.3);
    expect(tau(plantFor(sheet('qh-19-plough')))).toBeGreaterThan(tau(curlew));
  });

  it('is foretold from a temperature alone: more after a drive, none of it below the fan’s rule', () => {
    const spec = sheet('qh-03-curlew');
    const idled = afterKeyOff(spec, 92, 20, 'idle');
    const driven = afterKeyOff(spec, 92, 20, 'driven');
    expect(driven.riseC).toBeGreaterThan(idled.riseC + 2);
    expect(driven.riseC).toBeLessThan(15);
    // From 98 °C the soak passes the fan’s 101 °C; from 80 °C it does not come near.
    expect(afterKeyOff(spec, 98, 20, 'driven').fanMin).toBeGreaterThan(1);
    expect(afterKeyOff(spec, 98, 20, 'driven').fanMin).toBeLessThanOrEqual(spec.fan!.afterRunMaxMin!);
    expect(afterKeyOff(spec, 80, 20, 'driven').fanMin).toBe(0);
    expect(afterKeyOff(sheet('qh-05-drover'), 92, 20, 'driven').fanMin).toBeNull();
  });

  const hot: Leg[] = [{ minutes: 40, speedKmh: 0, load: 0.4, rpm: 1500 }];
  const onAfter = (p: PlantParams) => {
    const { stop, trace } = stopped(p, hot, 38, 0.5);
    return trace.fanPct.slice(stop + 1).filter((v) => v > 0).length;
  };
  /** Hot enough at key-off to call for its fan, and a rule of `minutes`. */
  const ruled = (minutes: number): PlantParams => ({ ...curlew, fanShiftC: -8, fanAfterRunS: minutes * 60 });

  it('the fan goes on by its rule and no longer, and stops with the key where there is none', () => {
    expect(onAfter(ruled(0))).toBe(0);
    expect(onAfter(ruled(3))).toBeGreaterThan(120);
    expect(onAfter(ruled(3))).toBeLessThanOrEqual(181);
  });

  it('welded contacts know no key', () => {
    expect(onAfter(withFault(ruled(3), 'fan-relay-welded', 1))).toBe(1800);
  });

  it('a fan on the engine stops with it, and the A/C asks for none', () => {
    const drover = stopped(plantFor(sheet('qh-05-drover')), hot, 30, 0.2);
    expect(drover.trace.fanRpm[drover.stop + 5]).toBe(0);
    const withAc = [{ ...hot[0], ac: true }];
    const { stop, trace } = stopped({ ...ruled(0), fanShiftC: 30 }, withAc, 20, 0.2);
    expect(trace.fanPct[stop - 5]).toBeGreaterThan(0);
    expect(trace.fanPct[stop + 5]).toBe(0);
  });
});
