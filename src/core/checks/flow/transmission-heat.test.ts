import { describe, expect, it } from 'vitest';
import { context, curlew, faults, judge } from '../../../../tests/support/check-bench';
import { plainText } from '../../units/say';
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
  it('makes nothing of one line alone', () => {
    for (const o of [read(125, 120), read(125, null, 104)]) {
      expect([o.result, o.points]).toEqual(['unclear', []]);
      expect(o.says).toContain('Measure the two lines of its cooler');
      expect(o.numbers.map((n) => n.name)).toEqual(['Fluid less coolant']);
    }
  });
  it('refuses lines that are exchanged, and nothing of one line', () => {
    const refused = (lineInC: number | null, lineOutC: number | null) =>
      checkOf('transmission-heat').refuse({ fluidC: 125, coolantC: 90, lineInC, lineOutC }, null);
    expect(refused(100, 118)).toMatchObject([{ field: 'lineOutC' }]);
    for (const [lineIn, out] of [
      [100, null],
      [null, 118],
      [-20, null],
      [118, 119]
    ] as const)
      expect(refused(lineIn, out)).toEqual([]);
  });
  it('is told in words with the lines that were measured', () => {
    const words = (lineInC: number | null, lineOutC: number | null) =>
      plainText(checkOf('transmission-heat').words({ fluidC: 125, coolantC: 90, lineInC, lineOutC }));
    expect(words(120, 104)).toBe('Fluid 125 °C, coolant 90 °C, into its cooler 120 °C, out of it 104 °C');
    expect(words(null, null)).toBe('Fluid 125 °C, coolant 90 °C');
  });
});
