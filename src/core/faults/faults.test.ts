import { describe, expect, it } from 'vitest';
import { curlew, fathom } from '../../../tests/support/check-bench';
import { CHECK_IDS, checkOf } from '../checks/registry';
import { FAULT_IDS } from '../vehicle/faults';
import { REPAIR_IDS } from '../vehicle/repairs';
import { cannotHave, curesOf, FAULTS, plantFault } from './registry';

/** What a fault still lacks, in words: empty where it is whole. */
function missing(id: (typeof FAULT_IDS)[number]): string[] {
  const { told, curve, like = [], prior } = FAULTS[id];
  return [
    !(prior > 0) && `${id}: its prior is not above 0`,
    id !== 'none' &&
      id !== 'thermostat-heater-failed' &&
      Object.keys(told).length === 0 &&
      `${id}: no driver ever tells of it; name a symptom in told`,
    curve.kind === 'shared' &&
      like.length === 0 &&
      `${id}: its curve is shared, and like does not say with which faults`,
    ...like.map((f) => !plantFault(f) && `${id}: it is like ${f}, which draws no curve`),
    id !== 'none' &&
      !CHECK_IDS.some((c) => checkOf(c).speaksTo.includes(id)) &&
      `${id}: no check speaks for it or against it`
  ].filter((m) => m !== false);
}

describe('every fault of the catalogue', () => {
  it('says all that is asked of it', () => {
    expect(FAULT_IDS.flatMap(missing)).toEqual([]);
  });

  it('is cured by one repair, and every repair but referring on and doing nothing cures some', () => {
    for (const id of REPAIR_IDS) expect(curesOf(id), id).not.toEqual([]);
    expect(REPAIR_IDS.flatMap((id) => [...curesOf(id)]).sort()).toEqual([...FAULT_IDS].sort());
  });

  it('is possible only where the part is there, and says why not', () => {
    expect(cannotHave('fan-relay-welded', fathom)).toBe('no electric fan');
    expect(cannotHave('clutch-slipping', curlew)).toBe('no fan clutch');
    expect(cannotHave('thermostat-heater-failed', curlew)).toBe('no heated thermostat');
    expect(cannotHave('thermostat-stuck-open', fathom)).toBeNull();
    expect(cannotHave('clutch-slipping', null)).toBeNull();
  });
});
