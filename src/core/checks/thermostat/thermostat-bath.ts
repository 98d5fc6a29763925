import { limitsOf, notGiven, originWords } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { FAST_C_PER_MIN, readBath, type BathReading } from '../../physics/thermostat/bath';
import { say, sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome, unusual } from '../check';
import { share, strength } from '../strength';
import { openingLikelihoods, type Follows, type Moves } from './opening';

const point = z.object({
  way: defineField(z.enum(['heating', 'cooling']), {
    label: 'The bath is',
    choices: { heating: 'Heating', cooling: 'Cooling' }
  }),
  bathC: defineField(
    z
      .number()
      .min(-5, 'Water in the bath is above freezing')
      .max(125, 'A bath above 125\u00a0°C is no water'),
    { label: 'Bath', quantity: 'temperature' }
  ),
  liftMm: defineField(z.number().min(0, 'A lift is 0 mm or more').max(40, 'No thermostat lifts 40 mm'), {
    label: 'Lift',
    quantity: 'length',
    hint: '0 while shut'
  }),
  atMin: defineField(z.number().min(0, 'A time is 0 min or more').max(600), {
    label: 'After',
    quantity: 'time',
    keptIn: 'min',
    hint: 'blank: now',
    stamped: true
  }).nullable()
});
const readings = () =>
  z.object({
    points: defineField(z.array(point).min(1, 'Take one reading at least').max(120), {
      label: 'Readings',
      add: 'Add the reading'
    }),
    stampedC: defineField(
      z
        .number()
        .min(40, 'A thermostat is stamped with 40 to 130\u00a0°C')
        .max(130, 'A thermostat is stamped with 40 to 130\u00a0°C'),
      { label: 'Stamped on it', quantity: 'temperature', hint: 'if it is' }
    ).nullable()
  });
export type ThermostatBathReadings = z.infer<ReturnType<typeof readings>>;

/** Thermostats of one rating differ by this much, and a bath thermometer adds to it, °C. */
const START_OFF_C = 4;
const STAMP_OFF_C = 2.5;
/** Shut, a thermostat may have a bleed hole but no lift, mm. */
const COLD_LEAK_MM = 0.3;
/** One that lifts no further than this is stuck, whatever lift its maker gives, mm. */
const HARDLY_MM = 2;
/** How far opening and closing lie apart at most. */
const HYSTERESIS_C = 9;

/** Where one of its rating starts in a bath: most within 2 °C, some a few degrees early. */
const STARTS: Follows = [
  { share: 0.9, meanC: 0, sdC: 2.2 },
  { share: 0.1, meanC: -3, sdC: 3 }
];
/** How often the figure on it is the one it opens at, where its rating is cooler, and where the sheet is wrong. */
const STAMPED: Readonly<Record<Moves, number>> = { 'thermostat-low-rating': 0.6, 'sheet-wrong': 0.95 };

/** Where it starts, as far as the readings tell. */
const sayStart = ({ startC, startBetweenC }: BathReading): string =>
  startBetweenC ? `between ${startBetweenC.map((c) => sayC(c)).join(' and ')}` : `at ${sayC(startC!)}`;

/** How far from the sheet’s it starts, at least and at most, °C; null where it did not open. */
function startsOff({ startC, startBetweenC }: BathReading, wantedC: number) {
  if (startC === null) return null;
  const [first, last] = startBetweenC ?? [startC, startC];
  return { least: first - wantedC, most: last - wantedC };
}
const onTime = ({ least, most }: { readonly least: number; readonly most: number }): boolean =>
  least >= -START_OFF_C && most <= START_OFF_C;

/** What start and stamp say of a cooler part and of a wrong sheet. */
function bathLikelihoods(r: ThermostatBathReadings, sheet: SpecSheet | null): Partial<Record<Moves, number>> {
  const { startC, startBetweenC } = readBath(r.points);
  if (startC === null || startBetweenC) return {};
  const by = openingLikelihoods(startC, sheet, STARTS);
  const wantedC = limitsOf(sheet).startOpenC.value;
  if (r.stampedC === null || Math.abs(startC - wantedC) <= START_OFF_C) return by;
  const own = Math.abs(r.stampedC - startC) <= STAMP_OFF_C;
  const sheets = Math.abs(r.stampedC - wantedC) <= STAMP_OFF_C;
  if (own === sheets) return by;
  return Object.fromEntries(
    (Object.entries(by) as [Moves, number][]).map(([fault, nats]) => [
      fault,
      nats + Math.log(own ? STAMPED[fault] : 1 - STAMPED[fault])
    ])
  );
}

type Found =
  | 'shuts'
  | 'leaks'
  | 'onTime'
  | 'early'
  | 'late'
  | 'coolerPart'
  | 'byItsStamp'
  | 'hotterPart'
  | 'lifts'
  | 'shortLift'
  | 'lets'
  | 'drags';

/** A thermostat in a heated bath: where it starts, how far it lifts, where it shuts, and whether it leaks cold. */
export const thermostatBath = defineCheck({
  title: 'Thermostat in a bath',
  phases: ['B'],
  minutes: 20,
  decides:
    'Start, full open, lift, closing and hysteresis against the sheet; a cold leak; the stamped rating.',
  tools: ['Heated bath', 'Thermometer', 'Lift gauge'],
  cautions: ['heated-bath'],
  measures: ['thermostat'],
  gate: 'none',
  results: {
    shuts: { against: ['thermostat-stuck-open'] },
    leaks: { for: ['thermostat-stuck-open'] },
    onTime: { against: ['thermostat-low-rating', 'sheet-wrong'] },
    early: { for: ['thermostat-low-rating', 'sheet-wrong'] },
    late: { for: ['thermostat-sluggish', 'thermostat-stuck-closed', 'sheet-wrong'] },
    coolerPart: { for: ['thermostat-low-rating'] },
    lifts: { against: ['thermostat-stuck-closed'] },
    shortLift: { for: ['thermostat-stuck-closed'] },
    lets: { against: ['thermostat-sluggish'] },
    drags: { for: ['thermostat-sluggish'] },
    // It opens where its own number says, and the sheet wants another: the sheet is wrong, or the part was never right.
    byItsStamp: {
      for: ['sheet-wrong'],
      strength: share(0.8, 0.03, 0.5, 'The part does what it says of itself')
    },
    hotterPart: {
      for: ['thermostat-sluggish'],
      strength: share(0.3, 0.08, 0.5, 'The part does what it says of itself, and that may be the wrong part')
    }
  },
  strength: strength(0.96, 0.015, 0.03, 'itself', 'The part itself, measured over its whole range', {
    'thermostat-stuck-open': share(0.97, 0.004, 0.03, 'It passes when cold, or it does not'),
    'thermostat-low-rating': share(0.97, 0.08, 0.03, 'Good ones open some degrees early too'),
    'sheet-wrong': share(0.97, 0.08, 0.03, 'Good ones open some degrees early too')
  }),
  readings,
  likelihoods: (r, { sheet }) => bathLikelihoods(r, sheet),
  unlikely(r) {
    return readBath(r.points).against.map((i) => {
      const p = r.points[i];
      return `Row ${i + 1}: ${p.way === 'heating' ? 'the lift went down while heating' : 'the lift went up while cooling'}, ${say(p.liftMm, 'length')} at ${sayC(p.bathC)}`;
    });
  },
  judge(r, { sheet }) {
    const b = readBath(r.points);
    const given = sheet?.thermostat;
    const startC = given?.startOpenC ?? null;
    const { minLiftMm, fullOpenC } = limitsOf(sheet);
    const least = minLiftMm.value;
    const fullC = startC === null ? null : fullOpenC.value;
    const hottestC = Math.max(...r.points.map((p) => p.bathC));
    const wrong: string[] = [];
    const found: Found[] = [];
    if (b.coldLiftMm !== null && b.coldLiftMm > COLD_LEAK_MM) {
      wrong.push(`open by ${say(b.coldLiftMm, 'length')} when cold: it leaks`);
      found.push('leaks');
    } else if (b.coldLiftMm !== null) found.push('shuts');
    const coarse = b.startBetweenC !== null;
    const off = startC === null ? null : startsOff(b, startC);
    const byItsStamp =
      r.stampedC !== null && b.startC !== null && !coarse && Math.abs(r.stampedC - b.startC) <= STAMP_OFF_C;
    if (off !== null && off.most < -START_OFF_C) {
      wrong.push(
        `starts ${sayStart(b)}, ${sayDeltaC(-off.most)} below the sheet’s ${sayC(startC!)}: a cooler part`
      );
      found.push('early');
      if (byItsStamp) found.push('byItsStamp');
    } else if (off !== null && off.least > START_OFF_C) {
      wrong.push(`starts ${sayStart(b)}, ${sayDeltaC(off.least)} above the sheet’s ${sayC(startC!)}: late`);
      if (byItsStamp) found.push('byItsStamp', 'hotterPart');
      else found.push('late');
    } else if (off !== null && onTime(off)) found.push('onTime');
    if (startC !== null && r.stampedC !== null && Math.abs(r.stampedC - startC) > STAMP_OFF_C) {
      wrong.push(`stamped ${sayC(r.stampedC)}, and the sheet wants ${sayC(startC)}`);
      if (r.stampedC < startC) found.push('coolerPart');
    }
    const hotEnough = fullC !== null && hottestC >= fullC + 3;
    const short = hotEnough && b.liftMm < least * 0.9;
    const lift = `lifts ${say(b.liftMm, 'length')} at ${sayC(hottestC)}, at least ${say(least, 'length')} wanted`;
    const liftsAsked = notGiven(minLiftMm, fullOpenC);
    const shortOfGiven = short && (liftsAsked.length === 0 || b.liftMm <= HARDLY_MM);
    if (shortOfGiven) {
      wrong.push(lift);
      found.push('shortLift');
    } else if (hotEnough && !short) found.push('lifts');
    const { hysteresisC } = b;
    if (hysteresisC !== null && hysteresisC > HYSTERESIS_C) {
      wrong.push(`shuts ${sayDeltaC(hysteresisC)} below where it opens: it drags`);
      found.push('drags');
    } else if (hysteresisC !== null && off !== null && onTime(off)) found.push('lets');
    const fast = b.rateCPerMin !== null && b.rateCPerMin > FAST_C_PER_MIN;
    const doubts = [
      ...(fast
        ? [
            `The bath warmed at ${sayDeltaC(b.rateCPerMin!)} a minute; above ${sayDeltaC(FAST_C_PER_MIN)} the wax lags, and ${sayDeltaC(b.lagC)} were taken off for it`
          ]
        : []),
      ...(b.against.length > 0
        ? [
            b.against.length === 1
              ? 'One reading went the wrong way and is left out of the lines'
              : `${b.against.length} readings went the wrong way and are left out of the lines`
          ]
        : []),
      ...(coarse
        ? [
            `Readings lie too far apart where it opened, ${sayStart(b)}: let it cool, and read every degree or two there`
          ]
        : []),
      ...(startC === null
        ? ['Without a sheet that gives the opening temperature there is nothing to hold these against']
        : [])
    ];
    const numbers = [
      ...(b.startC === null
        ? []
        : [
            {
              name: 'Starts to open',
              value: coarse ? sayStart(b) : sayC(b.startC),
              ...(startC === null ? {} : { limit: `${sayC(startC)} ± ${sayDeltaC(START_OFF_C, 0)}` })
            }
          ]),
      ...(b.fullC === null
        ? []
        : [
            {
              name: 'Full open',
              value: sayC(b.fullC),
              ...(fullC === null ? {} : { limit: `${sayC(fullC)}, ${originWords(fullOpenC)}` })
            }
          ]),
      {
        name: 'Lift',
        value: say(b.liftMm, 'length'),
        limit: `at least ${say(least, 'length')}, ${originWords(minLiftMm)}`
      },
      ...(b.closedC === null
        ? []
        : [
            {
              name: 'Closed again at',
              value: sayC(b.closedC),
              ...(given?.closedByC ? { limit: sayC(given.closedByC) } : {})
            }
          ]),
      ...(hysteresisC === null
        ? []
        : [
            {
              name: 'Hysteresis',
              value: sayDeltaC(hysteresisC),
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
    if (wrong.length > 0) {
      const says = wrong.join('; ');
      return outcome('fail', says[0].toUpperCase() + says.slice(1), { numbers, doubts, found });
    }
    // Most lift as far as that: against a lift or a full opening that nobody gave it is unusual, and no more.
    if (short)
      return unusual(
        outcome('fail', lift[0].toUpperCase() + lift.slice(1), {
          numbers,
          doubts,
          found: [...found, 'shortLift']
        }),
        'full opening and lift',
        ...liftsAsked
      );
    if (b.startC === null)
      return outcome(
        'unclear',
        hotEnough
          ? 'Has not opened'
          : `Has not opened by ${sayC(hottestC)}: go on${fullC === null ? '' : ` to ${sayC(fullC + 3)}`}`,
        { numbers, doubts }
      );
    return hotEnough && !coarse
      ? outcome(
          'pass',
          `Starts at ${sayC(b.startC)} and lifts ${say(b.liftMm, 'length')}: as the sheet wants`,
          { numbers, doubts, found }
        )
      : outcome(
          'unclear',
          `Starts ${sayStart(b)}${fullC === null || hotEnough ? '' : `; heat on to ${sayC(fullC + 3)} for its full lift`}`,
          {
            numbers,
            doubts,
            found: found.filter((f) => f === 'onTime' || (hotEnough && f === 'lifts'))
          }
        );
  },
  simulate(h) {
    const bath = h.bath();
    const points = [];
    for (let s = 0; s < 4 * 3600 && !bath.done; s += 150) {
      bath.advanceTo(s);
      const { bathC, liftMm, atMin, way } = bath.read(h.random);
      points.push({ bathC, liftMm, atMin, way });
    }
    // A part of another rating has another figure on it, where it can be read; one that fails has the right one.
    const another = h.fault === 'thermostat-low-rating' || h.fault === 'sheet-wrong';
    const own = another ? h.plant.startOpenC : limitsOf(h.spec).startOpenC.value;
    return { points: points.slice(0, 120), stampedC: h.chance(0.5) ? Math.round(own) : null };
  },
  words(r) {
    const b = readBath(r.points);
    return `${r.points.length} reading${r.points.length === 1 ? '' : 's'}${b.startC === null ? '' : `, starts ${sayStart(b)}`}, lift ${say(b.liftMm, 'length')}${r.stampedC === null ? '' : `, stamped ${sayC(r.stampedC)}`}`;
  }
});
