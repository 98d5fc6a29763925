import { z } from 'zod';
import { isPlainObject, readFormat, unknownIn, type OpenFormat } from '../base/open-format';
import { good, type Result } from '../base/result';
import { assembleCase, type CaseInput } from '../diagnosis/case';
import { instrumentSchema } from '../measure/instruments';
import { recordEventSchema } from '../record/events';
import { PHOTO_TYPES } from '../record/photo';
import { shopChecksSchema } from '../record/shop-checks';
import { shopCostsSchema } from '../record/shop-costs';
import { upcastAll } from '../record/upcast';
import { FAULT_IDS } from '../vehicle/faults';
import { curveSchema, specSheetSchema } from '../vehicle/spec-sheet';
import { caseFile, checkRow } from './case-file';

type CurveInFile = z.infer<typeof curveSchema>;
const moment = z.iso.datetime({ offset: true });
const run = z.looseObject({
  id: z.uuid(),
  fileName: z.string().max(255),
  importedAt: moment,
  /** Clock time of its first sample, where the logger told it. */
  startedAt: z.string().max(40).nullable().default(null),
  /** The log in its canonical columns. */
  csv: z.string(),
  /** Marks at their own second, which may lie between two samples. */
  marks: z.array(z.object({ t: z.number(), text: z.string().max(500) })).optional(),
  /** What the coolant was read with, where a person read it. */
  readWith: instrumentSchema.optional(),
  /** The entry of the spec sheet it was judged against. */
  specSheetId: z.uuid().nullable().default(null),
  /** What Pyrethos made of it, for readers without Pyrethos: it is judged anew where it is brought in. */
  analysis: z.unknown().optional(),
  band: z.unknown().optional()
});

const photo = z.object({
  id: z.uuid(),
  mime: z.enum(PHOTO_TYPES),
  caption: z.string().max(200),
  base64: z.base64()
});

const temperature = z.number().nullable();
const fact = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ran-until'), at: moment, coolantC: temperature, ambientC: temperature }),
  z.object({ kind: z.literal('started'), at: moment }),
  z.object({
    kind: z.literal('measured'),
    at: moment,
    coolantC: z.number(),
    ambientC: temperature,
    cooling: z.object({ tauH: z.number(), shortH: z.number(), longH: z.number() }).nullable().optional()
  })
]);
const known = z.looseObject({
  shop: z.looseObject({
    costs: shopCostsSchema,
    checks: shopChecksSchema,
    curves: z.array(z.looseObject({ id: z.string(), title: z.string(), curve: curveSchema }))
  }),
  /** How many other closed jobs of the shop found which cause. */
  causes: z.partialRecord(z.enum(FAULT_IDS), z.number().int().nonnegative()),
  /** What the vehicle's other jobs tell of its heat. */
  vehicleFacts: z.array(z.object({ fact, source: z.string(), enteredAt: moment, soft: z.boolean() }))
});

/**
 * Version 1 of the job file: one job complete. `events` are the record itself and carry everything; `checks` is
 * what Pyrethos made of the readings, for a reader who has no Pyrethos.
 */
const jobFileSchema = z.looseObject({
  format: z.literal('pyrethos.job'),
  version: z.literal(1),
  exportedAt: moment,
  number: z.number().int().positive(),
  vehicle: z.looseObject({
    id: z.uuid(),
    fleetNo: z.string(),
    name: z.string(),
    note: z.string(),
    /** The vehicle’s own record, its sheets among it. */
    events: z.array(recordEventSchema).min(1)
  }),
  sheet: specSheetSchema.nullable(),
  events: z.array(recordEventSchema),
  /** What it rests on beside its own record: the shop on that day, its other jobs, the vehicle's other jobs. */
  known: known.optional(),
  checks: z
    .array(
      z.looseObject({
        check: z.string(),
        at: moment,
        who: z.string(),
        readings: z.unknown(),
        result: z.enum(['pass', 'fail', 'unclear', 'void']),
        says: z.string()
      })
    )
    .default([]),
  /** What Pyrethos makes of it (`pyrethos.case`), for readers without Pyrethos. */
  case: z.unknown().optional(),
  runs: z.array(run).default([]),
  photos: z.array(photo).default([])
});
export type JobFile = z.infer<typeof jobFileSchema>;

const FORMAT: OpenFormat = { format: 'pyrethos.job', version: 1, what: 'a job file' };

/** The file with its entries in the shape of today, whichever version wrote them. */
function today(input: unknown): unknown {
  if (!isPlainObject(input)) return input;
  const { vehicle } = input;
  return {
    ...input,
    events: upcastAll(input.events),
    vehicle: isPlainObject(vehicle) ? { ...vehicle, events: upcastAll(vehicle.events) } : vehicle
  };
}

/** Reads a job file from parsed JSON: what is wrong with it by field, or the job with a warning for each unknown field. */
export function readJobFile(input: unknown): Result<JobFile> {
  const read = readFormat(FORMAT, jobFileSchema, today(input));
  return read.ok ? good(read.value, unknownIn(read.value, jobFileSchema.shape)) : read;
}

const photoFileSchema = photo.extend({ format: z.literal('pyrethos.photo'), version: z.literal(1) });
export type PhotoFile = z.infer<typeof photoFileSchema>;

/** Reads a photo of a vehicle, as it lies beside the job files of a workshop. */
export const readPhotoFile = (input: unknown): Result<PhotoFile> =>
  readFormat({ format: 'pyrethos.photo', version: 1, what: 'a photo file' }, photoFileSchema, input);

/** Puts a job file together: the record with everything the case rests on, and what the case says. */
export function jobFile(parts: {
  readonly exportedAt: string;
  readonly number: number;
  readonly vehicle: JobFile['vehicle'];
  readonly known: CaseInput;
  readonly runs: JobFile['runs'];
  readonly photos: JobFile['photos'];
}): JobFile {
  const { known: input, ...rest } = parts;
  const job = assembleCase(input);
  return {
    format: 'pyrethos.job',
    version: 1,
    ...rest,
    sheet: input.sheet,
    events: [...input.events],
    known: {
      shop: {
        ...input.shop,
        curves: input.shop.curves.map((c) => ({ ...c, curve: c.curve as CurveInFile }))
      },
      causes: input.causes,
      vehicleFacts: [...input.vehicleFacts]
    },
    checks: job ? job.entered.map(checkRow) : [],
    ...(job ? { case: caseFile(job) } : {})
  };
}

/** The JSON Schema (draft 2020-12) of the job file, as it is written down. */
export const jobFileJsonSchema = () => z.toJSONSchema(jobFileSchema, { io: 'input', unrepresentable: 'any' });
