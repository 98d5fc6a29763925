import '../base/zod-words';
import { z } from 'zod';
import { CAUTION_IDS } from '../measure/cautions';
import { byHandReadings } from '../checks/by-hand';
import { CHECK_IDS, checkOf } from '../checks/registry';
import { airC, coolantC } from '../measure/temperature';
import { specSheetSchema } from '../vehicle/spec-sheet';
import { FAULT_IDS } from '../vehicle/faults';
import { SYMPTOM_IDS } from '../vehicle/symptoms';
import { shopCostsSchema } from './shop-costs';
import { OUTCOMES } from './closing';
import { coolantServiceSchema } from './coolant-service';
import { decisionSchema, quoteSchema, recheckSchema } from './decision';
import { shopCurveSchema } from './curves';
import { intakeSchema } from './intake';
import { liveBodies } from './live';
import { dayOf, moment } from './moment';
import { ownFindingSchema } from './own-finding';
import { repairDoneSchema } from './repair-done';
import { boardBodies } from './board';
import { floorSchema } from './floor';
import { shopChecksSchema } from './shop-checks';
import { PHOTO_MAX_BYTES, PHOTO_TYPES } from './photo';

/**
 * The record: everything a person enters is an event, appended and never changed. The state of a vehicle or a
 * job is derived from its events (derive.ts); undoing is one more event. The browser makes the id, so an event
 * sent twice is one event.
 */
const words = z.string().trim().max(2000);

const columnUse = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('time'), format: z.string() }),
  z.object({ kind: z.literal('channel'), channel: z.string(), unit: z.string() }),
  z.object({ kind: z.literal('event') }),
  z.object({ kind: z.literal('ignore') })
]);

/** Readings are what their check's own schema makes of them. They are parsed here and nowhere after. */
const checkRecorded = z
  .object({
    check: z.enum(CHECK_IDS),
    /** Whether the technician judged it: its readings are then a result and what was measured, in their words. */
    byHand: z.boolean().default(false),
    readings: z.unknown(),
    /** Unlikely readings that were asked about and stand. */
    confirmed: z.array(z.string().max(300)).max(20).default([]),
    /** The entry this one corrects; that one stays in the record and no longer counts. */
    replaces: z.uuid().nullable().default(null)
  })
  .transform((payload, context) => {
    const schema = payload.byHand ? byHandReadings : checkOf(payload.check).readings;
    const parsed = schema.safeParse(payload.readings);
    if (!parsed.success) {
      for (const { path, message } of parsed.error.issues)
        context.addIssue({ code: 'custom', path: ['readings', ...path], message });
      return z.NEVER;
    }
    return { ...payload, readings: parsed.data };
  });

const bodies = [
  z.object({
    kind: z.literal('vehicle.entered'),
    payload: z.object({
      fleetNo: z.string().trim().min(1, 'Give a fleet number').max(20),
      name: z.string().trim().min(1, 'Give make and model').max(120),
      note: words.default('')
    })
  }),
  z.object({ kind: z.literal('spec.saved'), payload: z.object({ sheet: specSheetSchema }) }),
  z.object({ kind: z.literal('curve.saved'), payload: shopCurveSchema }),
  z.object({ kind: z.literal('curve.dropped'), payload: z.object({}) }),
  z.object({ kind: z.literal('job.opened'), payload: intakeSchema.safeExtend({ vehicleId: z.uuid() }) }),
  z.object({ kind: z.literal('job.amended'), payload: intakeSchema }),
  z.object({ kind: z.literal('job.noted'), payload: z.object({ text: words.min(1, 'Write a note') }) }),
  z.object({
    kind: z.literal('job.closed'),
    payload: z.object({
      outcome: z.enum(OUTCOMES),
      /** What it was, where that is known: the next job of this shop leans on it. */
      cause: z.enum(FAULT_IDS).nullable().default(null),
      /** When to look again, YYYY-MM-DD: an unproven job has one. */
      lookAgain: dayOf('A date looks like 2026-12-24').nullable().default(null)
    })
  }),
  z.object({
    kind: z.literal('engine.noted'),
    payload: z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('ran-until'),
        at: moment,
        coolantC: coolantC.nullable(),
        ambientC: airC.nullable()
      }),
      z.object({ kind: z.literal('started'), at: moment }),
      z.object({
        kind: z.literal('measured'),
        at: moment,
        coolantC,
        ambientC: airC.nullable()
      })
    ])
  }),
  z.object({ kind: z.literal('check.recorded'), payload: checkRecorded }),
  z.object({
    kind: z.literal('check.skipped'),
    payload: z.object({ check: z.enum(CHECK_IDS), why: z.string().trim().max(200).default('') })
  }),
  z.object({ kind: z.literal('part.quoted'), payload: quoteSchema }),
  z.object({ kind: z.literal('repair.decided'), payload: decisionSchema }),
  z.object({ kind: z.literal('repair.done'), payload: repairDoneSchema }),
  z.object({ kind: z.literal('job.rechecked'), payload: recheckSchema }),
  z.object({
    kind: z.literal('complaint.tried'),
    payload: z.object({
      what: z.enum(SYMPTOM_IDS),
      gone: z.boolean(),
      how: z.string().trim().max(200).default('')
    })
  }),
  z.object({
    kind: z.literal('job.reopened'),
    payload: z.object({ why: words.min(1, 'Say why it came back') })
  }),
  z.object({ kind: z.literal('finding.added'), payload: ownFindingSchema }),
  z.object({ kind: z.literal('shop.priced'), payload: shopCostsSchema }),
  z.object({ kind: z.literal('shop.equipped'), payload: shopChecksSchema }),
  z.object({ kind: z.literal('shop.staffed'), payload: floorSchema }),
  ...boardBodies,
  z.object({ kind: z.literal('coolant.serviced'), payload: coolantServiceSchema }),
  z.object({
    kind: z.literal('stop.overridden'),
    payload: z.object({
      /** What held it back, and the entry that was about. */
      danger: z.string().max(40),
      because: z.string().max(60),
      why: z.string().trim().min(1, 'Say why it is run all the same').max(200)
    })
  }),
  z.object({
    kind: z.literal('caution.acknowledged'),
    payload: z.object({ cautions: z.array(z.enum(CAUTION_IDS)).min(1) })
  }),
  z.object({
    kind: z.literal('photo.attached'),
    payload: z.object({
      photoId: z.uuid(),
      caption: z.string().trim().max(200).default(''),
      mime: z.enum(PHOTO_TYPES),
      sizeBytes: z.number().int().positive().max(PHOTO_MAX_BYTES)
    })
  }),
  ...liveBodies,
  z.object({
    kind: z.literal('run.imported'),
    payload: z.object({
      runId: z.uuid(),
      fileName: z.string().max(255),
      sizeBytes: z.number().int().nonnegative(),
      columns: z.array(z.object({ header: z.string(), use: columnUse })),
      skippedRows: z.number().int().nonnegative()
    })
  }),
  z.object({ kind: z.literal('undo'), payload: z.object({ of: z.uuid() }) })
] as const;

export const eventBodySchema = z.discriminatedUnion('kind', bodies);

export type EventKind = z.infer<typeof eventBodySchema>['kind'];

/**
 * The version of each kind of event as it is written today. Version 1 is also what was written before events carried
 * a version. A kind whose payload changes its meaning or shape gets a higher one here and a step in `upcast.ts`.
 */
export const EVENT_VERSIONS: Readonly<Record<EventKind, number>> = {
  'vehicle.entered': 2,
  'spec.saved': 2,
  'curve.saved': 2,
  'curve.dropped': 2,
  'job.opened': 2,
  'job.amended': 2,
  'job.noted': 2,
  'job.closed': 2,
  'engine.noted': 2,
  'check.recorded': 2,
  'check.skipped': 2,
  'part.quoted': 2,
  'repair.decided': 2,
  'repair.done': 2,
  'job.rechecked': 2,
  'complaint.tried': 2,
  'job.reopened': 2,
  'finding.added': 2,
  'shop.priced': 3,
  'shop.equipped': 2,
  'shop.staffed': 2,
  'job.promised': 2,
  'task.pinned': 2,
  'task.stretched': 2,
  'coolant.serviced': 2,
  'stop.overridden': 2,
  'caution.acknowledged': 2,
  'photo.attached': 2,
  'run.started': 2,
  'run.marked': 2,
  'run.read': 2,
  'run.ended': 2,
  'run.imported': 2,
  undo: 2
};

const RECORD_KINDS = ['vehicle', 'job', 'curve', 'shop'] as const;
type RecordKind = (typeof RECORD_KINDS)[number];

/** Whose record a kind of entry belongs to; a job's, where nothing else is said. */
const RECORDS: Partial<Record<EventKind, readonly RecordKind[]>> = {
  'vehicle.entered': ['vehicle'],
  'spec.saved': ['vehicle'],
  'photo.attached': ['job', 'vehicle'],
  'curve.saved': ['curve'],
  'curve.dropped': ['curve'],
  'shop.priced': ['shop'],
  'shop.equipped': ['shop'],
  'shop.staffed': ['shop'],
  undo: RECORD_KINDS
};

/** Kinds that the server writes itself, with the samples or the file that they speak of. */
export const WRITTEN_BY_SERVER: readonly string[] = [
  'run.started',
  'run.ended',
  'run.imported',
  'photo.attached'
] satisfies EventKind[];

export const recordEventSchema = z
  .intersection(
    z.object({
      id: z.uuid(),
      stream: z.string().regex(/^(vehicle|job|curve|shop):[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/),
      who: z.string().trim().min(1).max(60),
      at: moment,
      /** Of its kind ({@link EVENT_VERSIONS}). */
      version: z.number().int().positive().default(1)
    }),
    eventBodySchema
  )
  .superRefine(({ kind, version, stream }, context) => {
    const records = RECORDS[kind] ?? ['job'];
    if (!records.some((record) => stream.startsWith(`${record}:`)))
      context.addIssue({
        code: 'custom',
        path: ['stream'],
        message: `is ${stream}; ${kind} belongs to the record of a ${records.join(' or a ')}`
      });
    if (version > EVENT_VERSIONS[kind])
      context.addIssue({
        code: 'custom',
        path: ['version'],
        message: `${kind} is of version ${version}; this Pyrethos knows version ${EVENT_VERSIONS[kind]}: update it first`
      });
  });

export type EventBody = z.infer<typeof eventBodySchema>;
/** An event as it may be written, before defaults are filled in. */
export type EventInput = z.input<typeof eventBodySchema>;
export type RecordEvent = z.infer<typeof recordEventSchema>;

export const streamOf = (kind: RecordKind, id: string): string => `${kind}:${id}`;
