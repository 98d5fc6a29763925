import { z } from 'zod';
import { midSentence } from '../base/text';
import { ALIKE, FAULTS } from '../faults/registry';
import type { FaultId } from '../vehicle/faults';
import { defineCheck, outcome, type Check, type CheckWords } from './check';
import { seen, strength } from './strength';

/** What a technician writes who judges a check themselves: the result, and what was measured against which limit. */
export const byHandReadings = z.object({
  judged: z.enum(['pass', 'fail', 'unclear'], 'Say how you judge it'),
  found: z.string().trim().min(1, 'Write down what was measured, with its limit').max(1000)
});
export type ByHandReadings = z.infer<typeof byHandReadings>;

/** Faults that draw one curve are found together by a run. */
function byRun(speaksTo: readonly FaultId[]): Pick<CheckWords, 'speaksTo' | 'results' | 'clears'> {
  const together = new Set(Object.values(ALIKE).flat());
  return {
    speaksTo,
    results: speaksTo
      .filter((f) => !together.has(f))
      .map((f) =>
        seen(`the run fits ${midSentence(FAULTS[f].title)}`, [
          f,
          ...(ALIKE[f] ?? []).filter((a) => speaksTo.includes(a))
        ])
      ),
    clears: speaksTo
  };
}

type Row = Omit<CheckWords, 'gate'> & Partial<Pick<CheckWords, 'gate'>>;

export const judgeByHand = (r: ByHandReadings) => outcome(r.judged, `Judged by hand: ${r.found}`);
export const wordsByHand = (r: ByHandReadings) => `${r.judged}: ${r.found}`;

/** A check whose readings are judged by the technician: written down with its verdict, not computed. */
function byHand(row: Row): Check {
  return defineCheck<ByHandReadings>({
    gate: 'none',
    ...row,
    readings: byHandReadings,
    judge: judgeByHand,
    words: wordsByHand
  });
}

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

/** Checks of the plan whose readings are a log: a run answers them, or a technician’s word. */
export const BY_HAND = {
  'warm-up-run': byHand({
    title: 'Warm-up run',
    phases: ['C', 'W', 'R'],
    minutes: 25,
    decides: 'The run against the warm-up this engine should show today.',
    tools: ['Logger'],
    cautions: ['indoor-running', 'stop-limit', 'belts'],
    ...byRun([...THERMOSTAT, ...SENSOR, ...FLOW, 'coolant-low', 'airflow-restricted', 'clutch-slipping']),
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
    ...byRun([...THERMOSTAT, ...FLOW, 'airflow-restricted', 'clutch-slipping']),
    strength: strength(0.6, 0.08, 0.3, 'run', 'The same run again, by speed and load')
  })
} as const satisfies Readonly<Record<string, Check>>;
