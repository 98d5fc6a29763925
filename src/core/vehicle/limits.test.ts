import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { fanStages, limitsOf, originWords, type Limits } from './limits';
import { askedOn, SHEET_PARTS } from './sheet-fields';
import { readSpecSheet } from './read-sheet';

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
    const sheet = { ...bare.value, thermostat: null, learned: { startOpenC: 83.5, fanOnC: 97 } };
    const { startOpenC, fullOpenC, fanOnC } = limitsOf(sheet);
    expect([startOpenC, fanOnC].map((l) => [l.value, l.origin, l.field])).toEqual([
      [83.5, 'learned', 'thermostat.startOpenC'],
      [97, 'learned', 'fan.stages.0.onC']
    ]);
    expect(fullOpenC).toMatchObject({ value: 95.5, origin: 'typical' });
    expect(fanStages(sheet)).toEqual([{ name: 'low', onC: 97, offC: 92 }]);
    // What the sheet gives goes before what was learned; what nobody knows switches nowhere.
    expect(limitsOf({ ...curlew, learned: { fanOnC: 90 } }).fanOnC).toMatchObject({
      value: 101,
      origin: 'given'
    });
    expect(fanStages(bare.value)).toEqual([]);
  });

  it('name a field of the sheet that would give them', () => {
    const paths = SHEET_PARTS.flatMap(({ fields }) => askedOn(curlew, fields)).map((f) => f.path);
    for (const { field } of Object.values(limitsOf(curlew)))
      expect([...paths, '', 'fan.stages.0.onC', 'clutch.tipPlayMaxMm'], field).toContain(field);
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
