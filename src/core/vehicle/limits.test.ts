import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { limitsOf, originWords, type Limits } from './limits';
import { readSpecSheet } from './spec-sheet';

const curlew = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const bare = readSpecSheet({
  format: 'pyrethos.spec-sheet',
  version: 1,
  name: 'Two stamped numbers',
  thermostat: { startOpenC: 88, fullOpenC: 101 }
});
if (!bare.ok) throw new Error('a sheet with the thermostat alone is a sheet');

describe('the limits of a vehicle', () => {
  it('are the sheet’s where it gives them, and say so', () => {
    const { hotC, stopC, tolerancePct, fanOnC } = limitsOf(curlew);
    expect([hotC, stopC, tolerancePct, fanOnC].map((l) => [l.value, l.origin])).toEqual([
      [112, 'given'],
      [118, 'given'],
      [6, 'given'],
      [101, 'given']
    ]);
    expect(originWords(hotC)).toBe('by the sheet');
  });

  it('are learned where good runs taught them, before anything typical', () => {
    const { regulatingLowC, regulatingHighC, hotC } = limitsOf(bare.value, { regulatingLowC: 86, hotC: 111 });
    expect([regulatingLowC, hotC]).toEqual([
      { value: 86, origin: 'learned' },
      { value: 111, origin: 'learned' }
    ]);
    expect(regulatingHighC).toEqual({ value: 101, origin: 'typical' });
    // What the sheet gives goes before what was learned.
    expect(limitsOf(curlew, { hotC: 100 }).hotC).toEqual({ value: 112, origin: 'given' });
  });

  it.each([
    ['without a sheet', null],
    ['with the thermostat alone', bare.value],
    ['with a whole sheet', curlew]
  ])('stand in an order that a person is safe with, %s', (_, sheet) => {
    const l: Limits = limitsOf(sheet);
    expect(l.openCapC.value).toBeLessThan(l.regulatingLowC.value);
    expect(l.regulatingLowC.value).toBeLessThan(l.regulatingHighC.value);
    expect(l.startOpenC.value).toBeLessThan(l.fullOpenC.value);
    expect(l.fullOpenC.value).toBeLessThan(l.hotC.value);
    expect(l.hotC.value).toBeLessThan(l.stopC.value);
    expect(l.fanOnC.value).toBeLessThan(l.hotC.value);
    expect(l.releaseAirC.value).toBeLessThan(l.engageAirC.value);
  });
});
