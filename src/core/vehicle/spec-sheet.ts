import { z } from 'zod';
import { defineField, type FieldWords } from '../units/field';
import type { QuantityKind } from '../units/units';

const degrees = z.number().min(-60).max(250);
const positive = z.number().positive();

type Words = Partial<FieldWords>;
const celsius = (label: string, more: Words = {}) =>
  defineField(degrees, { label, quantity: 'temperature', ...more });
const amount = (label: string, quantity: QuantityKind, type: z.ZodNumber = positive, more: Words = {}) =>
  defineField(type, { label, quantity, ...more });
const words = (label: string, most: number, more: Words = {}) =>
  defineField(z.string().trim().max(most), { label, ...more });
const yes = (label: string, more: Words = {}) => defineField(z.boolean(), { label, ...more });
const choice = <const T extends Record<string, string>>(label: string, choices: T, more: Words = {}) =>
  defineField(z.enum(Object.keys(choices) as [keyof T & string, ...(keyof T & string)[]]), {
    label,
    choices,
    ...more
  });
/** Points of a curve, a row each. */
const table = (label: string, columns: NonNullable<FieldWords['columns']>, more: Words = {}) =>
  defineField(z.array(z.array(z.number())), { label, columns, ...more });

export const curveSchema = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('beta'),
    r25Ohm: amount('R at 25 °C', 'resistance', positive.max(1e7)),
    betaK: amount('β, in K', 'number', z.number().min(500).max(10_000))
  }),
  z.looseObject({
    kind: z.literal('steinhart-hart'),
    a: amount('a', 'number', z.number()),
    b: amount('b', 'number'),
    c: amount('c', 'number', z.number(), { hint: 'may be negative' })
  }),
  z.looseObject({
    kind: z.literal('table'),
    points: defineField(z.array(z.tuple([degrees, positive])).min(2), {
      label: 'Table',
      columns: [
        { label: 'Temperature', quantity: 'temperature' },
        { label: 'Resistance', quantity: 'resistance' }
      ]
    })
  })
]);

const thermostatSchema = z.looseObject({
  startOpenC: celsius('Starts to open', { hint: 'the number stamped on it' }).nullish(),
  fullOpenC: celsius('Fully open').nullish(),
  closedByC: celsius('Closed again at').nullish(),
  minLiftMm: amount('Lift at least', 'length').nullish(),
  side: choice('Location', { outlet: 'outlet', inlet: 'inlet' }).nullish(),
  heaterOhm: amount('Heater', 'resistance', positive, { hint: 'blank for none' }).nullish(),
  place: words('Where it sits', 120).nullish()
});

/** Movement at the blade tip above which there is too much play. */
const tipPlayMaxMm = amount('Play at the tip, at most', 'length', positive.max(100)).nullish();

const clutchSchema = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('thermal'),
    engageAirC: celsius('Engages at air of').nullish(),
    releaseAirC: celsius('Lets go at air of').nullish(),
    maxRpm: amount('Fan turns at most', 'rotation').nullish(),
    cutOutEngineRpm: amount('Lets go above engine', 'rotation').nullish(),
    tipPlayMaxMm,
    speedTable: table('Speed when engaged', [
      { label: 'Engine', quantity: 'rotation' },
      { label: 'Fan', quantity: 'rotation' }
    ]).nullish()
  }),
  z.looseObject({
    kind: z.literal('fixed'),
    ratioLow: amount('Share of engine speed, from', 'number', positive.max(2)).nullish(),
    ratioHigh: amount('Share of engine speed, up to', 'number', positive.max(2)).nullish(),
    tipPlayMaxMm
  }),
  z.looseObject({
    kind: z.literal('electronic'),
    pulsesPerRev: amount('Pulses per turn', 'number').nullish(),
    tipPlayMaxMm,
    speedTable: table('Speed by command', [
      { label: 'Command', quantity: 'share' },
      { label: 'Share of pulley', quantity: 'number' }
    ]).nullish()
  })
]);

/** A fan that is there: its points are asked for. */
const driven = {
  when: (fan: Readonly<Record<string, unknown>>) => fan.drive !== 'none' && fan.drive != null
};

const fanStage = z.looseObject({
  name: words('Stage', 30),
  onC: celsius('On at'),
  offC: celsius('Off at'),
  movingOnC: celsius('On, moving', { hint: 'if it differs' }).nullish(),
  movingOffC: celsius('Off, moving').nullish()
});

/** Version 1 of the spec sheet: what a vehicle should do. Field names carry their unit; unknown fields are kept. */
export const specSheetSchema = z.looseObject({
  format: z.literal('pyrethos.spec-sheet'),
  version: z.literal(1),
  name: words('Name', 120).min(1),
  engine: z
    .looseObject({
      fuel: choice('Fuel', { petrol: 'petrol', diesel: 'diesel', gas: 'gas', hybrid: 'hybrid' }).nullish(),
      displacementL: amount('Displacement', 'volume', positive.max(40)).nullish(),
      coolantL: amount('Coolant', 'volume', positive.max(200)).nullish(),
      pump: choice('Coolant pump', { belt: 'by belt or gear', electric: 'electric' }).nullish(),
      transmission: choice('Transmission', { manual: 'manual', automatic: 'automatic' }).nullish(),
      shutter: choice('Shutter before the radiator', {
        none: 'none',
        driven: 'driven by the control unit'
      }).nullish()
    })
    .nullish(),
  cap: z.looseObject({ kPa: amount('Cap', 'pressure', z.number().min(0).max(300)).nullish() }).nullish(),
  thermostat: thermostatSchema.nullish(),
  regulating: z
    .looseObject({ lowC: celsius('Regulates from').nullish(), highC: celsius('Regulates up to').nullish() })
    .nullish(),
  limits: z
    .looseObject({
      hotC: celsius('Hot above').nullish(),
      stopC: celsius('Stop the engine at').nullish(),
      openCapC: celsius('Open the cap below').nullish()
    })
    .nullish(),
  fan: z
    .looseObject({
      drive: choice('Electric fan', { relay: 'by relays', controller: 'by a controller', none: 'none' }),
      stages: defineField(z.array(fanStage), { label: 'Stages', ...driven }).nullish(),
      ratedA: amount('Current of the fan', 'current', positive.max(200), driven).nullish(),
      afterRunMaxMin: amount('After-run at most', 'time', z.number().min(0).max(60), {
        keptIn: 'min',
        ...driven
      }).nullish(),
      onWithAc: yes('Runs with the A/C', driven).nullish(),
      failsafeFull: yes('Full on when the sensor fails', driven).nullish()
    })
    .nullish(),
  clutch: defineField(clutchSchema, {
    label: 'Clutch fan',
    choices: { thermal: 'thermal viscous', fixed: 'fixed slip', electronic: 'electronic' },
    blank: 'none, or not known'
  }).nullish(),
  ect: z
    .looseObject({
      location: words('Where it sits', 60).nullish(),
      alsoReadBy: words('Also read by', 60, { hint: 'another control unit on its line' }).nullish(),
      curve: defineField(curveSchema, {
        label: 'Its curve is given by',
        choices: { beta: 'R at 25 °C and β', 'steinhart-hart': 'three constants', table: 'a table' }
      }).nullish(),
      tolerancePct: amount('Tolerance', 'share', z.number().min(0).max(50)).nullish(),
      referenceV: amount('Reference', 'voltage', positive.max(48)).nullish(),
      pullUpOhm: amount('Pull-up', 'resistance').nullish(),
      switchedPullUp: z
        .looseObject({
          pullUpOhm: amount('Second pull-up', 'resistance', positive, { hint: 'blank for none' }).nullish(),
          toWarmC: celsius('In above', { hint: 'without it volts are not judged' }).nullish(),
          toColdC: celsius('Out below', { hint: '5\u202f°C lower where it is not said' }).nullish()
        })
        .nullish(),
      openReadsC: celsius('Reads with its circuit open').nullish(),
      shortReadsC: celsius('Reads with it shorted').nullish()
    })
    .nullish(),
  gauge: z
    .looseObject({
      points: table('Needle', [
        { label: 'Of the scale', quantity: 'share' },
        { label: 'Coolant', quantity: 'temperature' }
      ]).nullish(),
      senderOhmAtC: table('Sender', [
        { label: 'Coolant', quantity: 'temperature' },
        { label: 'Sender', quantity: 'resistance' }
      ]).nullish()
    })
    .nullish(),
  learned: z
    .looseObject({
      startOpenC: celsius('Thermostat opens').nullish(),
      fanOnC: celsius('Fan comes on').nullish()
    })
    .nullish(),
  torqueNm: defineField(z.record(z.string().max(80), z.number().positive()), {
    label: 'Tightening',
    quantity: 'torque',
    keys: {
      ectSensor: 'Coolant sensor',
      thermostatHousing: 'Thermostat housing',
      fanClutchNut: 'Nut of the fan clutch',
      waterPump: 'Water pump',
      drainPlug: 'Drain plug'
    }
  }).nullish(),
  clutchNut: choice('Thread of the clutch nut', {
    left: 'left-hand thread',
    right: 'right-hand thread'
  }).nullish(),
  coolantChange: z
    .looseObject({
      firstMonths: amount('First coolant change after, in months', 'number', positive.max(240)).nullish(),
      firstKm: amount('First coolant change after', 'distance', positive.max(2_000_000)).nullish(),
      everyMonths: amount('Later changes every, in months', 'number', positive.max(240)).nullish(),
      everyKm: amount('Later changes every', 'distance', positive.max(2_000_000)).nullish()
    })
    .nullish(),
  bleedPoints: words('Bleed points', 300).nullish(),
  variants: defineField(
    z.array(
      z.looseObject({
        part: words('Part', 60),
        fitted: words('Which is fitted', 120),
        note: words('Note', 200).nullish()
      })
    ),
    { label: 'Variants of parts' }
  ).nullish()
});

export type SpecSheet = z.infer<typeof specSheetSchema>;

/** The JSON Schema (draft 2020-12) of the sheet, for docs and for other tools. */
export const specSheetJsonSchema = () => z.toJSONSchema(specSheetSchema);
