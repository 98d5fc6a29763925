import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity } from './quantity';
import { inUnits, readUnitChoice, say, sayC, sayDeltaC, writeUnitChoice } from './say';

const us = { temperature: '°F', pressure: 'psi', length: 'in' };

describe('quantities in sentences', () => {
  it('are shown in the units a person chose, a difference without the zero point', () => {
    expect(inUnits(`Opens at ${sayC(86)}, ${sayDeltaC(5)} low`, us)).toBe(
      `Opens at ${'187'}\u00a0°F, ${'9'}\u202f°F low`
    );
    expect(inUnits(`Cap ${say(110, 'pressure')}`, us)).toBe('Cap 16\u00a0psi');
    expect(inUnits(`Should be ${'80'} to ${sayC(95)}`, us)).toBe('Should be 176 to 203\u00a0°F');
  });
  it('stay as they are without a choice, and when no reading is in them', () => {
    const text = `Reads ${sayC(12.25)} of P0118, run 2`;
    expect(inUnits(text, {})).toBe(text);
    expect(inUnits('P0118 stored, 3 turns', us)).toBe('P0118 stored, 3 turns');
  });
  it('lose no more than their rounding', () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 1500 }), (tenths) => {
        const shown = Number(
          inUnits(sayC(tenths / 10), us)
            .replace(/[^\d.−]/g, '')
            .replace('−', '-')
        );
        return Math.abs((shown - 32) / 1.8 - tenths / 10) <= 0.28;
      })
    );
  });
  it.each([
    ['195 °F', 'temperature', '°F'],
    ['15 psi', 'pressure', 'psi'],
    ['60 mph', 'speed', 'mph'],
    ['0.05 in', 'length', 'in'],
    ['8 US qt', 'volume', 'US qt'],
    ['15 lbf·ft', 'torque', 'lbf·ft']
  ] as const)('give %s back as it was typed', (typed, kind, symbol) => {
    const read = parseQuantity(typed, kind);
    const { value } = (read as Extract<typeof read, { ok: true }>).value;
    const said = kind === 'temperature' ? sayC(value) : say(value, kind);
    expect(inUnits(said, { [kind]: symbol })).toBe(typed.replace(/ (?=\S+( qt)?$)/, '\u00a0'));
  });
  it('give any whole degree Fahrenheit back as it was typed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -40, max: 300 }),
        (f) => inUnits(sayC((f - 32) / 1.8), us) === `${String(f).replace('-', '−')}\u00a0°F`
      )
    );
  });
  it('keep a choice in a cookie, and leave out what is none', () => {
    expect(readUnitChoice(writeUnitChoice(us))).toEqual(us);
    expect(readUnitChoice('temperature=stone,speed=mph,x=y')).toEqual({ speed: 'mph' });
  });
});
