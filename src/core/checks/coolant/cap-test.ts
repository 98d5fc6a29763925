import { z } from 'zod';
import { defineField } from '../../units/field';
import { say } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';

const HOLDS = { yes: 'Holds below it', no: 'Sinks' } as const;
const SEAL = { good: 'Clean and whole', worn: 'Hard, cracked or dirty' } as const;
const readings = () =>
  z.object({
    /** Pressure at which it opened, each time it was pumped. */
    opensKPa: defineField(
      z
        .array(z.number().min(0, 'A pressure is 0 kPa or more').max(400, 'No cap holds 400 kPa'))
        .min(1, 'Pump it up once at least')
        .max(6),
      {
        label: 'Opens at',
        quantity: 'pressure',
        add: 'Add',
        hint: 'pump it two or three times',
        bench: { part: 'cap-opens' }
      }
    ),
    holds: defineField(z.enum(['yes', 'no']), {
      label: 'Just below that',
      choices: HOLDS,
      bad: ['no']
    }).nullable(),
    seal: defineField(z.enum(['good', 'worn']), {
      label: 'Its seal',
      choices: SEAL,
      bad: ['worn']
    }).nullable()
  });
export type CapTestReadings = z.infer<ReturnType<typeof readings>>;

/** Caps open within this share of what is stamped on them. */
export const CAP_SPREAD = 0.12;

/** The pressure cap on a tester: where it opens, and whether it holds below that. */
export const capTest = defineCheck({
  title: 'Cap test',
  phases: ['C'],
  minutes: 4,
  decides: 'Opening pressure against the sheet, and whether it holds.',
  tools: ['Pressure tester'],
  cautions: ['hot-cap', 'test-pressure'],
  measures: ['cap'],
  gate: 'cap-cool',
  results: {
    sound: { against: ['pressure-cap-weak'] },
    weak: { for: ['pressure-cap-weak'] }
  },
  strength: strength(0.97, 0.004, 0.03, 'itself', 'The cap against its own rating'),
  readings,
  judge(r, { sheet }) {
    const due = sheet?.cap?.kPa ?? null;
    const opens = r.opensKPa.toSorted((a, b) => a - b)[Math.floor((r.opensKPa.length - 1) / 2)];
    const numbers = [
      {
        name: 'Opens at',
        value: say(opens, 'pressure'),
        ...(due === null ? {} : { limit: `${say(due, 'pressure')} ± 12 %` })
      },
      ...(r.holds === null ? [] : [{ name: 'Below that', value: HOLDS[r.holds] }]),
      ...(r.seal === null ? [] : [{ name: 'Seal', value: SEAL[r.seal] }])
    ];
    const weak = due !== null && opens < due * (1 - CAP_SPREAD);
    if (weak || r.holds === 'no')
      return outcome(
        'fail',
        weak
          ? `Opens at ${say(opens, 'pressure')}, and not at ${say(due!, 'pressure')}: the coolant boils earlier`
          : 'Does not hold below its opening pressure',
        { numbers, found: ['weak'] }
      );
    if (due !== null && opens > due * (1 + 2 * CAP_SPREAD))
      return outcome(
        'fail',
        `Opens only at ${say(opens, 'pressure')}, ${say(due, 'pressure')} by the sheet: a wrong or stuck cap strains hoses and radiator`,
        {
          numbers
        }
      );
    if (due === null)
      return outcome(
        'unclear',
        `Opens at ${say(opens, 'pressure')}; the sheet does not say where it should`,
        { numbers }
      );
    return outcome(
      r.holds === null ? 'unclear' : 'pass',
      r.holds === null
        ? `Opens at ${say(opens, 'pressure')} as it should; see whether it holds just below`
        : `Opens at ${say(opens, 'pressure')} and holds below it`,
      {
        numbers,
        found: r.holds === null ? [] : ['sound']
      }
    );
  },
  simulate(h) {
    const opens = h.part('cap-opens');
    if (opens === null) return null;
    const opensKPa = [opens, opens];
    return {
      opensKPa,
      holds: h.fault === 'pressure-cap-weak' && h.chance(0.5) ? 'no' : 'yes',
      seal: h.chance(0.9) ? 'good' : 'worn'
    } as const;
  },
  words: (r) =>
    `Opens at ${r.opensKPa.map((p) => say(p, 'pressure')).join(', ')}${r.holds === null ? '' : `, ${HOLDS[r.holds].toLowerCase()}`}`
});
