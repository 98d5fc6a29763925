import { describe, expect, it } from 'vitest';
import { curlew, fathom, sheetOf } from '../../../tests/support/check-bench';
import { CURES, whatIf, whatIfSays, type WhatIfAsk } from './what-if';

const cure = (id: string) => CURES.find((c) => c.id === id)!;
const ask = (id: string, more: Partial<WhatIfAsk> = {}) =>
  whatIf({
    spec: fathom,
    fault: 'airflow-restricted',
    severity: 0.9,
    drive: 'ridge',
    ambientC: 20,
    cure: cure(id),
    size: cure(id).usual,
    ...more
  });

describe('the popular cures', () => {
  it('a cooler thermostat only delays the same end where the air does not get through', () => {
    const { without, with: cured } = ask('cooler-thermostat');
    expect(without.hottestC).toBeGreaterThan(105);
    // Later at the hot limit, and as hot in the end within a degree or so.
    expect(Math.abs(cured.hottestC - without.hottestC)).toBeLessThan(2.5);
    expect(cured.hotAtMin ?? 99).toBeGreaterThanOrEqual(without.hotAtMin ?? 0);
    expect(whatIfSays({ without, with: cured })).toContain('It gets as hot as before, at the same time');
  });
  it('on a sound engine it just runs colder, and warms the cabin no sooner', () => {
    const { without, with: cured } = ask('cooler-thermostat', {
      fault: 'none',
      severity: 0,
      drive: 'mixed',
      ambientC: 5,
      spec: curlew
    });
    expect(without.endC - cured.endC).toBeGreaterThan(5);
    expect(cured.warmAtMin!).toBeGreaterThanOrEqual(without.warmAtMin!);
  });
  it('a resistor makes the reading lie, and the fan start by it', () => {
    const { without, with: cured } = ask('resistor-on-sensor', {
      fault: 'none',
      severity: 0,
      drive: 'yard',
      ambientC: 20,
      spec: curlew
    });
    expect(Math.abs(without.readsOffC)).toBeLessThan(4);
    expect(cured.readsOffC).toBeGreaterThan(5);
    expect(cured.fanMin).toBeGreaterThan(without.fanMin);
  });
  it('half of the lost airflow back is worth more than any of them', () => {
    const air = ask('airflow-back');
    const cooler = ask('cooler-thermostat');
    expect(air.without.hottestC - air.with.hottestC).toBeGreaterThan(
      2 * Math.max(1, cooler.without.hottestC - cooler.with.hottestC)
    );
  });
  it('says so: below the limit with the air back', () => {
    expect(whatIfSays(ask('airflow-back'))).toMatch(
      /^Keeps it below the hot limit: \d+.°C at the most instead of 133/
    );
  });
  it('tells what boils over, and none of it with the air back; a weak cap boils sooner', () => {
    const air = ask('airflow-back', { severity: 1 });
    expect(air.without.hottestC).toBeGreaterThan(air.boilsC);
    expect(air.without.missing).toBeGreaterThan(0.05);
    expect(air.with.missing).toBe(0);
    // It boils with a cooler thermostat as well: that the sensor is uncovered is not the thermostat's doing.
    const cooler = ask('cooler-thermostat', { severity: 1, ambientC: 30 });
    expect(cooler.with.readsOffC).toBeLessThan(-5);
    expect(whatIfSays(cooler)).not.toContain('reads');
    const weak = ask('cooler-thermostat', { fault: 'pressure-cap-weak', severity: 1 });
    expect(weak.boilsC).toBeLessThan(air.boilsC - 5);
  });
  it('are refused where the vehicle cannot have them', () => {
    expect(() => ask('fan-earlier')).toThrow('no electric fan');
    expect(() => ask('airflow-back', { fault: 'none', severity: 0 })).toThrow('nothing is lost');
    expect(() => ask('airflow-back', { spec: sheetOf('qh-03-curlew'), fault: 'clutch-seized' })).toThrow(
      /cannot happen/
    );
  });
});
