import { expect, it } from 'vitest';
import { fieldWords } from './field-names';

it('fields of an entry are told as their form calls them', () => {
  expect(
    ['why', 'parts.0.price', 'payload.labourPerHour', 'torqueNm.thermostat/housing-on'].map(fieldWords)
  ).toEqual(['Reason', 'Price, row 1', 'Labour rate per hour', 'torqueNm.thermostat/housing-on']);
});
