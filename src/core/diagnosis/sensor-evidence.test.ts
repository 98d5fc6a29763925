import { describe, expect, it } from 'vitest';
import type { SensorReading } from '../checks/check';
import { plainText } from '../units/say';
import { sheetOf } from '../../../tests/support/check-bench';
import { resistanceAt, temperatureAt } from '../physics/thermistor/curve';
import { LIBRARY } from '../physics/thermistor/library';
import { READ_FAULTS, sensorFinding } from './sensor-evidence';

const curlew = sheetOf('qh-03-curlew');
const read = (
  readsC: number,
  trueC: number,
  at: SensorReading['at'] = 'sensor',
  of: SensorReading['of'] = 'both'
): SensorReading => ({ readsC, trueC, sdC: 0.8, at, of });

const best = (...readings: SensorReading[]) => {
  const { llr } = sensorFinding(
    readings.map((r) => [r]),
    curlew
  )!;
  return READ_FAULTS.toSorted((a, b) => llr[b]! - llr[a]!)[0];
};
const weight = (fault: (typeof READ_FAULTS)[number], ...readings: SensorReading[]) =>
  sensorFinding(
    readings.map((r) => [r]),
    curlew
  )!.llr[fault]!;

describe('all readings of the sensor together', () => {
  it('say nothing where nothing was compared', () => {
    expect(sensorFinding([], curlew)).toBeNull();
  });

  it('clear every error where the reading is right when cold and when hot', () => {
    const right = [read(11, 10), read(91, 92, 'engine')];
    for (const f of READ_FAULTS.filter((x) => x !== 'ect-intermittent'))
      expect(weight(f, ...right), f).toBeLessThan(-0.8);
  });

  it('tell a branch without flow from a sensor by where the thermometer was', () => {
    const cold = read(10, 10);
    const low = read(76, 92, 'engine');
    expect(weight('sensor-branch-restricted', cold, low)).toBeGreaterThan(3);
    // Beside its own metal it is right: it is the branch, and no sensor.
    expect(best(cold, low, read(76, 75))).toBe('sensor-branch-restricted');
    expect(weight('sensor-branch-restricted', cold, read(76, 92))).toBeLessThan(0.1);
  });

  it('tell a part of another curve by its tilt: high when cold and low when hot', () => {
    expect(best(read(18, 10), read(78, 92, 'engine'))).toBe('ect-wrong-part');
  });

  it('tell a part of another family from a shift, however much speaks against a sound one', () => {
    const own = curlew.ect!.curve!;
    const other = LIBRARY.map(
      ({ curve }) =>
        (c: number) =>
          temperatureAt(own, resistanceAt(curve, c))
    ).find((reads) => Math.abs(reads(60) - 60) > 8 && Math.abs(reads(90) - 90 - (reads(10) - 10)) > 6)!;
    const ladder = [10, 45, 70, 92].map((c) => read(other(c), c));
    expect(best(...ladder)).toBe('ect-wrong-part');
    const shift = Math.sign(other(60) - 60) > 0 ? 'ect-reads-hot' : 'ect-reads-cold';
    expect(weight('ect-wrong-part', ...ladder) - weight(shift, ...ladder)).toBeGreaterThan(2);
  });

  it('tell the loom from the sensor by a good sensor, and by the sensor with its plug off', () => {
    const low = read(70, 92, 'engine');
    const alone = [read(25, 25, 'sensor', 'sensor'), read(92, 92, 'engine', 'sensor')];
    expect(best(read(10, 10), low, ...alone)).toBe('ect-wiring');
    expect(weight('ect-wiring', read(-40, 12), read(-40, 12, 'sensor', 'circuit'))).toBeGreaterThan(
      weight('ect-open-circuit', read(-40, 12), read(-40, 12, 'sensor', 'circuit')) + 3
    );
    expect(best(read(-40, 12), read(12, 12, 'sensor', 'circuit'))).toBe('ect-open-circuit');
  });

  it('do not let one blunder outweigh what the others agree on', () => {
    const right = [read(11, 10), read(40, 40), read(70, 71), read(91, 90)];
    expect(weight('ect-reads-cold', ...right, read(30, 90))).toBeLessThan(0);
  });

  it('count a thermometer that may be off by ten for next to nothing', () => {
    const vague = { ...read(80, 92, 'engine'), sdC: 10 };
    expect(Math.abs(weight('ect-reads-cold', vague))).toBeLessThan(0.7);
  });

  it('are told in words', () => {
    expect(plainText(sensorFinding([[read(10, 10)], [read(78, 92, 'engine')]], curlew)!.says)).toBe(
      'Reads right at 10 °C, 14 °C low at 92 °C; 2 readings together'
    );
  });
});
