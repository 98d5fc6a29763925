import { z } from 'zod';
import { bad, good, type Problem, type Result } from '../base/result';
import { readFormat, unknownIn, type OpenFormat } from '../base/open-format';

const celsius = z.number().min(-60).max(250);
const positive = z.number().positive();

export const curveSchema = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('beta'),
    r25Ohm: positive.max(1e7),
    betaK: z.number().min(500).max(10_000)
  }),
  z.looseObject({ kind: z.literal('steinhart-hart'), a: z.number(), b: positive, c: z.number().min(0) }),
  z.looseObject({ kind: z.literal('table'), points: z.array(z.tuple([celsius, positive])).min(2) })
]);

const thermostatSchema = z.looseObject({
  startOpenC: z.number().min(30).max(130),
  fullOpenC: z.number().min(30).max(150),
  minLiftMm: positive.nullish(),
  closedByC: celsius.nullish(),
  side: z.enum(['outlet', 'inlet']).nullish(),
  heaterOhm: positive.nullish()
});

/** Movement at the blade tip above which there is too much play. */
const tipPlayMaxMm = positive.max(100).nullish();

const clutchSchema = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('thermal'),
    tipPlayMaxMm,
    engageAirC: celsius.nullish(),
    releaseAirC: celsius.nullish(),
    maxRpm: positive.nullish(),
    cutOutEngineRpm: positive.nullish(),
    speedTable: z.array(z.array(z.number())).nullish()
  }),
  z.looseObject({
    kind: z.literal('fixed'),
    tipPlayMaxMm,
    ratioLow: positive.max(2).nullish(),
    ratioHigh: positive.max(2).nullish()
  }),
  z.looseObject({
    kind: z.literal('electronic'),
    tipPlayMaxMm,
    pulsesPerRev: positive.nullish(),
    speedTable: z.array(z.array(z.number())).nullish()
  })
]);

/** Version 1 of the spec sheet: what a vehicle should do. Field names carry their unit; unknown fields are kept. */
export const specSheetSchema = z.looseObject({
  format: z.literal('pyrethos.spec-sheet'),
  version: z.literal(1),
  name: z.string().trim().min(1).max(120),
  engine: z
    .looseObject({
      fuel: z.enum(['petrol', 'diesel', 'gas', 'hybrid']).nullish(),
      displacementL: positive.max(40).nullish(),
      coolantL: positive.max(200).nullish()
    })
    .nullish(),
  thermostat: thermostatSchema,
  regulating: z.looseObject({ lowC: celsius.nullish(), highC: celsius.nullish() }).nullish(),
  limits: z
    .looseObject({ hotC: celsius.nullish(), stopC: celsius.nullish(), openCapC: celsius.nullish() })
    .nullish(),
  ect: z
    .looseObject({
      curve: curveSchema.nullish(),
      tolerancePct: z.number().min(0).max(50).nullish(),
      referenceV: positive.max(48).nullish(),
      pullUpOhm: positive.nullish(),
      switchedPullUp: z.looseObject({}).nullish(),
      openReadsC: celsius.nullish(),
      shortReadsC: celsius.nullish(),
      location: z.string().nullish()
    })
    .nullish(),
  fan: z
    .looseObject({
      drive: z.enum(['relay', 'controller', 'none']),
      stages: z.array(z.looseObject({ name: z.string(), onC: celsius, offC: celsius })).nullish(),
      onWithAc: z.boolean().nullish(),
      failsafeFull: z.boolean().nullish(),
      afterRunMaxMin: z.number().min(0).max(60).nullish()
    })
    .nullish(),
  clutch: clutchSchema.nullish(),
  cap: z.looseObject({ kPa: z.number().min(0).max(300).nullish() }).nullish(),
  gauge: z.looseObject({}).nullish(),
  torqueNm: z.record(z.string(), z.number().positive()).nullish()
});

export type SpecSheet = z.infer<typeof specSheetSchema>;

const FORMAT: OpenFormat = { format: 'pyrethos.spec-sheet', version: 1, what: 'a spec sheet' };

/**
 * Reads a spec sheet from parsed JSON. Refuses with one problem a field, each saying what would be right;
 * keeps unknown fields and warns about them; refuses a newer version naming both numbers.
 */
export function readSpecSheet(input: unknown): Result<SpecSheet> {
  const read = readFormat(FORMAT, specSheetSchema, input);
  if (!read.ok) return read;
  const problems = contradictions(read.value);
  return problems.length > 0 ? bad(...problems) : good(read.value, unknownFields(read.value));
}

/** Values that are each possible and together are not. */
function contradictions(sheet: SpecSheet): Problem[] {
  const problems: Problem[] = [];
  const above = (
    field: string,
    value: number | null | undefined,
    name: string,
    limitName: string,
    limit: number | null | undefined
  ) => {
    if (value != null && limit != null && value <= limit)
      problems.push({
        field,
        message: `${name} is ${value} °C, not above ${limitName} at ${limit} °C; it must be higher`
      });
  };
  const { thermostat, regulating, limits, fan, ect, clutch } = sheet;
  above('thermostat.fullOpenC', thermostat.fullOpenC, 'full-open', 'start-to-open', thermostat.startOpenC);
  above('thermostat.startOpenC', thermostat.startOpenC, 'start-to-open', 'closed-by', thermostat.closedByC);
  above('regulating.highC', regulating?.highC, 'the upper end', 'the lower end', regulating?.lowC);
  above('limits.stopC', limits?.stopC, 'the stop limit', 'the hot limit', limits?.hotC);
  above('limits.hotC', limits?.hotC, 'the hot limit', 'start-to-open', thermostat.startOpenC);
  fan?.stages?.forEach((stage, i) =>
    above(`fan.stages.${i}.onC`, stage.onC, `fan ${stage.name} on`, 'its off point', stage.offC)
  );
  fan?.stages?.forEach(
    (stage, i, all) =>
      i > 0 &&
      above(
        `fan.stages.${i}.onC`,
        stage.onC,
        `fan ${stage.name} on`,
        `fan ${all[i - 1].name} on`,
        all[i - 1].onC
      )
  );
  if (clutch?.kind === 'thermal')
    above('clutch.engageAirC', clutch.engageAirC, 'engagement', 'release', clutch.releaseAirC);
  if (fan?.drive && fan.drive !== 'none' && fan.stages?.length === 0)
    problems.push({ field: 'fan.stages', message: 'has no stage; give at least one, or drive "none"' });
  if (ect?.curve?.kind === 'table') {
    ect.curve.points.forEach(([t, r], i, all) => {
      if (i > 0 && (t <= all[i - 1][0] || r >= all[i - 1][1])) {
        problems.push({
          field: `ect.curve.points.${i}`,
          message: `row ${i + 1} (${t} °C, ${r} Ω) must be hotter and lower in resistance than row ${i} (${all[i - 1][0]} °C, ${all[i - 1][1]} Ω)`
        });
      }
    });
  }
  return problems;
}

/** Fields the schema does not know: kept, and named so that a misspelling is noticed. */
function unknownFields(sheet: SpecSheet): Problem[] {
  const known: Record<string, z.ZodRawShape | undefined> = {
    '': specSheetSchema.shape,
    thermostat: thermostatSchema.shape,
    engine: shapeOf('engine'),
    regulating: shapeOf('regulating'),
    limits: shapeOf('limits'),
    ect: shapeOf('ect'),
    fan: shapeOf('fan'),
    cap: shapeOf('cap')
  };
  return Object.entries(known).flatMap(([path, shape]) => {
    const part = (path ? sheet[path] : sheet) as Record<string, unknown> | null | undefined;
    return shape && part ? unknownIn(part, shape, path) : [];
  });
}

function shapeOf(part: 'engine' | 'regulating' | 'limits' | 'ect' | 'fan' | 'cap'): z.ZodRawShape {
  return specSheetSchema.shape[part].unwrap().unwrap().shape;
}

/** The JSON Schema (draft 2020-12) of the sheet, for docs and for other tools. */
export const specSheetJsonSchema = () => z.toJSONSchema(specSheetSchema);
