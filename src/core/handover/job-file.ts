import { upcastAll } from '../record/upcast';
import { z } from 'zod';
import { instrumentSchema } from '../measure/instruments';
import { PHOTO_TYPES, recordEventSchema, type RecordEvent } from '../record/events';
import { judgeChecks, type JudgedCheck } from '../diagnosis/judged';
import { deriveJob } from '../record/derive';
import { good, type Result } from '../base/result';
import type { LibraryCurve } from '../physics/thermistor/library';
import type { KnownFact } from '../physics/heat/facts';
import { isPlainObject, readFormat, unknownIn, type OpenFormat } from '../base/open-format';
import { specSheetSchema, type SpecSheet } from '../vehicle/spec-sheet';

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
  checks: z.array(
    z.looseObject({
      check: z.string(),
      at: moment,
      who: z.string(),
      readings: z.unknown(),
      result: z.enum(['pass', 'fail', 'unclear', 'void']),
      says: z.string()
    })
  ),
  runs: z.array(run),
  photos: z.array(photo)
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

/** The judged checks as the job file tells them. */
const told = ({ check, at, who, readings, outcome }: JudgedCheck): JobFile['checks'][number] => ({
  check,
  at,
  who,
  readings,
  result: outcome.result,
  says: [outcome.says, outcome.voidBecause].filter(Boolean).join('. '),
  limits: outcome.numbers,
  countsFrom: outcome.countsFrom
});

/** Puts a job file together. `facts` is what the vehicle's whole record tells about its heat. */
export function jobFile(parts: {
  readonly exportedAt: string;
  readonly number: number;
  readonly vehicle: JobFile['vehicle'];
  readonly sheet: SpecSheet | null;
  readonly events: readonly RecordEvent[];
  readonly facts: readonly KnownFact[];
  readonly curves: readonly LibraryCurve[];
  readonly runs: JobFile['runs'];
  readonly photos: JobFile['photos'];
}): JobFile {
  const { facts, events, curves, ...rest } = parts;
  const job = deriveJob(events);
  return {
    format: 'pyrethos.job',
    version: 1,
    ...rest,
    events: [...events],
    checks: job ? judgeChecks(job, facts, parts.sheet, curves).map(told) : []
  };
}

/** The JSON Schema (draft 2020-12) of the job file, as it is written down. */
export const jobFileJsonSchema = () => z.toJSONSchema(jobFileSchema, { io: 'input', unrepresentable: 'any' });
