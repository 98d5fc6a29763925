import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../tests/support/between';
import { curlew, finding } from '../../../tests/support/check-bench';
import { curesOf } from '../faults/registry';
import { FAULT_IDS, type FaultId } from '../vehicle/faults';
import {
  afterRepair,
  believe,
  chancesOf,
  entropyOf,
  logWithout,
  weigh,
  weightOf,
  withFinding,
  type Belief
} from './belief';
import type { Finding } from './finding';
import { hypothesesOf } from './hypotheses';

const of = hypothesesOf(curlew);
const placeOf = (...faults: FaultId[]) =>
  of.space.sets.findIndex((set) => set.length === faults.length && faults.every((f) => set.includes(f)));
/** Nats that findings add to one hypothesis beyond what they add to one that they do not speak of. */
const added = (findings: Finding[], ...faults: FaultId[]): number => {
  const { log } = believe(findings, of);
  const [here, aside] = [placeOf(...faults), placeOf('gauge-fault')];
  return log[here] - of.logPrior[here] - (log[aside] - of.logPrior[aside]);
};

// Worked by hand: 1.1 ln(0.97 e^x + 0.03).
const OF = { '2': 2.1711, '1.5': 1.6241, '1': 1.0789, '-2': -2.0071 };

describe('the weight of a finding', () => {
  const dead = 'fan-motor-dead';
  const open = 'thermostat-stuck-open';
  it.each<[string, Finding['llr'], FaultId[], number]>([
    ['for a fault', { [dead]: 2 }, [dead], OF['2']],
    ['for one of two faults', { [dead]: 2, [open]: 1 }, [dead, open], OF['2']],
    ['for one and against the other', { [dead]: 2, [open]: -1 }, [dead, open], OF['1']],
    ['against both', { [dead]: -1, [open]: -1 }, [dead, open], OF['-2']],
    ['of what it does not speak of', { [dead]: 2 }, [open], 0]
  ])('%s admits a blunder', (_, llr, faults, nats) => {
    expect(weightOf(finding(llr), faults)).toBeCloseTo(nats, 3);
    expect(added([finding(llr)], ...faults)).toBeCloseTo(nats, 3);
  });

  it('of a pair that was simulated together is what both make of it, whichever is named first', () => {
    const both: Finding = {
      ...finding({ [dead]: 2, [open]: -1 }),
      together: { leading: [dead], less: { [open]: -0.5 } }
    };
    expect(weightOf(both, [dead, open])).toBeCloseTo(OF['1.5'], 3);
    expect(weightOf(both, [open, dead])).toBeCloseTo(OF['1.5'], 3);
    expect(added([both], dead, open)).toBeCloseTo(OF['1.5'], 3);
    // Of what was not simulated with it each says what it says by itself.
    expect(weightOf(both, [dead])).toBeCloseTo(OF['2'], 3);
    expect(weightOf(both, [dead, 'coolant-low'])).toBeCloseTo(OF['2'], 3);
    expect(weightOf(both, [open, 'coolant-low'])).toBeLessThan(0);
  });

  it.each([
    ['a thermometer', 'thermometer', 0.8],
    ['the complaint', 'complaint', 0.85],
    ['runs of one vehicle', 'run', 0.25]
  ])('of the second that leans on %s is a share of it', (_, group, share) => {
    const twice = [finding({ [dead]: 2 }, 'a', group), finding({ [dead]: 1 }, 'b', group)];
    expect(added(twice, dead)).toBeCloseTo(OF['2'] + share * OF['1'], 3);
    const apart = [finding({ [dead]: 2 }, 'a', group), finding({ [dead]: 1 }, 'b', 'other')];
    expect(added(apart, dead)).toBeCloseTo(OF['2'] + OF['1'], 3);
  });

  it('of as much for as against counts what speaks for it whole, whichever came first', () => {
    // ln(0.97 e^x + 0.03) is −1 and +1 for these two.
    const [up, down] = [1, -1].map((y) => Math.log((Math.exp(y / 1.1) - 0.03) / 0.97));
    const [a, b] = [finding({ [dead]: up }, 'a'), finding({ [dead]: down }, 'b')];
    for (const list of [
      [a, b],
      [b, a]
    ])
      expect(added(list, dead)).toBeCloseTo(1 - 0.8, 6);
  });

  it('of one that says the opposite is a share as well: the stronger of both counts whole', () => {
    const apart = [finding({ [dead]: 1 }, 'a', 'meter'), finding({ [dead]: -2 }, 'b', 'meter')];
    expect(added(apart, dead)).toBeCloseTo(OF['-2'] + 0.8 * OF['1'], 3);
  });
});

const some = fc
  .tuple(
    fc.subarray([...FAULT_IDS], { minLength: 1, maxLength: 4 }),
    between(-4, 4),
    fc.constantFrom('meter', 'hand', 'run', 'complaint')
  )
  .map(([faults, llr, group]) =>
    finding(Object.fromEntries(faults.map((f, i) => [f, llr * (i % 2 ? -1 : 1)])), 'any', group)
  );

describe('a finding more or less', () => {
  const close = (a: Float64Array, b: Float64Array) => {
    const [p, q] = [chancesOf(a), chancesOf(b)];
    for (let h = 0; h < p.length; h++) expect(p[h]).toBeCloseTo(q[h], 9);
  };
  it('leaves what all that are left make together', () => {
    fc.assert(
      fc.property(fc.array(some, { maxLength: 6 }), some, (findings, more) => {
        const all = believe([...findings, more], of);
        close(withFinding(believe(findings, of), weigh(more, of.space)).log, all.log);
        const grown = withFinding(believe(findings, of), weigh(more, of.space));
        for (const whole of [all, grown])
          close(logWithout(whole, weigh(more, of.space)), believe(findings, of).log);
        for (const first of findings.slice(0, 1))
          close(logWithout(grown, weigh(first, of.space)), believe([...findings.slice(1), more], of).log);
      }),
      { numRuns: 40 }
    );
  });
});

describe('after a repair', () => {
  const shareOf = (log: Float64Array, fault: FaultId) => {
    const chances = chancesOf(log);
    return of.space.sets.reduce((sum, set, h) => sum + (set.includes(fault) ? chances[h] : 0), 0);
  };
  const told = (): Belief => believe([finding({ 'thermostat-stuck-open': 5, 'gauge-fault': 3 })], of);
  const repaired = () => {
    const before = told();
    return { before, after: afterRepair(before, ['thermostat']) };
  };

  it('a little of what it cures stays: a new part can be bad', () => {
    const { before, after } = repaired();
    for (const fault of curesOf('thermostat').filter((f) => of.space.possible.includes(f)))
      expect(shareOf(after.logPrior, fault)).toBeCloseTo(0.04 * shareOf(before.log, fault), 6);
  });

  it('what it does not cure is as likely as it was, and nothing is wrong where it was the only one', () => {
    const { before, after } = repaired();
    for (const fault of ['gauge-fault', 'coolant-low', 'fan-motor-dead'] as const)
      expect(shareOf(after.logPrior, fault)).toBeCloseTo(shareOf(before.log, fault), 6);
    const alone = curesOf('thermostat').reduce((sum, f) => sum + (chancesOf(before.log)[placeOf(f)] ?? 0), 0);
    expect(shareOf(after.logPrior, 'none')).toBeCloseTo(shareOf(before.log, 'none') + 0.96 * alone, 6);
  });

  it('two repairs cure both of a pair', () => {
    const before = told();
    const none = afterRepair(before, ['thermostat', 'gauge']).logPrior[placeOf('none')];
    const [both, one, other] = [
      placeOf('thermostat-stuck-open', 'gauge-fault'),
      placeOf('thermostat-stuck-open'),
      placeOf('gauge-fault')
    ].map((h) => chancesOf(before.log)[h]);
    expect(Math.exp(none)).toBeGreaterThan(0.95 * (both + one + other));
  });
});

describe('uncertainty', () => {
  it.each([
    [[1], 0],
    [[0.5, 0.5, 0], 1],
    [[0.25, 0.25, 0.25, 0.25], 2],
    [[0.5, 0.25, 0.25], 1.5]
  ])('of %j is %d bits', (chances, bits) => {
    expect(entropyOf(chances)).toBeCloseTo(bits, 12);
  });

  it('adds up to one of logarithms of any size', () => {
    const chances = chancesOf(Float64Array.from([1000, 1000 + Math.log(3), -1000]));
    expect([...chances]).toEqual([expect.closeTo(0.25, 9), expect.closeTo(0.75, 9), 0]);
  });
});
