import { z } from 'zod';
import { specSheetSchema } from '../formats/spec-sheet';

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
  z.object({
    kind: z.literal('job.opened'),
    payload: z.object({ vehicleId: z.uuid(), complaint: words.min(1, 'Say what the driver noticed') })
  }),
  z.object({ kind: z.literal('job.noted'), payload: z.object({ text: words.min(1, 'Write a note') }) }),
  z.object({
    kind: z.literal('job.closed'),
    payload: z.object({
      outcome: z.enum(['fixed and proven', 'fixed, unproven', 'no fault found', 'referred on', 'declined'])
    })
  }),
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

export const recordEventSchema = z.intersection(
  z.object({
    id: z.uuid(),
    stream: z.string().regex(/^(vehicle|job):[0-9a-f-]{36}$/),
    who: z.string().trim().min(1).max(60),
    at: z.iso.datetime({ offset: true })
  }),
  eventBodySchema
);

export type EventBody = z.infer<typeof eventBodySchema>;
export type RecordEvent = z.infer<typeof recordEventSchema>;
export type EventKind = EventBody['kind'];

export const streamOf = (kind: 'vehicle' | 'job', id: string): string => `${kind}:${id}`;
