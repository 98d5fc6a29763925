import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { fanStages, limitsOf, originWords, type Limits } from './limits';
import { askedOn, SHEET_PARTS } from './sheet-fields';
import { readSpecSheet } from './read-sheet';
import { GENERIC_CURVE } from './sensor-curve';
import type { SpecSheet } from './spec-sheet';

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

  it('are usual of an ordinary engine where nobody gave them, and say that they are', () => {
    const l = limitsOf(null);
    const { startOpenC, fullOpenC, regulatingLowC, regulatingHighC, hotC, fanOnC } = l;
    expect(
      [startOpenC, fullOpenC, regulatingLowC, regulatingHighC, hotC, fanOnC].map((x) => x.value)
    ).toEqual([85, 97, 81, 97, 110, 102]);
    // An open circuit of such a sensor reads cold, a shorted one hot.
    expect([l.openReadsC.value, l.shortReadsC.value]).toEqual([-40, 140]);
    expect(l.curve).toMatchObject({ value: GENERIC_CURVE, origin: 'typical' });
    expect(new Set(Object.values(l).map((x) => originWords(x)))).toEqual(
      new Set(['typical; the sheet gives none'])
    );
    // Seven litres for 1.8 litres of engine, nine for 2.7.
    expect(l.coolantL.value).toBeCloseTo(7, 0);
    const larger = { ...bare.value, engine: { displacementL: 2.7 } } as SpecSheet;
    expect(limitsOf(larger).coolantL.value).toBeCloseTo(9, 0);
  });

  it('are never so hot that a person waits for 115 °C, whatever the thermostat is stamped', () => {
    const stamped = { ...bare.value, thermostat: { startOpenC: 98, fullOpenC: 110 } } as SpecSheet;
    expect(limitsOf(stamped).hotC).toMatchObject({ value: 114, origin: 'typical' });
  });

  it('are of the clutch and the sensor that the vehicle has', () => {
    const sheet = (name: string) =>
      JSON.parse(readFileSync(`demo/specs/${name}.spec.json`, 'utf8')) as SpecSheet;
    const thermal = limitsOf(sheet('qh-11-fathom'));
    expect(thermal.engageAirC).toMatchObject({ origin: 'given', field: 'clutch.engageAirC' });
    expect(thermal.ratioLow).toMatchObject({ origin: 'typical', field: '' });
    const none = limitsOf(curlew);
    expect(none.engageAirC).toMatchObject({ value: 65, origin: 'typical', field: '' });
    expect(none.curve).toMatchObject({ value: curlew.ect.curve, origin: 'given' });
  });

  it('of a fan are its stages, or the one that good runs taught it, and none where there is no fan', () => {
    expect(fanStages(curlew)).toEqual(curlew.fan.stages);
    const learned = { fanOnC: 97 };
    expect(fanStages({ ...curlew, fan: { ...curlew.fan, stages: [] }, learned })).toEqual([
      { name: 'low', onC: 97, offC: 92 }
    ]);
    expect(fanStages({ ...curlew, fan: { drive: 'none', stages: [] }, learned })).toEqual([]);
    expect(fanStages(null)).toEqual([]);
    expect(originWords(limitsOf({ ...bare.value, learned }).fanOnC)).toBe('by its own good runs');
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
