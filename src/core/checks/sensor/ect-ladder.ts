import type { Hands } from '../hands';
import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { meaningsOf, ohmsOf, type SensorCircuit } from '../../physics/thermistor/circuit';
import { resistanceAt, temperatureAt } from '../../physics/thermistor/curve';
import type { Curve } from '../../vehicle/sensor-curve';
import { flatAt, readLadder, type LadderPoint, type LadderReading } from '../../physics/thermistor/errors';
import { matches, type LibraryCurve } from '../../physics/thermistor/library';
import { sayC, sayDeltaC, saySignedC } from '../../units/say';
import { AGREE_WITHIN_C } from './cold-agreement';
import { defineCheck, outcome, type Judged } from '../check';
import {
  LADDER_RESULTS,
  SAYS,
  sayFlat,
  sayOhm,
  sayV,
  toSettle,
  withStrays,
  type LadderResult
} from './ladder-explained';
import { share, strength } from '../strength';
import { instrumentSchema, readWith, type InstrumentId } from '../../measure/instruments';
import { coolantC, refuseHotter } from '../../measure/temperature';

const point = z
  .object({
    celsius: defineField(coolantC, {
      label: 'True temperature',
      quantity: 'temperature',
      bench: { instrument: 'probe', place: 'outlet' }
    }),
    ohm: defineField(
      z
        .number()
        .positive('A resistance is above 0 Ω; a meter that shows over-range is 10 MΩ')
        .max(1e9, 'More than 1 GΩ is an open circuit: type 10M'),
      {
        label: 'Sensor ohms',
        quantity: 'resistance',
        hint: 'plug off; over-range: 10M',
        bench: { instrument: 'multimeter', place: 'sensor' }
      }
    ).nullable(),
    volts: defineField(
      z.number().min(0, 'Volts are 0 or more').max(48, 'More than 48 V is no sensor circuit'),
      { label: 'or sensor volts', quantity: 'voltage', hint: 'plugged in' }
    ).nullable(),
    instrument: defineField(instrumentSchema, {
      label: 'True temperature',
      takenWith: { place: 'ladder', choices: ['contact', 'glass', 'infrared', 'infrared-bright', 'scan'] }
    })
  })
  .refine((p) => (p.ohm === null) !== (p.volts === null), {
    message: 'Measure ohms or volts',
    path: ['ohm']
  });
const readings = () =>
  z.object({
    points: defineField(
      z.array(point).min(1, 'Take a reading at least').max(24, 'Two dozen readings are plenty'),
      { label: 'Points', add: 'Add the point' }
    )
  });
export type EctLadderReadings = z.infer<ReturnType<typeof readings>>;

/** Of an instrument’s ±, how much shifts all its readings alike, and how much each by itself. */
const SHARED = 0.85;
const OWN = 0.53;
const Z95 = 1.96;
/** What is held against a surface, and not into the coolant. */
const ON_SURFACE: ReadonlySet<InstrumentId> = new Set(['contact', 'infrared', 'infrared-bright']);
/** Nobody writes the air down at each point: no warmer than this, and no warmer than the coldest point. */
const USUAL_AIR_C = 20;
/** A workshop meter, with its leads and the contact of its tips. */
const METER_SD = 0.008;
/** Reads off by more than this, and the engine is run or warned wrongly: a finding even before its kind is known. */
const OFF_C = 5;

/** Without a word of it, a second pull-up goes out so far below where it comes in. */
const SECOND_OUT_C = 5;

/** The divider of the sheet; null where reference, pull-up or where it switches is not known and volts say nothing. */
export function circuitOf(sheet: SpecSheet | null): SensorCircuit | null {
  const { referenceV, pullUpOhm, switchedPullUp } = sheet?.ect ?? {};
  if (!referenceV || !pullUpOhm) return null;
  const { pullUpOhm: second, toWarmC, toColdC } = switchedPullUp ?? {};
  if (!second) return { referenceV, pullUpOhm, warm: null };
  if (toWarmC == null) return null;
  return {
    referenceV,
    pullUpOhm,
    warm: { pullUpOhm: second, toWarmC, toColdC: toColdC ?? toWarmC - SECOND_OUT_C }
  };
}

/** Resistance of a point: as measured, or from its volts in the range that fits its temperature best. */
function ohmOf(
  p: EctLadderReadings['points'][number],
  circuit: SensorCircuit | null,
  curve: Curve
): number | null {
  if (p.ohm !== null) return p.ohm;
  if (!circuit || p.volts === null || p.volts <= 0 || p.volts >= circuit.referenceV) return null;
  const meant = meaningsOf(circuit, curve, p.volts).sort(
    (a, b) => Math.abs(a.celsius - p.celsius) - Math.abs(b.celsius - p.celsius)
  )[0];
  return ohmsOf(circuit, p.volts, meant?.range ?? 'cold');
}

/** A ladder against the sheet’s curve: what was read, or null where nothing can be held against anything. */
export interface JudgedLadder extends LadderReading {
  readonly curve: Curve;
  readonly points: readonly JudgedPoint[];
  /** Read as open or shorted where others were not: no curve is held against them. */
  readonly strays: readonly JudgedPoint[];
}
type JudgedPoint = LadderPoint & { readonly index: number };

/**
 * Reads the complete points of a ladder by the sheet’s curve, and by the `curves` that may be fitted instead; null
 * without a curve or without a point.
 */
export function ladderOf(
  points: EctLadderReadings['points'],
  sheet: SpecSheet | null,
  curves: readonly LibraryCurve[]
): JudgedLadder | null {
  const curve = sheet?.ect?.curve;
  if (!curve) return null;
  const circuit = circuitOf(sheet);
  const measured = points.flatMap((p, index): JudgedPoint[] => {
    const ohm = ohmOf(p, circuit, curve);
    const sd = p.instrument.uncertaintyC / Z95;
    const onSurface = ON_SURFACE.has(p.instrument.kind);
    return ohm === null
      ? []
      : [{ index, trueC: p.celsius, trueSdC: sd * OWN, ohm, ohmSd: METER_SD, onSurface }];
  });
  if (measured.length === 0) return null;
  const ofSensor = measured.filter((p) => flatAt(p.ohm) === null);
  const read = ofSensor.length > 0 ? ofSensor : measured;
  const slope = Math.abs(Math.log(resistanceAt(curve, 61) / resistanceAt(curve, 60)));
  const tolerance = limitsOf(sheet).tolerancePct.value / 100 / Z95 / slope;
  const thermometer = Math.max(...points.map((p) => p.instrument.uncertaintyC)) / Z95;
  const byVolts = circuit && points.every((p) => p.ohm === null) && !circuit.warm ? circuit : null;
  const reading = readLadder(read, {
    curve,
    commonSdC: Math.hypot(tolerance, thermometer * SHARED),
    airC: Math.min(USUAL_AIR_C, ...read.map((p) => p.trueC)),
    others: curves.filter((l) => apart(l.curve, curve)),
    byVolts
  });
  return { ...reading, curve, points: read, strays: measured.filter((p) => !read.includes(p)) };
}

/** A family that a sensor of this sheet could be told from: 4 °C away somewhere on the engine’s range. */
const apart = (a: Curve, b: Curve): boolean =>
  [20, 60, 95].some((c) => Math.abs(temperatureAt(b, resistanceAt(a, c)) - c) > 4);

/** Pairs of temperature and resistance over the warm-up: which error of the sensor or its circuit fits them. */
export const ectLadder = defineCheck({
  title: 'ECT ladder',
  phases: ['C', 'W', 'R'],
  minutes: 10,
  decides: 'Which error of the sensor fits pairs of temperature and resistance over the warm-up.',
  tools: ['Meter', 'Thermometer'],
  cautions: ['hot-parts', 'fan-starts'],
  measures: ['ect-sensor'],
  gate: 'none',
  results: LADDER_RESULTS,
  strength: strength(0.95, 0.005, 0.03, 'thermometer', 'A whole curve; the shape names the cause', {
    'ect-wiring': share(0.05, 0.02, 0.9, 'Ohms are measured with the plug off'),
    'ect-wrong-part': share(0.9, 0.006, 0.06, 'Some families lie near each other')
  }),
  readings,
  // The old sensor lies in the air that the substitution measured: its ohms there are the first rung.
  beginsRow: ({ sensor: { air } }) => air ?? {},
  sensorReadings(r, sheet) {
    const curve = sheet?.ect?.curve;
    const circuit = circuitOf(sheet);
    if (!curve) return [];
    return r.points.flatMap((p) => {
      const ohm = ohmOf(p, circuit, curve);
      return ohm === null
        ? []
        : [
            {
              readsC: temperatureAt(curve, ohm),
              trueC: p.celsius,
              sdC: p.instrument.uncertaintyC / Z95,
              at: 'engine' as const,
              of: p.ohm === null ? ('both' as const) : ('sensor' as const)
            }
          ];
    });
  },
  refuse(r, sheet) {
    const circuit = circuitOf(sheet);
    const tooHot = r.points
      .map((p, i) => refuseHotter(`points.${i}.celsius`, p.celsius, sheet))
      .filter((p) => p !== undefined);
    const tooHigh = r.points.flatMap((p, i) =>
      circuit && p.volts !== null && p.volts > circuit.referenceV * 1.02
        ? [
            {
              field: `points.${i}.volts`,
              message: `${sayV(p.volts)} is above the reference of ${sayV(circuit.referenceV)}`
            }
          ]
        : []
    );
    return [...tooHot, ...tooHigh];
  },
  facts: (r, at) => [
    { kind: 'measured', at, coolantC: r.points[r.points.length - 1].celsius, ambientC: null }
  ],
  judge(r, { sheet, curves }) {
    const ladder = ladderOf(r.points, sheet, curves);
    if (!ladder) return withoutCurve(r, sheet, curves);
    const { points, strays, readsOffC, curve } = ladder;
    const numbers = [...points, ...strays].map((p, i) => ({
      name: `At ${sayC(p.trueC)}: ${sayOhm(p.ohm)}, its curve ${sayOhm(resistanceAt(curve, p.trueC))}`,
      // A stray is open or shorted: it has no difference.
      value: sayFlat(p.ohm) ?? saySignedC(readsOffC[i]),
      limit: `± ${sayDeltaC(OFF_C)}`
    }));
    const lost = r.points.length - points.length - strays.length;
    const doubts =
      lost > 0
        ? [
            `The volts of ${lost} point${lost === 1 ? '' : 's'} cannot be judged: the sheet lacks the reference, the pull-up or where it switches, or they lie outside the reference. Ohms can be`
          ]
        : [];
    const found = withStrays(judged(ladder), strays);
    const byOhms = points.every((p) => r.points[p.index].ohm !== null);
    const named = found.found.map((name) =>
      byOhms && (name === 'sound' || name === 'otherCurve') ? (`${name}ByOhms` as const) : name
    );
    return { ...found, found: named, numbers, doubts };
  },
  simulate(h) {
    const engine = h.cold();
    const stopC = limitsOf(h.spec).stopC.value;
    const points = [0, 5, 9, 14, 20].flatMap((minutes) => {
      if (minutes > 0) engine.start();
      engine.advanceTo(60 * minutes);
      const { sensorC, outletC } = engine.truth();
      // Nobody goes on over the stop limit.
      if (outletC > stopC) return [];
      return {
        ...readWith(sensorC + h.noise(0.7), 'contact'),
        ohm: Number((simulateOhm(h, sensorC) * (1 + h.noise(0.004))).toPrecision(4)),
        volts: null
      };
    });
    return { points };
  },
  words: (r) =>
    `${r.points.length} point${r.points.length === 1 ? '' : 's'}: ${r.points
      .map((p) => `${sayC(p.celsius)} ${p.ohm === null ? sayV(p.volts!) : sayOhm(p.ohm)}`)
      .join(', ')}`
});

function withoutCurve(
  r: EctLadderReadings,
  sheet: SpecSheet | null,
  curves: readonly LibraryCurve[]
): Judged<LadderResult> {
  if (sheet?.ect?.curve)
    return outcome(
      'unclear',
      'Volts say nothing without reference, pull-up and where it switches in the sheet: measure ohms'
    );
  const pairs = r.points.flatMap((p) => (p.ohm === null ? [] : [[p.celsius, p.ohm] as const]));
  if (pairs.length === 0)
    return outcome('unclear', 'The sheet has no sensor curve, and volts alone cannot find one');
  const [best, next] = matches(curves, pairs);
  return outcome(
    'unclear',
    `The sheet has no sensor curve. Nearest family: ${best.title}, within ${sayDeltaC(best.residualC)}; the next is off by ${sayDeltaC(next.residualC)}`
  );
}

function judged(ladder: JudgedLadder): Judged<LadderResult> {
  const { best, readsOffC, settled, notFitted, points } = ladder;
  if (points.every((p) => flatAt(p.ohm) !== null) && best.id !== 'open' && best.id !== 'short')
    return outcome(
      'unclear',
      'It reads as open and as shorted in turn: see to the meter’s tips, and measure again'
    );
  const worst = readsOffC.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  if (notFitted && best.id === 'healthy') {
    const off = Math.abs(worst) > OFF_C;
    return outcome(
      off ? 'fail' : 'unclear',
      `${off ? `Reads ${sayDeltaC(Math.abs(worst))} ${worst > 0 ? 'hot' : 'cold'} here` : 'On its curve here'}. ${notFitted}`,
      { found: off ? [worst > 0 ? 'hotHere' : 'coldHere'] : [] }
    );
  }
  if (best.id === 'healthy' && Math.abs(worst) <= OFF_C)
    return settled
      ? outcome('pass', `On its curve at ${readsOffC.length} points, within ${sayDeltaC(Math.abs(worst))}`, {
          found: ['sound']
        })
      : outcome('unclear', `On its curve so far${toSettle(ladder)}`);
  const { says, found } = SAYS[best.id](best, worst);
  if (Math.abs(worst) <= AGREE_WITHIN_C)
    return outcome('pass', `${says}: within ${sayDeltaC(AGREE_WITHIN_C)}, which changes nothing`, {
      found: ['near']
    });
  // What is not settled speaks for what fits best and against nothing yet. That a known family happens to fit is the
  // rarer thing: another explanation beside it is left open, and where it comes second it is spoken for as well.
  const rival = ladder.rival?.id === 'other-curve' ? (['otherCurve'] as const) : [];
  // What the thermometer may be off by itself is no finding, however far that is.
  const off = best.id !== 'healthy' && (settled || Math.abs(worst) > OFF_C);
  return outcome(off ? 'fail' : 'unclear', `${says}${toSettle(ladder)}`, {
    found: settled ? found : [...found, ...rival],
    open: !settled
  });
}

/** What an ohmmeter finds at the sensor: faults of the loom are not in it. */
function simulateOhm(h: Hands, sensorC: number): number {
  const { sensorError: e, curve } = h.plant;
  const own = resistanceAt(curve, sensorC);
  if (h.fault === 'ect-wiring') return own;
  switch (e.kind) {
    case 'series':
      return own + e.ohm;
    case 'parallel':
      return (own * e.ohm) / (own + e.ohm);
    case 'shift':
      return resistanceAt(curve, sensorC + e.celsius);
    case 'curve':
      return resistanceAt(e.curve, sensorC);
    case 'fixed':
      return e.readsC < 0 ? 10e6 : 0.4;
    default:
      return own;
  }
}
