import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readSpecSheet, type SpecSheet } from '$core/vehicle/spec-sheet';
import { draftOf, sheetOf } from './draft';

const sheets = readdirSync('demo/specs').map(
  (f) => JSON.parse(readFileSync(`demo/specs/${f}`, 'utf8')) as SpecSheet
);
const read = (sheet: unknown) => {
  const result = readSpecSheet(sheet);
  return result.ok ? [] : result.problems.map((p) => p.field);
};

describe('the sheet in a form', () => {
  it('comes out as it went in, unknown fields and all', () => {
    for (const sheet of sheets) {
      const own = { ...sheet, workshopNote: 'kept', thermostat: { ...sheet.thermostat, stamp: 'A7' } };
      const out = sheetOf(draftOf(own, 'unused'), own) as SpecSheet;
      expect(read(out), sheet.name).toEqual([]);
      expect(out.thermostat).toEqual(own.thermostat);
      expect(out.workshopNote).toBe('kept');
      expect(out.clutch).toEqual(own.clutch);
      expect(out.torqueNm).toEqual(own.torqueNm);
      expect(out.ect?.curve).toEqual(own.ect?.curve);
    }
  });

  it('from nothing asks for the two temperatures that every sheet needs', () => {
    expect(read(sheetOf(draftOf(null, 'New one'), null))).toEqual([
      'thermostat.startOpenC',
      'thermostat.fullOpenC'
    ]);
    expect(read(sheetOf({ ...draftOf(null, 'New one'), startOpenC: 86, fullOpenC: 99 }, null))).toEqual([]);
  });

  it('keeps a table curve until β values are typed over it', () => {
    const table = {
      kind: 'table' as const,
      points: [
        [0, 6700],
        [25, 2300],
        [90, 280]
      ] as [number, number][]
    };
    const sheet = { ...sheets[0], ect: { ...sheets[0].ect, curve: table } };
    expect((sheetOf(draftOf(sheet, ''), sheet) as SpecSheet).ect?.curve).toEqual(table);
    const typed = { ...draftOf(sheet, ''), r25Ohm: 2000, betaK: 3400 };
    expect((sheetOf(typed, sheet) as SpecSheet).ect?.curve).toEqual({
      kind: 'beta',
      r25Ohm: 2000,
      betaK: 3400
    });
  });

  it('drops the stages of a fan that is not there', () => {
    expect(
      (sheetOf({ ...draftOf(sheets[0], ''), drive: 'none' }, sheets[0]) as SpecSheet).fan?.stages
    ).toEqual([]);
  });
});
