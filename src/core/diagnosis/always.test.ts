import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { between } from '../../../tests/support/between';
import { CHECK_IDS } from '../checks/registry';
import { residualC } from '../physics/coolant/cooling';
import type { SpecSheet } from '../vehicle/spec-sheet';
import { SITUATION_IDS, SYMPTOM_IDS } from '../vehicle/symptoms';
import { planFor } from '../../../tests/support/check-bench';
import { PHASES } from '../physics/heat/phases';
import { thermalAt, type ThermalFact } from '../physics/heat/state';

/** What must hold whatever a technician states, in whatever order. */
const SHEETS = ['qh-03-curlew', 'qh-07-parcel', 'qh-11-fathom', 'qh-19-plough', 'qh-22-heron'].map(
  (name): SpecSheet => JSON.parse(readFileSync(`demo/specs/${name}.spec.json`, 'utf8'))
);
const NOW_H = 100;
const at = (h: number) => new Date(Date.UTC(2026, 10, 20) + h * 3_600_000).toISOString();
const ambient = fc.option(fc.integer({ min: -15, max: 35 }));
const fact: fc.Arbitrary<ThermalFact> = fc.oneof(
  fc.record({
    kind: fc.constant('ran-until' as const),
    at: between(0, NOW_H).map(at),
    coolantC: fc.option(fc.integer({ min: 20, max: 125 })),
    ambientC: ambient
  }),
  fc.record({
    kind: fc.constant('started' as const),
    at: between(0, NOW_H).map(at)
  }),
  fc.record({
    kind: fc.constant('measured' as const),
    at: between(0, NOW_H).map(at),
    coolantC: fc.integer({ min: -10, max: 125 }),
    ambientC: ambient
  })
);
const facts = fc.array(fact, { maxLength: 6 });
const sheet = fc.constantFrom(...SHEETS, null);

describe('the thermal state, always', () => {
  it('does not depend on the order in which things were told', () => {
    fc.assert(
      fc.property(facts, sheet, (told, s) => {
        const times = new Set(told.map((f) => f.at));
        fc.pre(times.size === told.length);
        expect(thermalAt(told.toReversed(), at(NOW_H), s)).toEqual(thermalAt(told, at(NOW_H), s));
      })
    );
  });

  it('says nothing of a future, and nothing from nothing', () => {
    fc.assert(
      fc.property(facts, sheet, (told, s) => {
        const before = Math.min(...told.map((f) => Date.parse(f.at)), Date.parse(at(NOW_H)));
        expect(thermalAt(told, new Date(before - 1000).toISOString(), s).phase).toBe('unknown');
      })
    );
  });

  it('never calls a running engine soaked or its cap safe', () => {
    fc.assert(
      fc.property(facts, sheet, (told, s) => {
        const state = thermalAt(told, at(NOW_H), s);
        if (state.running) expect([state.soaked, state.safeToOpen]).toEqual([false, false]);
        if (state.soaked === true) expect(state.residualC!).toBeLessThan(2);
        expect([...PHASES, 'unknown']).toContain(state.phase);
      })
    );
  });

  it('lets a standing engine only cool: soaked and safe stay so', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 120 }),
        fc.integer({ min: -10, max: 30 }),
        sheet,
        between(0.1, 15),
        (coolantC, ambientC, s, h) => {
          const stop: ThermalFact = { kind: 'ran-until', at: at(0), coolantC, ambientC };
          const [early, late] = [thermalAt([stop], at(h), s), thermalAt([stop], at(h + 1), s)];
          expect(late.coolantC!).toBeLessThanOrEqual(early.coolantC!);
          if (early.soaked) expect(late.soaked).toBe(true);
          if (early.safeToOpen) expect(late.safeToOpen).toBe(true);
          // The hour that is promised is the hour at which it holds.
          expect(thermalAt([stop], early.soakedFrom!, s).residualC!).toBeCloseTo(
            Math.min(2, coolantC - ambientC),
            3
          );
        }
      )
    );
  });

  it('promises a safe cap no earlier than a slowly cooling engine is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 120 }),
        fc.integer({ min: -10, max: 30 }),
        (coolantC, ambientC) => {
          const { safeToOpenFrom } = thermalAt(
            [{ kind: 'ran-until', at: at(0), coolantC, ambientC }],
            at(0.1),
            null
          );
          const hours = (Date.parse(safeToOpenFrom!) - Date.parse(at(0))) / 3_600_000;
          expect(ambientC + residualC(coolantC - ambientC, hours, 2.99)).toBeLessThanOrEqual(50 + 1e-6);
        }
      )
    );
  });
});

describe('the plan, always', () => {
  const symptoms = fc.array(
    fc.record({ what: fc.constantFrom(...SYMPTOM_IDS), when: fc.subarray([...SITUATION_IDS]) }),
    { maxLength: 4 }
  );
  it('has every check once, on the line, beside it, or told as lacking', () => {
    fc.assert(
      fc.property(symptoms, facts, fc.constantFrom(...SHEETS), (what, told, s) => {
        const plan = planFor(s, what, thermalAt(told, at(NOW_H), s));
        const ids = [...plan.line, ...plan.any, ...plan.bench, ...plan.lacking].map((p) => p.id);
        expect(ids.toSorted()).toEqual([...CHECK_IDS].toSorted());
      }),
      { numRuns: 60 }
    );
  });
  it('names as next only what is worth it, and says what the engine must be brought to first', () => {
    fc.assert(
      fc.property(symptoms, facts, fc.constantFrom(...SHEETS), (what, told, s) => {
        const state = thermalAt(told, at(NOW_H), s);
        const { next } = planFor(s, what, state);
        if (!next) return;
        expect(next.suggested).toBe(true);
        if (state.phase !== 'unknown' && !next.now) expect(next.heldBack).toBeTruthy();
      }),
      { numRuns: 60 }
    );
  });
});
