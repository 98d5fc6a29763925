import { z } from 'zod';
import { defineField } from '../units/field';
import { midSentence } from '../base/text';
import { ALIKE, FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import {
  defineCheck,
  outcome,
  spoken,
  type Check,
  type CheckWords,
  type NamedResult,
  type Outcome
} from './check';
import { strength } from './strength';

/** What a technician writes who judges a check themselves: the result, and what was measured against which limit. */
export const byHandReadings = z.object({
  found: defineField(z.string().trim().min(1, 'Write down what was measured, with its limit').max(1000), {
    label: 'Measured, and the limit it was held against',
    lines: true,
    hint: 'This check is judged by you; Pyrethos keeps it with the limit you wrote'
  }),
  judged: defineField(z.enum(['pass', 'fail', 'unclear'], 'Say how you judge it'), {
    label: 'You judge it',
    choices: { pass: 'Pass', fail: 'Finding', unclear: 'Unclear' },
    bad: ['fail']
  })
});
export type ByHandReadings = z.infer<typeof byHandReadings>;

/** What a run can show: faults that draw one curve are found together. */
function byRun(faults: readonly FaultId[]): Readonly<Record<string, NamedResult>> {
  const together = new Set(Object.values(ALIKE).flat());
  return {
    sound: { against: faults },
    ...Object.fromEntries(
      faults
        .filter((f) => !together.has(f))
        .map((f) => [
          f,
          {
            seen: `the run fits ${midSentence(FAULTS[f].title)}`,
            for: [f, ...(ALIKE[f] ?? []).filter((a) => faults.includes(a))]
          }
        ])
    )
  };
}

const judged = (r: ByHandReadings) => outcome(r.judged, `Judged by hand: ${r.found}`);
export const judgeByHand = (r: ByHandReadings): Outcome => spoken({}, judged(r), null);
export const wordsByHand = (r: ByHandReadings) => `${r.judged}: ${r.found}`;

/** A check whose readings are judged by the technician: written down with its verdict, not computed. */
const byHand = (words: CheckWords & { readonly results: Readonly<Record<string, NamedResult>> }): Check =>
  defineCheck({
    ...words,
    readings: () => byHandReadings,
    judge: judged,
    // A run is simulated from its log, and the rest is nobody’s to invent.
    simulate: () => null,
    words: wordsByHand
  });

const SENSOR: readonly FaultId[] = [
  'ect-reads-hot',
  'ect-reads-cold',
  'ect-wrong-part',
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent',
  'ect-wiring'
];
const THERMOSTAT: readonly FaultId[] = [
  'thermostat-stuck-open',
  'thermostat-stuck-closed',
  'thermostat-low-rating',
  'thermostat-sluggish'
];
const FLOW: readonly FaultId[] = ['radiator-clogged', 'pump-flow-low', 'sensor-branch-restricted'];

/** What the road shows: how the temperature depends on speed and load. */
export const ROAD_RESULTS = {
  sound: { against: ['thermostat-stuck-open', 'radiator-clogged', 'pump-flow-low'] },
  cooledByRoad: {
    seen: 'it is cooler on the move than standing',
    for: ['thermostat-stuck-open', 'thermostat-low-rating'],
    against: ['radiator-clogged', 'pump-flow-low', 'airflow-restricted']
  },
  hotUnderLoad: {
    seen: 'it is hotter the more it works',
    for: ['radiator-clogged', 'pump-flow-low', 'coolant-low'],
    against: ['thermostat-stuck-open']
  },
  hotStanding: {
    seen: 'it is hot at a standstill and cools on the move',
    for: ['fan-motor-dead', 'fan-motor-weak', 'airflow-restricted', 'clutch-slipping'],
    against: ['radiator-clogged', 'pump-flow-low']
  }
} as const satisfies Readonly<Record<string, NamedResult>>;

/** Checks of the plan whose readings are a log: a run answers them, or a technician’s word. */
export const BY_HAND = {
  'warm-up-run': byHand({
    title: 'Warm-up run',
    phases: ['C', 'W', 'R'],
    minutes: 25,
    decides: 'The run against the warm-up this engine should show today.',
    tools: ['Logger'],
    cautions: ['indoor-running', 'stop-limit', 'belts'],
    gate: 'none',
    results: byRun([
      ...THERMOSTAT,
      ...SENSOR,
      ...FLOW,
      'coolant-low',
      'airflow-restricted',
      'clutch-slipping'
    ]),
    strength: strength(0.8, 0.05, 0.2, 'run', 'Ranked by the model; see the run'),
    always: true
  }),
  'road-run': byHand({
    title: 'Road run',
    phases: ['R'],
    minutes: 20,
    decides: 'How the temperature depends on speed and load.',
    tools: ['Logger'],
    cautions: ['stop-limit'],
    gate: 'none',
    results: ROAD_RESULTS,
    strength: strength(0.6, 0.08, 0.3, 'run', 'The same run again, by speed and load')
  })
} as const satisfies Readonly<Record<string, Check>>;
