import { describe, expect, it } from 'vitest';
import { curlew } from '../../../tests/support/check-bench';
import { FAULTS } from '../faults/registry';
import { earlierWork } from './earlier-work';
import { findingsOf } from './findings';
import { posteriorOf } from './posterior';

const llr = (told: string) => earlierWork(told)?.llr ?? {};
const spoken = (told: string) => Object.keys(llr(told)).filter((f) => f in FAULTS);

describe('what was changed before', () => {
  it('and helped nothing speaks against its part, and for what only looks like it', () => {
    const symptoms = [{ what: 'gauge-low' as const, when: [] }];
    const chance = (fault: string, changedBefore: string) =>
      posteriorOf(
        findingsOf({ symptoms, changedBefore, done: [], runs: [], sheet: curlew }),
        curlew
      ).suspects.find((s) => s.fault === fault)!.probability;
    const told = 'Sensor and thermostat changed, no better.';
    for (const fault of ['ect-reads-cold', 'thermostat-stuck-open'])
      expect(chance(fault, told), fault).toBeLessThan(chance(fault, '') / 2);
    for (const fault of ['sensor-branch-restricted', 'ect-wiring', 'gauge-fault'])
      expect(chance(fault, told), fault).toBeGreaterThan(1.3 * chance(fault, ''));
  });

  it('may be another part than the right one, and leaves air in a system that was opened', () => {
    expect(llr('Thermostat changed, no better')['thermostat-low-rating']).toBeGreaterThan(0);
    expect(llr('New sensor, same again')['ect-wrong-part']).toBeGreaterThan(0);
    expect(llr('New thermostat, came back')['coolant-low']).toBeGreaterThan(0);
    expect(llr('New relay, came back')['coolant-low']).toBeUndefined();
  });

  it('says more where it helped nothing than where it is only not old', () => {
    const [inVain, notOld] = ['Thermostat changed, no better', 'Thermostat last winter'].map(
      (told) => llr(told)['thermostat-stuck-open']!
    );
    expect(inVain).toBeLessThan(2 * notOld);
    expect(notOld).toBeLessThan(0);
  });

  it.each([
    '',
    'Radiator two years ago.',
    'Thermostat checked in a bath',
    'Nothing changed',
    'Sensor never changed',
    'Level sensor replaced, no better',
    'Oxygen sensor, fuel pump and starter relay changed, no better',
    'New clutch cable, distributor cap',
    'Tyres, oil'
  ])('says nothing by “%s”', (told) => {
    expect(spoken(told)).toEqual([]);
  });

  it('is read part by part: what is old does not hide what is new', () => {
    const both = spoken('Radiator flushed two years ago, coolant pump changed last week, no better');
    expect(both).toContain('pump-flow-low');
    expect(both).not.toContain('radiator-clogged');
  });

  it('is read part by part: what was kept does not go with what was changed', () => {
    expect(spoken('Relay changed, thermostat not, no better')).not.toContain('thermostat-stuck-open');
    expect(spoken('Relay changed, thermostat not, no better')).toContain('fan-relay-contacts');
  });
});
