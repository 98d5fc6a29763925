import { z } from 'zod';
import { coolantC } from '../measure/temperature';
import { instrumentSchema } from '../measure/instruments';

/** Where the readings of a live run come from. */
export const sourceSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('adapter'),
    /** host:port of an adapter, as the workshop's list of adapters names it. */
    address: z.string().regex(/^[\w.-]+:\d{1,5}$/, 'An adapter has an address like 127.0.0.1:5191'),
    name: z.string().trim().max(60)
  }),
  /** Typed at intervals from a gauge or a thermometer. */
  z.object({ kind: z.literal('typed'), instrument: instrumentSchema })
]);
export type RunSource = z.infer<typeof sourceSchema>;

/** What a technician marks while an engine warms up, each with its key. */
export const MARKS = {
  fan: { title: 'Fan', key: 'f' },
  hose: { title: 'Hose hot', key: 'h' },
  off: { title: 'Moved off', key: 'm' },
  stop: { title: 'Stopped', key: 's' },
  ac: { title: 'A/C', key: 'a' },
  plain: { title: 'Mark', key: ' ' }
} as const;
export type MarkId = keyof typeof MARKS;
const MARK_IDS = Object.keys(MARKS) as [MarkId, ...MarkId[]];

const runId = z.uuid();
/** Seconds since the run began, by the clock of its source. */
const t = z
  .number()
  .min(0)
  .max(48 * 3600);

export const liveBodies = [
  z.object({ kind: z.literal('run.started'), payload: z.object({ runId, source: sourceSchema }) }),
  z.object({
    kind: z.literal('run.marked'),
    payload: z.object({ runId, t, mark: z.enum(MARK_IDS), text: z.string().trim().max(120).default('') })
  }),
  z.object({ kind: z.literal('run.read'), payload: z.object({ runId, t, coolantC }) }),
  z.object({
    kind: z.literal('run.ended'),
    payload: z.object({ runId, fileName: z.string().max(255), samples: z.number().int().min(0) })
  })
] as const;

export interface LiveMark {
  readonly t: number;
  readonly mark: MarkId;
  readonly text: string;
}

/** A run that is being recorded. */
export interface LiveRun {
  readonly runId: string;
  readonly startedAt: string;
  readonly source: RunSource;
  readonly marks: readonly LiveMark[];
  /** Typed readings, in the order of time. */
  readonly readings: readonly { readonly t: number; readonly celsius: number }[];
}

export const markText = ({ mark, text }: Pick<LiveMark, 'mark' | 'text'>): string =>
  [mark === 'plain' && text ? '' : MARKS[mark].title, text].filter(Boolean).join(': ');
