import { describe, expect, it } from 'vitest';
import { CHECK_IDS, checkOf } from './registry';
import { FAULT_IDS } from '../vehicle/faults';
import { cannotHave } from '../faults/registry';
import { limitsOf } from '../vehicle/limits';
import { readSpecSheet } from '../vehicle/read-sheet';
import { FAN_TAPS, FUEL_TAPS, sheetOfTaps, type Taps } from '../vehicle/three-taps';

const sheetOf = (taps: Partial<Taps>) => {
  const read = readSpecSheet(
    sheetOfTaps('Kvesta Parcel', { fuel: null, fan: null, stampedC: null, ...taps })
  );
  if (!read.ok) throw new Error(read.problems[0].message);
  return read.value;
};
const keys = <T extends object>(of: T) => Object.keys(of) as (keyof T)[];

describe('a sheet of three taps', () => {
  it('is one whatever is known', () => {
    for (const fuel of [null, ...keys(FUEL_TAPS)])
      for (const fan of [null, ...keys(FAN_TAPS)])
        for (const stampedC of [null, 71, 90.5555556, 105])
          expect(Object.keys(sheetOf({ fuel, fan, stampedC }))).toContain('name');
  });

  it('rules nothing out that nobody described, but a heater that no stamp tells of', () => {
    const out = FAULT_IDS.filter((f) => cannotHave(f, sheetOf({})) !== null);
    expect(out.filter((f) => !f.startsWith('thermostat-'))).toEqual([]);
    const lacking = CHECK_IDS.filter((c) => checkOf(c).lacks?.(sheetOf({})) != null);
    expect(lacking.filter((c) => !c.startsWith('thermostat-'))).toEqual([]);
  });

  it('takes what was tapped as given and all else as typical', () => {
    const { startOpenC, fullOpenC, hotC, fanOnC } = limitsOf(sheetOf({ fan: 'relay', stampedC: 90.5555556 }));
    expect([startOpenC.origin, startOpenC.value.toFixed(1)]).toEqual(['given', '90.6']);
    expect([fullOpenC, hotC, fanOnC].map((l) => l.origin)).toEqual(['typical', 'typical', 'typical']);
    expect(cannotHave('clutch-slipping', sheetOf({ fan: 'relay' }))).not.toBeNull();
    expect(cannotHave('fan-relay-coil', sheetOf({ fan: 'thermal' }))).toBeNull();
  });
});
