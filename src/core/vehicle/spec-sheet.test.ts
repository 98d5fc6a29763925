import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readSpecSheet } from './read-sheet';
import { specSheetJsonSchema } from './spec-sheet';

const curlew = () => JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const problemsOf = (sheet: unknown) => {
  const result = readSpecSheet(sheet);
  return result.ok ? [] : result.problems.map((p) => `${p.field}: ${p.message}`);
};

describe('a spec sheet', () => {
  it('reads every sheet of the demo without a warning', () => {
    for (const file of readdirSync('demo/specs')) {
      const result = readSpecSheet(JSON.parse(readFileSync(`demo/specs/${file}`, 'utf8')));
      expect(result.ok && result.warnings, file).toEqual([]);
    }
  });

  it('needs no more than format, version, name and the two temperatures of the thermostat', () => {
    expect(
      problemsOf({
        format: 'pyrethos.spec-sheet',
        version: 1,
        name: 'Bare',
        thermostat: { startOpenC: 86, fullOpenC: 99 }
      })
    ).toEqual([]);
  });

  it('keeps unknown fields and warns about them', () => {
    const result = readSpecSheet({
      ...curlew(),
      colour: 'red',
      thermostat: { ...curlew().thermostat, stamp: 'A7' }
    });
    expect(result.ok && result.value.colour).toBe('red');
    expect(result.ok && result.warnings.map((w) => w.field)).toEqual(['colour', 'thermostat.stamp']);
  });

  it('refuses a newer version with both numbers', () => {
    expect(problemsOf({ ...curlew(), version: 3 })[0]).toMatch(/version: is 3; .*version 1/);
  });

  it('names the field and what would be right', () => {
    const sheet = curlew();
    expect(problemsOf({ ...sheet, thermostat: { ...sheet.thermostat, fullOpenC: 80 } })).toEqual([
      'thermostat.fullOpenC: full-open is 80\u00a0°C, not above start-to-open at 86\u00a0°C; it must be higher'
    ]);
    expect(problemsOf({ ...sheet, thermostat: { fullOpenC: '99' } })[0]).toBe(
      'thermostat.fullOpenC: is "99"; expected a number'
    );
    expect(problemsOf({ ...sheet, thermostat: { startOpenC: 195 } })[0]).toBe(
      'thermostat.startOpenC: is 195\u00a0°C, and thermostats open between 60 and 112\u00a0°C; if it says 195 °F, that is 90.6 °C'
    );
    expect(problemsOf({ ...sheet, limits: null, thermostat: { startOpenC: 45 } })[0]).toBe(
      'thermostat.startOpenC: is 45\u00a0°C, and thermostats open between 60 and 112\u00a0°C'
    );
    expect(problemsOf({ ...sheet, fan: { drive: 'belt' } })[0]).toBe(
      'fan.drive: is "belt"; expected one of "relay", "controller", "none"'
    );
    expect(
      problemsOf({ ...sheet, fan: { ...sheet.fan, stages: [{ name: 'low', onC: 95, offC: 96 }] } })[0]
    ).toContain('fan.stages.0.onC: fan low on is 95\u00a0°C, not above its off point at 96\u00a0°C');
    expect(problemsOf({ format: 'something' })[0]).toContain('expected "pyrethos.spec-sheet"');
    expect(problemsOf([])[0]).toContain('JSON object');
  });

  it('names the row of a table that does not fall', () => {
    const sheet = curlew();
    const table = {
      kind: 'table',
      points: [
        [0, 6700],
        [25, 2300],
        [60, 2400]
      ]
    };
    expect(problemsOf({ ...sheet, ect: { ...sheet.ect, curve: table } })[0]).toContain(
      'row 3 (60\u00a0°C, 2400 Ω)'
    );
  });

  it('takes three constants as makers give them, and refuses those whose resistance would not fall', () => {
    const with3 = (c: number) => {
      const sheet = curlew();
      return problemsOf({
        ...sheet,
        ect: { ...sheet.ect, curve: { kind: 'steinhart-hart', a: 1e-3, b: 2.9e-4, c } }
      });
    };
    expect(with3(-1.6e-7)).toEqual([]);
    expect(with3(1.1e-7)).toEqual([]);
    expect(with3(-1e-5).join()).toMatch(/^ect\.curve\.c: .*check the sign and the power of ten$/);
  });

  it('has the JSON Schema that the docs show', () => {
    expect(JSON.parse(readFileSync('docs/schema/spec-sheet.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(specSheetJsonSchema()))
    );
  });
});
