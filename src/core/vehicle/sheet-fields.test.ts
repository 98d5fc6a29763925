import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { valueAt, withValue } from '../units/field';
import { askedOn, changesOf, cleanSheet, SHEET_PARTS, sheetTable, fieldName } from './sheet-fields';
import { readSpecSheet } from './read-sheet';
import type { SpecSheet } from './spec-sheet';

const sheets = readdirSync('demo/specs').map(
  (f) => JSON.parse(readFileSync(`demo/specs/${f}`, 'utf8')) as SpecSheet
);
const read = (sheet: unknown) => {
  const result = readSpecSheet(sheet);
  return result.ok ? [] : result.problems.map((p) => p.field);
};
const asked = (sheet: unknown) =>
  SHEET_PARTS.flatMap(({ fields }) => askedOn(sheet, fields)).map((f) => f.path);

/** Every value of a record with its path; lists are values. */
const leaves = (of: object, path = ''): string[] =>
  Object.entries(of).flatMap(([key, value]) =>
    value !== null && typeof value === 'object' && !Array.isArray(value) && key !== 'torqueNm'
      ? leaves(value as object, `${path}${key}.`)
      : [`${path}${key}`]
  );

describe('the spec sheet, typed', () => {
  it('asks for every field that a demo sheet has', () => {
    for (const sheet of sheets) {
      const known = new Set([...asked(sheet), 'format', 'version', 'ect.curve.kind', 'clutch.kind']);
      expect(leaves(sheet).filter((path) => valueAt(sheet, path) !== null && !known.has(path))).toEqual([]);
    }
  });

  it('comes out as it went in, unknown fields and all', () => {
    for (const sheet of sheets) {
      const own = { ...sheet, workshopNote: 'kept', thermostat: { ...sheet.thermostat, stamp: 'A7' } };
      expect(cleanSheet(own)).toEqual(own);
      expect(changesOf(own, cleanSheet(own))).toEqual([]);
    }
  });

  it('needs a name and nothing else', () => {
    expect(read(cleanSheet({ thermostat: {} }))).toEqual(['name']);
    expect(read(cleanSheet({ name: 'New one', thermostat: {} }))).toEqual([]);
    expect(read(cleanSheet({ name: 'New one', thermostat: { startOpenC: 86 } }))).toEqual([]);
  });

  it('is named as the form names it where something is wrong', () => {
    const named = (path: string) => fieldName(path);
    expect(named('thermostat.fullOpenC')).toBe('Thermostat: Fully open');
    expect(named('fan.stages.1.onC')).toBe('Fan: Stages, row 2, On at');
    expect(named('clutch.pulsesPerRev')).toBe('Fan: Pulses per turn');
    expect(named('ect.curve.points.3')).toBe('Coolant sensor: Table, row 4');
    expect(named('something.else')).toBe('something.else');
  });

  it('asks of a fan and of a clutch only what such a one has', () => {
    expect(asked({ fan: { drive: 'none' } })).not.toContain('fan.stages');
    expect(asked({ fan: { drive: 'relay' } })).toContain('fan.stages');
    expect(asked({ clutch: { kind: 'electronic' } })).toContain('clutch.pulsesPerRev');
    expect(asked({ clutch: { kind: 'fixed' } })).not.toContain('clutch.pulsesPerRev');
  });

  it('leaves out blank rows and parts, and the stages of a fan that is not there', () => {
    const [sheet] = sheets;
    expect(cleanSheet({ ...sheet, fan: { ...sheet.fan, drive: 'none' } }).fan).toMatchObject({ stages: [] });
    expect(cleanSheet({ ...sheet, fan: { drive: null } }).fan).toBeNull();
    expect(cleanSheet({ ...sheet, clutch: { kind: null } }).clutch).toBeNull();
    const typed = withValue(sheet, 'ect.curve', {
      kind: 'table',
      points: [
        [0, 6700],
        [null, null],
        [90, 280]
      ]
    });
    expect(valueAt(cleanSheet(typed), 'ect.curve.points')).toEqual([
      [0, 6700],
      [90, 280]
    ]);
    expect(
      read(cleanSheet(withValue(sheet, 'ect.curve', { kind: 'table', points: [[0, null]] })))
    ).not.toEqual([]);
  });

  it('takes what stood in no form before: torques, gauge points, pulses, moving points, variants', () => {
    let typed: Record<string, unknown> = { ...sheets[0] };
    for (const [path, value] of [
      ['torqueNm', { ectSensor: 20, drainPlug: 12 }],
      [
        'gauge.points',
        [
          [0, 40],
          [50, 85],
          [100, 120]
        ]
      ],
      [
        'clutch',
        {
          kind: 'electronic',
          pulsesPerRev: 6,
          speedTable: [
            [0, 0.2],
            [100, 0.9]
          ]
        }
      ],
      [
        'fan',
        { drive: 'relay', stages: [{ name: 'low', onC: 100, offC: 95, movingOnC: 104, movingOffC: 99 }] }
      ],
      ['variants', [{ part: 'Housing', fitted: 'second version, three bolts' }]]
    ] as const)
      typed = withValue(typed, path, value);
    expect(readSpecSheet(cleanSheet(typed))).toMatchObject({ ok: true, warnings: [] });
  });

  it('says what a change changes, in words', () => {
    const [sheet] = sheets;
    const after = withValue(withValue(sheet, 'thermostat.startOpenC', 71), 'fan.onWithAc', null);
    expect(changesOf(sheet, after).map((c) => [c.field.label, c.before, c.after])).toEqual([
      ['Starts to open', `${sheet.thermostat!.startOpenC!.toFixed(1)} °C`, '71.0 °C'],
      ['Runs with the A/C', sheet.fan!.onWithAc ? 'yes' : 'no', null]
    ]);
  });

  it('has the table that the docs show', () => {
    expect(readFileSync('docs/spec-sheet.md', 'utf8')).toBe(sheetTable());
  });
});
