import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge } from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';

const read = (fluidC: number, lineInC: number | null = null, lineOutC: number | null = null) =>
  judge('transmission-heat', { fluidC, coolantC: 90, lineInC, lineOutC }, context([], curlew));

describe('transmission heat', () => {
  it('is no finding where the fluid is about as warm as the coolant', () => {
    expect(read(98)).toMatchObject({ result: 'unclear', points: [] });
  });
  it('that is much above the coolant is told, and nobody is suspected for it', () => {
    const o = read(125);
    expect([o.result, o.points]).toEqual(['unclear', []]);
    expect(o.says).toContain('Measure the two lines of its cooler');
  });
  it('speaks for the tank of the radiator where its cooler takes none, and against it where it does', () => {
    expect(faults(read(125, 120, 118), 'for')).toEqual(['radiator-clogged']);
    expect(faults(read(125, 120, 104), 'against')).toEqual(['radiator-clogged']);
  });
  it('has no place on a vehicle with a manual transmission, and one where nobody knows', () => {
    const { lacks } = checkOf('transmission-heat');
    expect(lacks!({ ...curlew, engine: { ...curlew.engine, transmission: 'manual' } })).toContain(
      'automatic'
    );
    expect(lacks!(curlew)).toBeNull();
  });
  it('refuses lines that are exchanged', () => {
    const exchanged = { fluidC: 125, coolantC: 90, lineInC: 100, lineOutC: 118 };
    expect(checkOf('transmission-heat').refuse(exchanged, null)).toMatchObject([{ field: 'lineOutC' }]);
  });
});
