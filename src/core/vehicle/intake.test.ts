import { namedBy, toldBy, toldOf } from '../faults/registry';
import { describe, expect, it } from 'vitest';
import { CODES, findCodes, readCode } from './codes';
import { SYMPTOM_IDS, SYMPTOM_KINDS, SYMPTOMS, symptomText } from './symptoms';

describe('codes', () => {
  it('cover the cooling group of the standard', () => {
    const group = [
      'P0115',
      'P0116',
      'P0117',
      'P0118',
      'P0119',
      'P0125',
      'P0126',
      'P0128',
      'P0217',
      'P0480',
      'P0481',
      'P0482',
      'P0483',
      'P0495',
      'P0526',
      'P0597',
      'P0598',
      'P0599',
      'P2181',
      'P2182',
      'P2183',
      'P2184',
      'P2185'
    ];
    expect(group.filter((code) => !CODES[code])).toEqual([]);
    expect(namedBy('P0118')).toEqual(['ect-open-circuit', 'ect-wiring']);
    expect(namedBy('P9999')).toEqual([]);
  });
  it.each([
    ['p 0118', 'P0118'],
    ['0118', 'P0118'],
    ['P2183', 'P2183'],
    ['u0100', 'U0100'],
    ['P9118', null],
    ['sensor', null]
  ])('%s is %s', (typed, code) => {
    expect(readCode(typed)).toBe(code);
  });
  it('are found by number or by words, the number first', () => {
    expect(findCodes('0118')[0]).toBe('P0118');
    expect(findCodes('open circuit sensor')).toContain('P0118');
    expect(findCodes('p011').slice(0, 3)).toEqual(['P0111', 'P0112', 'P0113']);
    expect(findCodes('  ')).toEqual([]);
  });
});

describe('symptoms', () => {
  it('cover every kind a driver tells of, and each is told of some suspect', () => {
    expect(new Set(SYMPTOM_IDS.map((id) => SYMPTOMS[id].kind))).toEqual(new Set(Object.keys(SYMPTOM_KINDS)));
    for (const id of SYMPTOM_IDS) expect(toldBy(id), id).not.toEqual([]);
  });
  it('read as a sentence', () => {
    expect(symptomText({ what: 'gauge-high', when: ['idle', 'crawl'] })).toBe(
      'Gauge: climbs or reads high, at idle, crawling'
    );
  });
  it('turn with the situation: hot when crawling points at air, hot on a grade at flow', () => {
    const more = (fault: 'clutch-slipping' | 'radiator-clogged', when: 'crawl' | 'grade') =>
      toldOf({ what: 'gauge-high', when: [when] }, fault) / toldOf({ what: 'gauge-high', when: [] }, fault);
    expect(more('clutch-slipping', 'crawl')).toBeGreaterThan(1.1);
    expect(more('radiator-clogged', 'crawl')).toBe(1);
    expect(more('radiator-clogged', 'grade')).toBeGreaterThan(1.1);
    expect(more('clutch-slipping', 'grade')).toBe(1);
  });
  it('are told of no more where nothing points at them, and never by everyone', () => {
    expect(toldOf({ what: 'noise-rattle', when: [] }, 'gauge-fault')).toBe(
      SYMPTOMS['noise-rattle'].otherwise
    );
    for (const what of SYMPTOM_IDS)
      for (const fault of toldBy(what)) {
        const told = toldOf({ what, when: ['idle', 'crawl', 'grade', 'steady'] }, fault);
        expect(told).toBeGreaterThanOrEqual(SYMPTOMS[what].otherwise);
        expect(told).toBeLessThanOrEqual(0.95);
      }
  });
});
