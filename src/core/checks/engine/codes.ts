import { z } from 'zod';
import { CODES, readCode } from '../../vehicle/codes';
import { FAULTS, namedBy } from '../../faults/registry';
import { FAULT_IDS, type FaultId } from '../../vehicle/faults';
import { defineCheck, outcome, speaksAgainst, speaksFor } from '../check';
import { seen, share, strength } from '../strength';

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

const readings = z.object({
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
      })
    )
    .max(60, 'More than 60 codes: keep those that matter')
});
export type CodesReadings = z.infer<typeof readings>;

/** Stored and pending trouble codes, with what the public standard means by each. */
export const codes = defineCheck<CodesReadings>({
  title: 'Trouble codes',
  phases: ['X'],
  minutes: 3,
  decides: 'Which suspects the codes support, and which failsafe the control unit may be in.',
  tools: ['Scan tool'],
  cautions: [],
  gate: 'none',
  speaksTo: FAULT_IDS.filter((f) => FAULTS[f].codes !== undefined),
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
  results: [
    seen('a code for too cold an engine is stored', namedBy('P0128')),
    seen('a code for overheating is stored', namedBy('P0217')),
    seen('a code for an open sensor circuit is stored', ['ect-open-circuit', 'ect-wiring']),
    seen('a code for a shorted sensor circuit is stored', ['ect-short-circuit', 'ect-wiring']),
    seen('a code for a sensor that comes and goes is stored', ['ect-intermittent', 'ect-wiring']),
    seen('a code of the fan circuit is stored', [
      'fan-relay-coil',
      'fan-feed-open',
      'fan-command-missing',
      'fan-controller-dead'
    ]),
    seen('a code of the thermostat heater is stored', ['thermostat-heater-failed']),
    seen('a code of the fan speed is stored', ['clutch-circuit-open'])
  ],
  clears: HAS_ITS_CODE,
  always: true,
  readings,
  judge({ codes: list }) {
    const clean = speaksAgainst(...HAS_ITS_CODE);
    if (list.length === 0) return outcome('pass', 'No code stored or pending', { points: clean });
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
        points: clean
      });
    const points: FaultId[] = [...new Set(known.flatMap(({ code }) => namedBy(code)))];
    const failsafe = [...new Set(firm.map(({ code }) => CODES[code].failsafe).filter((f) => f !== null))];
    const names = known
      .map(({ code, state }) => `${code}${state === 'pending' ? ' (pending)' : ''}`)
      .join(', ');
    return outcome(
      firm.length > 0 ? 'fail' : 'unclear',
      `${names}: ${known.length === 1 ? CODES[known[0].code].means : 'about engine temperature, sensor or fan'}${tail}`,
      {
        numbers,
        points: speaksFor(...points),
        doubts: failsafe.map(
          (f) => `The control unit may be in failsafe: ${f.charAt(0).toLowerCase()}${f.slice(1)}`
        )
      }
    );
  },
  words: ({ codes: list }) =>
    list.length === 0 ? 'No codes' : list.map(({ code, state }) => `${code} ${state}`).join(', ')
});
