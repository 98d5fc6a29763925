import { describe, expect, it } from 'vitest';
import { sheetOf } from '../../../../tests/support/check-bench';
import { checkOf } from '../registry';
import type { SpecSheet } from '../../vehicle/spec-sheet';

const curlew = sheetOf('qh-03-curlew');
const startC = curlew.thermostat!.startOpenC!;
const sided: SpecSheet = { ...curlew, thermostat: { ...curlew.thermostat!, side: 'outlet' } };

const bath = (offC: number, stampedC: number | null, sheet: SpecSheet = curlew) => {
  const opens = startC + offC;
  const points = [-8, -5, -2, 1, 4, 7, 10].map((by, i) => ({
    way: 'heating' as const,
    bathC: opens + by,
    liftMm: Math.max(0, 0.8 * by),
    atMin: 2 * i
  }));
  return checkOf('thermostat-bath').likelihoods({ points, stampedC }, { sheet, found: [] });
};
const rush = (coolantC: number, by: 'hand' | 'probe' = 'probe') =>
  checkOf('hose-rush').likelihoods(
    { felt: 'rush', coolantC, by, coolantBy: 'probe' },
    { sheet: sided, found: [] }
  );

describe('a thermostat measured in a bath', () => {
  it('that opens 15 °C early is a cooler part, and hardly a sheet that is wrong by so much', () => {
    const far = bath(-15, null);
    expect(far['thermostat-low-rating']).toBeGreaterThan(3);
    expect(far['thermostat-low-rating']! - far['sheet-wrong']!).toBeGreaterThan(1.5);
  });

  it('that opens where the sheet says speaks against both', () => {
    const right = bath(0, null);
    expect(right['thermostat-low-rating']).toBeLessThan(-2.5);
    expect(right['sheet-wrong']).toBeLessThan(-1.5);
  });

  it('that opens 5 °C late is no cooler part', () => {
    const late = bath(5, null);
    expect(late['sheet-wrong']).toBeGreaterThan(late['thermostat-low-rating']! + 2);
  });

  it('with the sheet’s own number on it is a part that fails, and not a wrong sheet', () => {
    const worn = bath(-9, startC);
    const byItsNumber = bath(-9, startC - 9);
    const lead = (by: typeof worn) => by['thermostat-low-rating']! - by['sheet-wrong']!;
    expect(lead(worn)).toBeGreaterThan(lead(byItsNumber) + 2);
  });

  it('says nothing of its opening where the sheet does not say where it should', () => {
    expect(bath(-15, null, { ...curlew, thermostat: undefined } as SpecSheet)).toEqual({});
  });
});

describe('a hose that rushes hot', () => {
  it('some degrees early speaks for a cooler part and no longer against it', () => {
    expect(rush(startC - 8)['thermostat-low-rating']).toBeGreaterThan(1);
    expect(rush(startC + 2)['thermostat-low-rating']).toBeLessThan(-1.5);
  });

  it('felt by hand says less than by a probe', () => {
    const early = startC - 9;
    expect(rush(early, 'hand')['thermostat-low-rating']).toBeLessThan(
      rush(early, 'probe')['thermostat-low-rating']!
    );
  });

  it('says nothing where it is not known which hose is behind the thermostat', () => {
    const unsided = { ...curlew, thermostat: { ...curlew.thermostat!, side: null } };
    expect(
      checkOf('hose-rush').likelihoods(
        { felt: 'rush', coolantC: startC - 15, by: 'hand', coolantBy: 'probe' },
        { sheet: unsided, found: [] }
      )
    ).toEqual({});
  });
});

describe('a warm idle', () => {
  const idle = (scanC: number) =>
    checkOf('warm-idle').likelihoods(
      { scanC, swingC: null, warmMin: 6, acOn: false },
      { sheet: curlew, found: ['sound'] }
    )['thermostat-low-rating']!;
  it('where the fan holds it says little of when the thermostat opens', () => {
    expect(idle(startC + 3)).toBeLessThan(idle(startC + 13));
    expect(Math.abs(idle(startC + 13))).toBeLessThan(0.8);
  });
});
