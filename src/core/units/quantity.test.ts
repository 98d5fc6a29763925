import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatQuantity, parseQuantity, readNumber } from './quantity';
import { findUnit, fromBase, toBase, UNITS, type QuantityKind, type Unit } from './units';

const value = (text: string, kind: QuantityKind, assume?: Unit) => {
  const result = parseQuantity(text, kind, assume);
  return result.ok ? result.value.value : result.problems[0].message;
};

describe('a quantity as typed', () => {
  it.each([
    ['5.2k', 'resistance', 5200],
    ['4k7', 'resistance', 4700],
    ['1.2 MΩ', 'resistance', 1_200_000],
    ['2300 ohm', 'resistance', 2300],
    ['0.35 V', 'voltage', 0.35],
    ['350mV', 'voltage', 0.35],
    ['12,5', 'temperature', 12.5],
    ['−40', 'temperature', -40],
    ['16 psi', 'pressure', 110.316],
    ['1.1 bar', 'pressure', 110],
    ['30 mph', 'speed', 48.28],
    ['15 ft-lb', 'torque', 20.34],
    ['1,234.5', 'number', 1234.5],
    ['1.234,5', 'number', 1234.5],
    ['1 200 rpm', 'rotation', 1200]
  ] as const)('%s is %s %d', (text, kind, expected) => {
    expect(value(text, kind)).toBeCloseTo(expected, 2);
  });

  it('reads 187F as 86.1 °C and the fixed points of both scales', () => {
    expect(value('187F', 'temperature')).toBeCloseTo(86.11, 2);
    expect(value('32 °F', 'temperature')).toBeCloseTo(0, 9);
    expect(value('212 degF', 'temperature')).toBeCloseTo(100, 9);
    expect(value('-40f', 'temperature')).toBeCloseTo(-40, 9);
  });

  it('takes a bare number in the unit the user works in', () => {
    expect(value('212', 'temperature', findUnit('temperature', 'F'))).toBeCloseTo(100, 9);
  });

  it('says what is wrong', () => {
    expect(value('hot', 'temperature')).toContain('does not start with a number');
    expect(value('', 'voltage')).toBe('Type a value');
    expect(value('20 V', 'temperature')).toContain('use °C, °F, K');
    expect(value('2,300', 'resistance')).toContain('could mean 2.300 or 2300');
    expect(value('1.2.3', 'voltage')).toContain('not a number');
  });
});

describe('numbers and units there and back', () => {
  it('keeps any value through every unit', () => {
    for (const kind of Object.keys(UNITS) as QuantityKind[]) {
      for (const unit of UNITS[kind] as readonly Unit[]) {
        fc.assert(
          fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (x) => {
            expect(toBase(fromBase(x, unit), unit)).toBeCloseTo(x, 6);
          }),
          { numRuns: 30 }
        );
      }
    }
  });

  it('reads a plain decimal written with either sign alike', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9999 }), fc.integer({ min: 0, max: 99 }), (a, b) => {
        const digits = String(b).padStart(2, '0');
        expect(readNumber(`${a},${digits}`)).toBe(readNumber(`${a}.${digits}`));
      })
    );
  });
});

describe('writing', () => {
  it('uses the unit asked for', () => {
    expect(formatQuantity(100, 'temperature', findUnit('temperature', 'F'))).toBe('212 °F');
    expect(formatQuantity(5200, 'resistance')).toBe('5.20 kΩ');
    expect(formatQuantity(-12.34, 'temperature')).toBe('−12.3 °C');
    expect(formatQuantity(-0.01, 'temperature')).toBe('0.0 °C');
    expect(formatQuantity(undefined, 'voltage')).toBe('–');
  });
});
