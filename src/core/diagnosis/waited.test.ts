import { describe, expect, it } from 'vitest';
import { sheetOf } from '../../../tests/support/check-bench';
import { thermalAt, type ThermalFact } from '../physics/heat/state';
import type { RecordedCheck } from '../record/derive';
import { USUAL_CHECKS } from '../record/shop-checks';
import { waitedFor } from './waited';

const curlew = sheetOf('qh-03-curlew');
const at = (hour: number) => new Date(Date.UTC(2026, 4, 4, 0, Math.round(60 * hour))).toISOString();
const check = (id: RecordedCheck['check'], hour: number) =>
  ({ id: `${hour}`, check: id, at: at(hour), byHand: false, readings: {} }) as unknown as RecordedCheck;
const stopped: ThermalFact = { kind: 'ran-until', at: at(8), coolantC: 90, ambientC: 10 };
const heatAt = (moment: string) => thermalAt([stopped], moment, curlew);
const job = (more: object = {}) =>
  ({
    openedAt: at(8),
    comebacks: 0,
    decision: null,
    repairs: [],
    quotes: [],
    ...more
  }) as unknown as Parameters<typeof waitedFor>[0];
const waited = (checks: RecordedCheck[], more: object = {}) =>
  waitedFor(job(more), checks, [], USUAL_CHECKS, heatAt)!;
const repair = (hour: number, repairs: string[]) => ({ at: at(hour), done: { repairs } });

describe('what a vehicle waited for', () => {
  it('is its engine, until that was cold, and then a place or hands', () => {
    // 2 h · ln(80 / 2) = 7.38 h to be soaked; the check was begun five minutes before it was entered.
    const of = waited([check('cold-agreement', 18)]);
    expect(of.engineMin).toBeCloseTo(443, 0);
    expect(of.idle).toHaveLength(1);
    expect(Date.parse(of.idle[0].from)).toBeCloseTo(Date.parse(at(8 + 7.378)), -5);
    expect(of.idle[0].to).toBe(at(18 - 5 / 60));
    expect(of.partMin).toBe(0);
  });

  it('is its cap, by the clock that guards it', () => {
    // 3 h · ln(80 / 40) = 2.08 h, four minutes of work before it was entered.
    expect(waited([check('cap-test', 12)]).engineMin).toBeCloseTo(125, 0);
  });

  it('is nothing where one thing follows the other', () => {
    const { engineMin, idle } = waited([check('codes', 8.05), check('gauge-compare', 8.1)]);
    expect([engineMin, idle]).toEqual([0, []]);
  });

  it('is a part from the decision on, and none that was in stock or needs none', () => {
    const decision = { at: at(10) };
    const of = (repairs: string[], days: number | null) =>
      waited([check('codes', 8.05)], {
        decision,
        repairs: [repair(34, repairs)],
        quotes: days === null ? [] : [{ at: at(10), done: { repair: 'thermostat', days } }]
      });
    // 24 hours, less the 55 minutes that a thermostat takes; two before were idle.
    expect(of(['thermostat'], null).partMin).toBe(24 * 60 - 55);
    expect(of(['thermostat'], null).idle.map((i) => i.to)).toEqual([at(10)]);
    expect(of(['thermostat'], 0).partMin).toBe(0);
    expect(of(['radiator-outside'], null).partMin).toBe(0);
  });

  it('is not told of one that came back', () => {
    expect(waitedFor(job({ comebacks: 1 }), [], [], USUAL_CHECKS, heatAt)).toBeNull();
  });
});
