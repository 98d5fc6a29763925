import { describe, expect, it } from 'vitest';
import { readdirSync } from 'node:fs';
import { sheetOf } from '../../../tests/support/check-bench';
import { seeded } from '../../core/base/random';
import { BY_HAND } from '../../core/checks/by-hand';
import { CHECK_IDS, checkOf } from '../../core/checks/registry';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { caseOf } from '../cases/case';
import { handsOn } from './hands';

const demo = readdirSync('demo/specs').map((file) => sheetOf(file.replace('.spec.json', '')));
/** What no vehicle of the demo has. */
const driven = {
  ...demo[0],
  engine: { ...demo[0].engine, pump: 'electric', shutter: 'driven' }
} as SpecSheet;
const SHEETS = [...demo, driven];
const measured = CHECK_IDS.filter((id) => !Object.hasOwn(BY_HAND, id));
/** Jobs of every demo vehicle, with whatever is wrong with them. */
const jobs = [1, 2, 3, 4].flatMap((seed) =>
  SHEETS.map((spec, i) => caseOf(10 * seed + i, { specs: [spec], mix: 'even' }))
);

describe('a simulated technician', () => {
  it.each(measured)('takes readings of %s that its own schema reads and nothing refuses', (id) => {
    const check = checkOf(id);
    const taken = jobs
      .filter((c) => !check.lacks?.(c.spec))
      .map((c) => ({ c, readings: check.simulate(handsOn(c, seeded(c.seed))) }))
      .filter(({ readings }) => readings !== null);
    expect(taken.length, 'no vehicle of the demo can have it').toBeGreaterThan(0);
    for (const { c, readings } of taken) {
      const parsed = check.readings.safeParse(readings);
      expect(parsed.error?.issues ?? [], `${c.fault}, seed ${c.seed}`).toEqual([]);
      expect(check.refuse(parsed.data, c.spec), `${c.fault}, seed ${c.seed}`).toEqual([]);
    }
  });

  it('takes the same readings of the same vehicle, and others of another day', () => {
    const read = (random: number) => checkOf('cold-agreement').simulate(handsOn(jobs[0], seeded(random)));
    expect(read(1)).toEqual(read(1));
    expect(read(1)).not.toEqual(read(2));
  });
});
