import { z } from 'zod';
import { defineField } from '../../units/field';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';

const GAS_TESTS = { fluid: 'Test fluid', meter: 'Exhaust gas meter', look: 'Bubbles only' } as const;
const GAS_SEEN = { clear: 'No gas', doubtful: 'Doubtful', gas: 'Gas' } as const;
const BUBBLES = { none: 'None', some: 'A few', steady: 'A steady stream' } as const;
const readings = () =>
  z.object({
    /** The level was lowered, so that the tester drew gas and not coolant. */
    dry: defineField(z.boolean(), { label: 'The tester drew gas, no coolant' }),
    /** The engine had run warm, under some load, for minutes. */
    worked: defineField(z.boolean(), { label: 'It had worked for minutes under load' }),
    by: defineField(z.enum(['fluid', 'meter', 'look'], 'Say how it was tested'), {
      label: 'Tested with',
      choices: GAS_TESTS
    }),
    seen: defineField(z.enum(['clear', 'doubtful', 'gas'], 'Say what the test showed'), {
      label: 'It shows',
      choices: GAS_SEEN,
      bad: ['gas']
    }),
    bubbles: defineField(z.enum(['none', 'some', 'steady']), {
      label: 'Bubbles in the filler',
      choices: BUBBLES,
      bad: ['steady']
    }).nullable()
  });
export type CombustionGasReadings = z.infer<ReturnType<typeof readings>>;

/** Combustion gas in the coolant. A finding here is referred on: the engine is opened by those who do that. */
export const combustionGas = defineCheck({
  title: 'Combustion gas',
  phases: ['R'],
  minutes: 10,
  decides: 'Gas in the coolant: refer on.',
  tools: ['Chemical gas test'],
  cautions: ['hot-cap', 'indoor-running'],
  // The tester goes on while the engine is cold and is read while it is warm: the caution stands before both.
  gate: 'none',
  results: {
    sound: { against: ['combustion-leak'] },
    gas: { for: ['combustion-leak'] },
    signs: { for: ['combustion-leak'] }
  },
  strength: strength(0.82, 0.004, 0.15, 'itself', 'Gas is there or not; small leaks come and go'),
  readings,
  judge(r) {
    const numbers = [
      { name: 'Test', value: GAS_TESTS[r.by] },
      { name: 'Shows', value: GAS_SEEN[r.seen] },
      ...(r.bubbles === null ? [] : [{ name: 'Bubbles', value: BUBBLES[r.bubbles] }])
    ];
    const doubts = [
      ...(r.dry ? [] : ['Coolant in the tester spoils it: lower the level first']),
      ...(r.seen === 'clear' && !r.worked ? ['A small leak shows only after minutes under load'] : [])
    ];
    if (r.seen === 'gas' && r.by !== 'look' && r.dry)
      return outcome(
        'fail',
        'Combustion gas in the coolant. Refer on: no part of the cooling system cures it',
        { numbers, doubts, found: ['gas'] }
      );
    if (r.seen === 'gas' || r.bubbles === 'steady')
      return outcome('unclear', 'Signs of gas: test again with fresh fluid, and the level low enough', {
        numbers,
        doubts,
        found: ['signs']
      });
    if (r.seen === 'clear' && r.worked && r.dry && r.by !== 'look')
      return outcome('pass', 'No combustion gas after work under load', {
        numbers,
        doubts,
        found: ['sound']
      });
    return outcome(
      'unclear',
      r.seen === 'doubtful'
        ? 'Doubtful: test again with fresh fluid'
        : 'No gas so far; let it work for some minutes and test again',
      { numbers, doubts }
    );
  },
  simulate(h) {
    const gas = h.fault === 'combustion-leak' && h.chance(0.55 + 0.43 * h.severity);
    return {
      by: 'fluid',
      seen: gas ? 'gas' : h.chance(0.03) ? 'doubtful' : 'clear',
      bubbles: null,
      dry: true,
      worked: true
    } as const;
  },
  words: (r) =>
    `${GAS_TESTS[r.by]}: ${GAS_SEEN[r.seen].toLowerCase()}${r.bubbles === null ? '' : `, bubbles: ${BUBBLES[r.bubbles].toLowerCase()}`}`
});
