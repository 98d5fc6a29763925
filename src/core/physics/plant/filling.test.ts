import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../../tests/support/between';
import { withFault } from '../../faults/registry';
import type { FaultId } from '../../vehicle/faults';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { boilingC, vapourKPa } from '../coolant/boiling';
import { DRIVES, driveFromLegs, type DriveName } from './drive';
import { shutKPa, storedKJ } from './filling';
import { plantFor, type PlantParams } from './params';
import { readingTable } from './sensor';
import { simulate } from './simulate';
import { startState, step } from './step';

const sheet: SpecSheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const curlew = plantFor(sheet);
const driven = (p: PlantParams, name: DriveName, ambientC: number) =>
  simulate(p, driveFromLegs(DRIVES[name], ambientC), { startC: ambientC });

/** Steps a plant through a drive, telling its state at each second. */
function* lived(p: PlantParams, name: DriveName, ambientC: number) {
  const drive = driveFromLegs(DRIVES[name], ambientC);
  const state = startState(p, ambientC);
  const table = readingTable(p);
  for (let i = 0; i < drive.rpm.length; i++) {
    const { rpm, load, speedKmh } = drive;
    step(p, table, state, { rpm: rpm[i], load: load[i], speedKmh: speedKmh[i], ambientC, ac: false }, 1);
    yield state;
  }
}

describe('pressure', () => {
  it('of vapour is that of steam tables over water, less by the share of water over a mixture', () => {
    for (const [celsius, kPa] of [
      [60, 19.95],
      [80, 47.41],
      [100, 101.4],
      [120, 198.7]
    ])
      expect(Math.abs(vapourKPa(0, celsius) / kPa - 1), String(celsius)).toBeLessThan(0.01);
    expect(vapourKPa(0.5, 110) / vapourKPa(0, 110)).toBeCloseTo(0.76, 1);
  });

  it('of vapour and the boiling point are one law read both ways', () => {
    fc.assert(
      fc.property(between(0, 0.7), fc.integer({ min: 0, max: 150 }), (glycol, cap) => {
        expect(vapourKPa(glycol, boilingC(glycol, cap))).toBeCloseTo(101.325 + cap, 3);
      })
    );
  });

  it('rises by about 30 kPa while an engine warms from the day to 60 °C, by nothing while it stands', () => {
    const at = (jacket: number, gasKPa = 0) => shutKPa(curlew, { ...startState(curlew, 20), jacket, gasKPa });
    expect(at(20)).toBe(0);
    expect(at(60)).toBeGreaterThan(20);
    expect(at(60)).toBeLessThan(40);
    expect(at(60, 25) - at(60)).toBeCloseTo(25, 9);
  });

  it('of gas takes no coolant along before the cap lets go, and a weak cap lets go sooner', () => {
    const lostAt = (p: PlantParams) => {
      let s = 0;
      for (const state of lived(p, 'mixed', 10)) {
        if (state.filling < 1) return { s, kPa: shutKPa(p, state) };
        s++;
      }
      return null;
    };
    const leak = withFault(curlew, 'combustion-leak', 0.8);
    const [firm, weak] = [lostAt(leak)!, lostAt(withFault(leak, 'pressure-cap-weak', 1))!];
    expect(firm.kPa).toBeGreaterThan(0.95 * sheet.cap!.kPa!);
    expect(weak.kPa).toBeLessThan(0.5 * sheet.cap!.kPa!);
    expect(weak.s).toBeLessThan(firm.s - 60);
  });
});

describe('what fills the loop', () => {
  it.each([
    ['coolant-low', 'mixed', 8],
    ['combustion-leak', 'ridge', 25],
    ['airflow-restricted', 'ridge', 30]
  ] as const)(
    'keeps the energy books within 0.5 %% with %s, boiling and loss included',
    (fault, name, ambientC) => {
      const p = withFault(curlew, fault, 0.95);
      const before = storedKJ(p, startState(p, ambientC));
      let last = startState(p, ambientC);
      for (const state of lived(p, name, ambientC)) last = state;
      const gained = storedKJ(p, last) - before;
      expect(Math.abs(last.heatInKJ - last.heatOutKJ - gained) / last.heatInKJ).toBeLessThan(0.005);
    }
  );

  it('stays as it was filled in every sound engine, whatever the day', () => {
    for (const name of ['mixed', 'ridge', 'queue'] as const)
      for (const ambientC of [-15, 10, 38])
        expect(driven(curlew, name, ambientC).ended, `${name} ${ambientC}`).toEqual({ filling: 1, air: 0 });
  });

  it('a reading that falls while the coolant climbs is gas that has uncovered the sensor', () => {
    const { ect, jacket } = driven(withFault(curlew, 'combustion-leak', 1), 'ridge', 25);
    const falls = ect.findIndex(
      (_, i) =>
        i > 300 && i < ect.length - 240 && ect[i + 240] < ect[i] - 3 && jacket[i + 240] > jacket[i] + 5
    );
    expect(falls).toBeGreaterThan(0);
    expect(ect.some((v, i) => v < jacket[i] - 15)).toBe(true);
  });

  it('more gas drives more coolant out, and the heater goes cold with it', () => {
    const left = [0.2, 0.5, 0.9].map(
      (s) => driven(withFault(curlew, 'combustion-leak', s), 'mixed', 10).ended
    );
    expect(left[0].filling).toBeGreaterThan(left[1].filling);
    expect(left[1].filling).toBeGreaterThan(left[2].filling);
    expect(left[2].air).toBeGreaterThan(left[0].air + 0.3);
  });

  it('boils at the point of its mixture and cap, and earlier under a weak one', () => {
    const choked = withFault(curlew, 'airflow-restricted', 0.95);
    const top = (p: PlantParams) => Math.max(...driven(p, 'ridge', 30).jacket);
    const boils = boilingC(0.5, sheet.cap!.kPa!);
    expect(top(choked)).toBeGreaterThan(boils);
    expect(top(choked)).toBeLessThan(boils + 8);
    expect(top(withFault(choked, 'pressure-cap-weak', 1))).toBeLessThan(boils - 4);
    expect(driven(choked, 'ridge', 30).ended.filling).toBeLessThan(0.9);
  });

  it('a weak cap changes nothing on an engine that never comes near boiling', () => {
    const weak = driven(withFault(curlew, 'pressure-cap-weak', 1), 'mixed', 15);
    expect(weak.ect).toEqual(driven(curlew, 'mixed', 15).ect);
  });

  it.each(['coolant-low', 'combustion-leak', 'pressure-cap-weak'] as FaultId[])(
    '%s at nothing is nothing',
    (id) => {
      expect(driven(withFault(curlew, id, 0), 'ridge', 25).jacket).toEqual(
        driven(curlew, 'ridge', 25).jacket
      );
    }
  );
});
