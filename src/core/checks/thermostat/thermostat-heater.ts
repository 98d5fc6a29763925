import { z } from 'zod';
import { defineField } from '../../units/field';
import { say } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { strength } from '../strength';
import { withoutHeater } from '../vehicle-has';

const OPENED = { opens: 'Opens', stays: 'Stays shut' } as const;
const DRIVEN = {
  right: 'Volts at full load only',
  always: 'Volts all the time',
  never: 'No volts at all'
} as const;
const CLOSED = { closes: 'Shuts again', stays: 'Stays open' } as const;
const readings = () =>
  z
    .object({
      /** Over-range is typed as 10M. */
      elementOhm: defineField(z.number().min(0, 'Ohms are 0 or more').max(1e9), {
        label: 'Element',
        quantity: 'resistance',
        hint: 'over-range: 10M',
        bench: { part: 'heater-ohm' }
      }).nullable(),
      powered: defineField(z.enum(['opens', 'stays']), {
        label: 'Powered, in warm water below its opening',
        choices: OPENED,
        bad: ['stays']
      }).nullable(),
      afterS: defineField(z.number().min(0, 'A time is 0 s or more').max(1800), {
        label: 'It opened after',
        quantity: 'time',
        watch: { start: 'Power on now', stop: 'It opens now' }
      }).nullable(),
      /** Volts at its plug, engine running, at light load and at full. */
      driven: defineField(z.enum(['right', 'always', 'never']), {
        label: 'Its plug, engine at work',
        choices: DRIVEN,
        bad: ['always', 'never'],
        hint: 'by meter, at light load and at full'
      })
        .nullable()
        .default(null),
      unpowered: defineField(z.enum(['closes', 'stays']), {
        label: 'Power off',
        choices: CLOSED,
        bad: ['stays']
      }).nullable()
    })
    .refine((r) => r.elementOhm !== null || r.powered !== null || r.driven !== null, {
      message: 'Measure the element, power it and watch, or measure its plug',
      path: ['elementOhm']
    });
export type ThermostatHeaterReadings = z.infer<ReturnType<typeof readings>>;

const TOLERANCE = 0.2;
const OPEN_OHM = 5000;
const SHORT_OHM = 1;
/** Elements heat the wax through in a few minutes. */
const PATIENCE_S = 300;

/** The electric element of a heated thermostat: its resistance, and whether it opens the valve and lets go again. */
export const thermostatHeater = defineCheck({
  title: 'Thermostat heater',
  phases: ['B'],
  minutes: 8,
  decides: 'Element resistance; opens when powered, shuts after; driven when it should be.',
  tools: ['Meter', 'Fused feed'],
  cautions: ['heated-bath', 'fused-feed'],
  measures: ['thermostat'],
  gate: 'none',
  results: {
    sound: { against: ['thermostat-heater-failed'] },
    failed: { for: ['thermostat-heater-failed'] },
    stays: { for: ['thermostat-stuck-open'] },
    drivenWrongly: { for: ['thermostat-map-control'] },
    drivenRightly: { against: ['thermostat-map-control'] }
  },
  strength: strength(0.97, 0.005, 0.03, 'meter', 'The element itself'),
  lacks: withoutHeater,
  readings,
  judge(r, { sheet }) {
    const due = sheet?.thermostat?.heaterOhm ?? null;
    const wrong: string[] = [];
    const found: ('failed' | 'stays' | 'drivenWrongly')[] = [];
    const driven = r.driven === 'right' ? (['drivenRightly'] as const) : [];
    if (r.elementOhm !== null && r.elementOhm >= OPEN_OHM) wrong.push('the element is open');
    else if (r.elementOhm !== null && r.elementOhm < SHORT_OHM) wrong.push('the element is shorted');
    else if (r.elementOhm !== null && due !== null && Math.abs(r.elementOhm / due - 1) > TOLERANCE)
      wrong.push(`the element has ${say(r.elementOhm, 'resistance')} and not ${say(due, 'resistance')}`);
    const waited = r.afterS === null || r.afterS >= PATIENCE_S;
    if (r.powered === 'stays' && waited) wrong.push('powered, it stays shut');
    if (wrong.length > 0) found.push('failed');
    if (r.unpowered === 'stays') {
      wrong.push('it does not shut again');
      found.push('stays');
    }
    if (r.driven === 'always' || r.driven === 'never') {
      wrong.push(r.driven === 'always' ? 'its plug has volts all the time' : 'its plug never has volts');
      found.push('drivenWrongly');
    }
    const numbers = [
      ...(r.elementOhm === null
        ? []
        : [
            {
              name: 'Element',
              value: say(r.elementOhm, 'resistance'),
              ...(due === null ? {} : { limit: `${say(due, 'resistance')} ± 20 %` })
            }
          ]),
      ...(r.powered === null
        ? []
        : [
            {
              name: 'Powered',
              value: `${OPENED[r.powered].toLowerCase()}${r.afterS === null ? '' : ` after ${r.afterS.toFixed(0)} s`}`
            }
          ]),
      ...(r.unpowered === null ? [] : [{ name: 'Power off', value: CLOSED[r.unpowered].toLowerCase() }]),
      ...(r.driven === null ? [] : [{ name: 'Its plug', value: DRIVEN[r.driven].toLowerCase() }])
    ];
    const doubts =
      due === null && r.elementOhm !== null ? ['The sheet gives no resistance for the element'] : [];
    if (wrong.length > 0) {
      const says = wrong.join('; ');
      return outcome('fail', says[0].toUpperCase() + says.slice(1), {
        numbers,
        doubts,
        found: [...found, ...driven]
      });
    }
    if (r.powered === 'opens')
      return outcome('pass', 'Opens when powered: the element works', {
        numbers,
        doubts,
        found: ['sound', ...driven]
      });
    return outcome(
      'unclear',
      r.powered === 'stays'
        ? `Still shut after ${r.afterS!.toFixed(0)} s: give it ${PATIENCE_S / 60} minutes`
        : r.elementOhm === null
          ? 'It is driven as it should be; the element itself was not tried'
          : 'The element is whole; whether it opens the valve shows with power on it',
      { numbers, doubts, found: driven }
    );
  },
  simulate(h) {
    const elementOhm = h.part('heater-ohm');
    if (elementOhm === null) return null;
    const failed = h.fault === 'thermostat-heater-failed';
    return {
      elementOhm,
      powered: failed ? 'stays' : 'opens',
      afterS: failed ? null : 120,
      driven: h.fault === 'thermostat-map-control' ? 'always' : 'right',
      unpowered: failed ? null : 'closes'
    } as const;
  },
  words: (r) =>
    [
      r.elementOhm === null ? '' : `element ${say(r.elementOhm, 'resistance')}`,
      r.powered === null ? '' : `powered: ${OPENED[r.powered].toLowerCase()}`,
      r.unpowered === null ? '' : `power off: ${CLOSED[r.unpowered].toLowerCase()}`,
      r.driven === null ? '' : `its plug: ${DRIVEN[r.driven].toLowerCase()}`
    ]
      .filter(Boolean)
      .join(', ')
});
