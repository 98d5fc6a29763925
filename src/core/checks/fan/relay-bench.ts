import { z } from 'zod';
import { defineField } from '../../units/field';
import { say } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';
import { withoutRelay } from '../vehicle-has';

const readings = () =>
  z
    .object({
      /** Between 85 and 86; over-range is typed as 10M. */
      coilOhm: defineField(z.number().min(0, 'Ohms are 0 or more').max(1e9), {
        label: 'Coil, 85 to 86',
        quantity: 'resistance',
        hint: 'over-range: 10M',
        bench: { part: 'coil-ohm' }
      }).nullable(),
      /** Between 30 and 87 with nothing on the coil; over-range is 10M. */
      restOhm: defineField(z.number().min(0, 'Ohms are 0 or more').max(1e9), {
        label: 'Contacts at rest, 30 to 87',
        quantity: 'resistance',
        hint: 'over-range: 10M',
        bench: { part: 'rest-ohm' }
      }).nullable(),
      /** Fed across 85 and 86. */
      clicks: defineField(z.enum(['yes', 'no']), {
        label: 'Coil fed',
        choices: { yes: 'Clicks', no: 'Silent' },
        bad: ['no']
      }).nullable(),
      /** Between 30 and 87 with the coil fed, at the load current. */
      dropV: defineField(z.number().min(0, 'A drop is 0 V or more').max(32, 'More than 32 V is no drop'), {
        label: 'Drop, 30 to 87',
        quantity: 'voltage',
        hint: 'coil fed, at 10 A of load',
        bench: { part: 'contact-drop' }
      }).nullable(),
      loadA: defineField(z.number().min(0.5, 'Load the contacts with half an ampere at least').max(80), {
        label: 'at a load of',
        quantity: 'current',
        hint: 'a lamp will do'
      }).nullable()
    })
    .refine((r) => r.coilOhm !== null || r.clicks !== null || r.restOhm !== null, {
      message: 'Measure the coil, feed it and listen, or measure the contacts',
      path: ['coilOhm']
    })
    .refine((r) => r.dropV === null || r.loadA !== null, {
      message: 'A drop says nothing without the current that flowed',
      path: ['loadA']
    });
export type RelayBenchReadings = z.infer<ReturnType<typeof readings>>;

/** Coils of 12 V relays lie here, those of 24 V at four times as much. Ω. */
const COIL = { lowOhm: 40, highOhm: 450, openOhm: 20_000, shortOhm: 15 };
/** Sound contacts have a few thousandths; above this they heat up under a fan's current. Ω. */
export const CONTACT_LIMIT_OHM = 0.02;
const REST_OPEN_OHM = 1e6;
const REST_CLOSED_OHM = 5;

/** A relay on the bench: its coil, its click, and what its contacts cost under load. */
export const relayBench = defineCheck({
  title: 'Relay on the bench',
  phases: ['B'],
  minutes: 5,
  takeOutMin: 2,
  decides: 'Coil by its resistance and click, contacts by the drop across them under load.',
  tools: ['Meter', 'Fused feed'],
  cautions: ['fused-feed'],
  measures: ['relay'],
  gate: 'none',
  results: {
    coil: { for: ['fan-relay-coil'] },
    coilSound: { against: ['fan-relay-coil'] },
    welded: { for: ['fan-relay-welded'] },
    opens: { against: ['fan-relay-welded'] },
    contacts: { for: ['fan-relay-contacts'] },
    contactsSound: { against: ['fan-relay-contacts'] }
  },
  strength: strength(0.97, 0.003, 0.03, 'meter', 'Coil and contacts measured under load'),
  lacks: withoutRelay,
  readings,
  unlikely: (r) =>
    r.coilOhm !== null && r.coilOhm > COIL.highOhm && r.coilOhm < COIL.openOhm
      ? [`A coil of ${say(r.coilOhm, 'resistance')} is more than relays usually have`]
      : [],
  judge(r) {
    const wrong: string[] = [];
    const found: ('coil' | 'coilSound' | 'welded' | 'opens' | 'contacts' | 'contactsSound')[] = [];
    const contactOhm = r.dropV !== null && r.loadA !== null ? r.dropV / r.loadA : null;
    if (r.coilOhm !== null && r.coilOhm >= COIL.openOhm) wrong.push('the coil is open');
    if (r.coilOhm !== null && r.coilOhm < COIL.shortOhm) wrong.push('the coil has shorted turns');
    if (r.clicks === 'no') wrong.push('fed, it does not click');
    if (wrong.length > 0) found.push('coil');
    else if (r.clicks === 'yes') found.push('coilSound');
    if (r.restOhm !== null && r.restOhm < REST_CLOSED_OHM) {
      wrong.push('its contacts are closed with nothing on the coil');
      found.push('welded');
    } else if (r.restOhm !== null && r.restOhm > REST_OPEN_OHM) found.push('opens');
    if (contactOhm !== null && contactOhm > CONTACT_LIMIT_OHM) {
      wrong.push(`its contacts lose ${say(r.dropV!, 'voltage', 2)} at ${say(r.loadA!, 'current', 1)}`);
      found.push('contacts');
    } else if (contactOhm !== null) found.push('contactsSound');
    const numbers = [
      ...(r.coilOhm === null
        ? []
        : [
            {
              name: 'Coil',
              value: say(r.coilOhm, 'resistance'),
              limit: `${say(COIL.lowOhm, 'resistance', 0)} to ${say(COIL.highOhm, 'resistance', 0)} usual`
            }
          ]),
      ...(r.clicks === null ? [] : [{ name: 'Fed', value: r.clicks === 'yes' ? 'clicks' : 'silent' }]),
      ...(contactOhm === null
        ? []
        : [
            {
              name: 'Contacts under load',
              value: `${(1000 * contactOhm).toFixed(0)} mΩ`,
              limit: `at most ${1000 * CONTACT_LIMIT_OHM} mΩ`
            }
          ]),
      ...(r.restOhm === null ? [] : [{ name: 'Contacts at rest', value: say(r.restOhm, 'resistance') }])
    ];
    if (wrong.length > 0) {
      const [first, ...rest] = wrong;
      const says = [first[0].toUpperCase() + first.slice(1), ...rest].join('; ');
      return outcome('fail', says, { numbers, found });
    }
    const whole = r.clicks === 'yes' && contactOhm !== null;
    return whole
      ? outcome('pass', 'Coil and contacts are sound, the contacts under load', { numbers, found })
      : outcome(
          'unclear',
          r.clicks === 'yes'
            ? 'It clicks; whether its contacts carry current is shown by the drop under load'
            : 'Nothing wrong so far: feed the coil, and load the contacts',
          { numbers, found }
        );
  },
  simulate(h) {
    const dead = h.fault === 'fan-relay-coil';
    return {
      coilOhm: h.part('coil-ohm'),
      clicks: dead ? 'no' : 'yes',
      dropV: dead ? null : h.part('contact-drop'),
      loadA: dead ? null : 10,
      restOhm: h.part('rest-ohm')
    } as const;
  },
  words: (r) =>
    [
      r.coilOhm === null ? '' : `coil ${say(r.coilOhm, 'resistance')}`,
      r.clicks === null ? '' : r.clicks === 'yes' ? 'clicks' : 'silent',
      r.dropV === null ? '' : `${say(r.dropV, 'voltage', 2)} at ${say(r.loadA!, 'current', 1)}`,
      r.restOhm === null ? '' : `at rest ${say(r.restOhm, 'resistance')}`
    ]
      .filter(Boolean)
      .join(', ')
});
