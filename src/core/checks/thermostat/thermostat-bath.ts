import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { FAST_C_PER_MIN, readBath } from '../../physics/thermostat/bath';
import { say, sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome, speaksAgainst, speaksFor, type Point } from '../check';
import { share, strength } from '../strength';

const point = z.object({
  bathC: z
    .number()
    .min(-5, 'Water in the bath is above freezing')
    .max(125, 'A bath above 125 °C is no water'),
  liftMm: z.number().min(0, 'A lift is 0 mm or more').max(40, 'No thermostat lifts 40 mm'),
  way: z.enum(['heating', 'cooling']),
  atMin: z.number().min(0, 'A time is 0 min or more').max(600).nullable()
});
const readings = z.object({
  points: z.array(point).min(1, 'Take one reading at least').max(120),
  stampedC: z
    .number()
    .min(40, 'A thermostat is stamped with 40 to 130 °C')
    .max(130, 'A thermostat is stamped with 40 to 130 °C')
    .nullable()
});
export type ThermostatBathReadings = z.infer<typeof readings>;

/** Thermostats of one rating differ by this much, and a bath thermometer adds to it, °C. */
const START_OFF_C = 4;
const STAMP_OFF_C = 2.5;
/** Shut, a thermostat may have a bleed hole but no lift, mm. */
const COLD_LEAK_MM = 0.3;
/** How far opening and closing lie apart at most. */
const HYSTERESIS_C = 9;

/** A thermostat in a heated bath: where it starts, how far it lifts, where it shuts, and whether it leaks cold. */
export const thermostatBath = defineCheck<ThermostatBathReadings>({
  title: 'Thermostat in a bath',
  phases: ['B'],
  minutes: 20,
  decides:
    'Start, full open, lift, closing and hysteresis against the sheet; a cold leak; the stamped rating.',
  tools: ['Heated bath', 'Thermometer', 'Lift gauge'],
  cautions: ['heated-bath'],
  gate: 'none',
  speaksTo: [
    'thermostat-stuck-open',
    'thermostat-stuck-closed',
    'thermostat-low-rating',
    'thermostat-sluggish'
  ],
  strength: strength(0.96, 0.015, 0.03, 'itself', 'The part itself, measured over its whole range', {
    'thermostat-stuck-open': share(0.97, 0.004, 0.03, 'It passes when cold, or it does not'),
    'thermostat-low-rating': share(0.97, 0.08, 0.03, 'Good ones open some degrees early too')
  }),
  readings,
  unlikely(r) {
    return readBath(r.points).against.map((i) => {
      const p = r.points[i];
      return `Row ${i + 1}: ${p.way === 'heating' ? 'the lift went down while heating' : 'the lift went up while cooling'}, ${say(p.liftMm, 'length')} at ${sayC(p.bathC)}`;
    });
  },
  judge(r, { sheet }) {
    const b = readBath(r.points);
    const spec = sheet?.thermostat ?? null;
    const least = limitsOf(sheet).minLiftMm.value;
    const hottestC = Math.max(...r.points.map((p) => p.bathC));
    const wrong: string[] = [];
    const points: Point[] = [];
    const fine: string[] = [];
    if (b.coldLiftMm !== null && b.coldLiftMm > COLD_LEAK_MM) {
      wrong.push(`open by ${say(b.coldLiftMm, 'length')} when cold: it leaks`);
      points.push(...speaksFor('thermostat-stuck-open'));
    } else if (b.coldLiftMm !== null) fine.push('thermostat-stuck-open');
    const offC = spec && b.startC !== null ? b.startC - spec.startOpenC : null;
    if (offC !== null && offC < -START_OFF_C) {
      wrong.push(
        `starts at ${sayC(b.startC!)}, ${sayDeltaC(-offC)} below the sheet’s ${sayC(spec!.startOpenC)}: a cooler part`
      );
      points.push(...speaksFor('thermostat-low-rating'));
    } else if (offC !== null && offC > START_OFF_C) {
      wrong.push(
        `starts at ${sayC(b.startC!)}, ${sayDeltaC(offC)} above the sheet’s ${sayC(spec!.startOpenC)}: late`
      );
      points.push(...speaksFor('thermostat-sluggish', 'thermostat-stuck-closed'));
    } else if (offC !== null) fine.push('thermostat-low-rating');
    if (spec && r.stampedC !== null && Math.abs(r.stampedC - spec.startOpenC) > STAMP_OFF_C) {
      wrong.push(`stamped ${sayC(r.stampedC)}, and the sheet wants ${sayC(spec.startOpenC)}`);
      if (r.stampedC < spec.startOpenC) points.push(...speaksFor('thermostat-low-rating'));
    }
    const hotEnough = spec !== null && hottestC >= spec.fullOpenC + 3;
    if (hotEnough && b.liftMm < least * 0.9) {
      wrong.push(
        `lifts ${say(b.liftMm, 'length')} at ${sayC(hottestC)}, at least ${say(least, 'length')} wanted`
      );
      points.push(...speaksFor('thermostat-stuck-closed'));
    } else if (hotEnough) fine.push('thermostat-stuck-closed');
    if (b.hysteresisC !== null && b.hysteresisC > HYSTERESIS_C) {
      wrong.push(`shuts ${sayDeltaC(b.hysteresisC)} below where it opens: it drags`);
      points.push(...speaksFor('thermostat-sluggish'));
    } else if (b.hysteresisC !== null && offC !== null && Math.abs(offC) <= START_OFF_C)
      fine.push('thermostat-sluggish');
    const fast = b.rateCPerMin !== null && b.rateCPerMin > FAST_C_PER_MIN;
    const doubts = [
      ...(fast
        ? [
            `The bath warmed at ${sayDeltaC(b.rateCPerMin!)} a minute; above ${sayDeltaC(FAST_C_PER_MIN)} the wax lags, and ${sayDeltaC(b.lagC)} were taken off for it`
          ]
        : []),
      ...(b.against.length > 0
        ? [`${b.against.length} reading went against its way and is left out of the lines`]
        : []),
      ...(spec ? [] : ['Without a sheet there is nothing to hold these temperatures against'])
    ];
    const numbers = [
      ...(b.startC === null
        ? []
        : [
            {
              name: 'Starts to open',
              value: sayC(b.startC),
              ...(spec ? { limit: `${sayC(spec.startOpenC)} ± ${sayDeltaC(START_OFF_C, 0)}` } : {})
            }
          ]),
      ...(b.fullC === null
        ? []
        : [
            {
              name: 'Full open',
              value: sayC(b.fullC),
              ...(spec ? { limit: `${sayC(spec.fullOpenC)}` } : {})
            }
          ]),
      { name: 'Lift', value: say(b.liftMm, 'length'), limit: `at least ${say(least, 'length')}` },
      ...(b.closedC === null
        ? []
        : [
            {
              name: 'Shut again by',
              value: sayC(b.closedC),
              ...(spec?.closedByC ? { limit: sayC(spec.closedByC) } : {})
            }
          ]),
      ...(b.hysteresisC === null
        ? []
        : [
            {
              name: 'Hysteresis',
              value: sayDeltaC(b.hysteresisC),
              limit: `at most ${sayDeltaC(HYSTERESIS_C, 0)}`
            }
          ]),
      ...(b.coldLiftMm === null
        ? []
        : [
            {
              name: 'Lift when cold',
              value: say(b.coldLiftMm, 'length'),
              limit: `at most ${say(COLD_LEAK_MM, 'length')}`
            }
          ]),
      ...(r.stampedC === null ? [] : [{ name: 'Stamped', value: sayC(r.stampedC) }])
    ];
    points.push(
      ...speaksAgainst(...(fine.filter((f) => !points.some((p) => p.fault === f)) as Point['fault'][]))
    );
    if (wrong.length > 0) {
      const says = wrong.join('; ');
      return outcome('fail', says[0].toUpperCase() + says.slice(1), { numbers, doubts, points });
    }
    if (b.startC === null)
      return outcome(
        'unclear',
        hotEnough
          ? 'Has not opened'
          : `Has not opened by ${sayC(hottestC)}: go on${spec ? ` to ${sayC(spec.fullOpenC + 3)}` : ''}`,
        { numbers, doubts }
      );
    return hotEnough && spec
      ? outcome(
          'pass',
          `Starts at ${sayC(b.startC)} and lifts ${say(b.liftMm, 'length')}: as the sheet wants`,
          { numbers, doubts, points }
        )
      : outcome(
          'unclear',
          `Starts at ${sayC(b.startC)}${spec ? `; heat on to ${sayC(spec.fullOpenC + 3)} for its full lift` : ''}`,
          {
            numbers,
            doubts,
            points: points.filter((p) => p.fault === 'thermostat-low-rating')
          }
        );
  },
  words(r) {
    const b = readBath(r.points);
    return `${r.points.length} readings${b.startC === null ? '' : `, starts at ${sayC(b.startC)}`}, lift ${say(b.liftMm, 'length')}${r.stampedC === null ? '' : `, stamped ${sayC(r.stampedC)}`}`;
  }
});
