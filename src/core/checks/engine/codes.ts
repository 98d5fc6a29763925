import { z } from 'zod';
import { CODES, readCode } from '../../vehicle/codes';
import { namedBy } from '../../faults/registry';
import type { FaultId } from '../../vehicle/faults';
import { defineCheck, outcome, type NamedResult } from '../check';
import { share, strength } from '../strength';

export const CODE_STATES = ['stored', 'pending', 'permanent'] as const;

/** Faults that a control unit watches for by themselves: without their code they are the less likely. */
const HAS_ITS_CODE: readonly FaultId[] = [
  'ect-open-circuit',
  'ect-short-circuit',
  'ect-intermittent',
  'thermostat-heater-failed',
  'clutch-circuit-open',
  'fan-relay-coil',
  'fan-controller-dead'
];

const readings = () =>
  z.object({
    codes: z
      .array(
        z.object({
          code: z.string().transform((text, context) => {
            const code = readCode(text);
            if (!code)
              context.addIssue({
                code: 'custom',
                message: `“${text}” is no trouble code; it looks like P0118`
              });
            return code ?? text;
          }),
          state: z.enum(CODE_STATES)
        }),
        // What nobody said is no reading: an empty list is written down only where somebody says that none is stored.
        'Enter a code, or say that no code is stored'
      )
      .max(60, 'More than 60 codes: keep those that matter')
  });
export type CodesReadings = z.infer<ReturnType<typeof readings>>;

/** What is looked ahead to, by the code that stands for its like. */
const SEEN: Readonly<Partial<Record<string, string>>> = {
  P0128: 'a code for too cold an engine is stored',
  P0217: 'a code for overheating is stored',
  P0118: 'a code for an open sensor circuit is stored',
  P0117: 'a code for a shorted sensor circuit is stored',
  P0119: 'a code for a sensor that comes and goes is stored',
  P0480: 'a code of the fan circuit is stored',
  P0597: 'a code of the thermostat heater is stored',
  P0528: 'a code of the fan speed is stored'
};

/** Codes that say that it is too cold, too hot or not as it should be, and not of what. */
const SYMPTOM_CODES: Readonly<Record<string, NamedResult['strength']>> = Object.fromEntries(
  ['P0116', 'P0125', 'P0126', 'P0128', 'P0217', 'P2181'].map((code) => [
    code,
    share(0.45, 0.03, 0.6, 'It says how the engine runs, and not why')
  ])
);

/** Every code that names a suspect is a result of its own. */
const RESULTS: Readonly<Record<string, NamedResult>> = {
  ...Object.fromEntries(
    Object.keys(CODES).flatMap((code) =>
      namedBy(code).length > 0
        ? [[code, { seen: SEEN[code], for: namedBy(code), strength: SYMPTOM_CODES[code] }]]
        : []
    )
  ),
  'none of their own': { against: HAS_ITS_CODE }
};

/** Stored and pending trouble codes, with what the public standard means by each. */
export const codes = defineCheck({
  title: 'Trouble codes',
  phases: ['X'],
  minutes: 3,
  decides: 'Which suspects the codes support, and which failsafe the control unit may be in.',
  tools: ['Scan tool'],
  cautions: [],
  gate: 'none',
  results: RESULTS,
  strength: strength(
    0.45,
    0.03,
    0.6,
    'scan',
    'Many faults store none, and a code names a circuit more than a part',
    {
      'ect-open-circuit': share(0.92, 0.006, 0.15, 'Its own code, and hardly ever missing'),
      'ect-short-circuit': share(0.92, 0.006, 0.15, 'Its own code, and hardly ever missing'),
      'ect-wiring': share(0.85, 0.006, 0.5, 'The code of its circuit'),
      'ect-intermittent': share(0.65, 0.006, 0.45, 'Its own code'),
      'thermostat-heater-failed': share(0.7, 0.006, 0.35, 'Its own code'),
      'clutch-circuit-open': share(0.55, 0.006, 0.5, 'Its own code'),
      'fan-relay-coil': share(0.65, 0.01, 0.42, 'The code of its circuit'),
      'fan-controller-dead': share(0.65, 0.01, 0.42, 'The code of its circuit'),
      'fan-command-missing': share(0.3, 0.01, 0.8, 'The unit seldom sees that its own wire is open'),
      'coolant-low': share(0.1, 0.03, 0.9, 'Named beside a code for another cause')
    }
  ),
  always: true,
  readings,
  judge({ codes: list }) {
    if (list.length === 0)
      return outcome('pass', 'No code stored or pending', { found: ['none of their own'] });
    const known = list.filter(({ code }) => namedBy(code).length > 0);
    const firm = known.filter(({ state }) => state !== 'pending');
    const others = list.length - known.length;
    const tail = others > 0 ? `; ${others} other${others === 1 ? '' : 's'} not about engine temperature` : '';
    const numbers = list.map(({ code, state }) => ({
      name: code,
      value: `${CODES[code]?.means ?? 'Not in the standard’s cooling group; see the maker’s information'} (${state})`
    }));
    if (known.length === 0)
      return outcome('pass', `No code about engine temperature, sensor or fan${tail}`, {
        numbers,
        found: ['none of their own']
      });
    const failsafe = [...new Set(firm.map(({ code }) => CODES[code].failsafe).filter((f) => f !== null))];
    const names = known
      .map(({ code, state }) => `${code}${state === 'pending' ? ' (pending)' : ''}`)
      .join(', ');
    return outcome(
      firm.length > 0 ? 'fail' : 'unclear',
      `${names}: ${known.length === 1 ? CODES[known[0].code].means : 'about engine temperature, sensor or fan'}${tail}`,
      {
        numbers,
        found: known.map(({ code }) => code),
        doubts: failsafe.map(
          (f) => `The control unit may be in failsafe: ${f.charAt(0).toLowerCase()}${f.slice(1)}`
        )
      }
    );
  },
  simulate: (h) => ({ codes: h.codes.map((code) => ({ code, state: 'stored' as const })) }),
  words: ({ codes: list }) =>
    list.length === 0 ? 'No codes' : list.map(({ code, state }) => `${code} ${state}`).join(', ')
});
