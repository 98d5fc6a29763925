import { describe, expect, it } from 'vitest';
import { parseQuantity } from '$core/units/quantity';
import { UNITS } from '$core/units/units';
import { pressed, unitKeys } from './pad-keys';

const typed = (...keys: string[]) => keys.reduce(pressed, '');
const ohms = (text: string) => {
  const read = parseQuantity(text, 'resistance', UNITS.resistance[0]);
  return read.ok ? read.value.value : null;
};

describe('the keys of a quantity', () => {
  it('write a number and its unit', () => {
    expect(typed('9', '2', '.', '5')).toBe('92.5');
    expect(ohms(typed('5', '.', '2', 'kΩ'))).toBe(5200);
    expect(typed('1', '9', '5', '°F')).toBe('195 °F');
  });
  it('take a second unit for the first', () => {
    expect(typed('1', '2', '°F', '°C')).toBe('12 °C');
  });
  it('write on before the unit', () => {
    expect(typed('1', '°F', '9')).toBe('19 °F');
  });
  it('take one comma and one sign', () => {
    expect(typed('.', '5', '.')).toBe('0.5');
    expect(typed('8', 'minus')).toBe('-8');
    expect(typed('8', 'minus', 'minus')).toBe('8');
  });
  it('take back the unit first, and then figure by figure', () => {
    expect(typed('1', '2', '°F', 'back')).toBe('12');
    expect(typed('1', '2', 'back', 'back', 'back')).toBe('');
  });
  it('offer no unit before a number, and none where there is one alone', () => {
    expect(typed('°F')).toBe('');
    expect(unitKeys('rotation', 'rpm')).toEqual([]);
  });
  it('have the reader’s own unit in front', () => {
    expect(unitKeys('temperature', '°F')[0]).toBe('°F');
    expect(unitKeys('resistance', 'Ω')).toEqual(['Ω', 'kΩ']);
  });
});
