import { z } from 'zod';
import { moment } from './moment';

/** A task of a job, as the board names it, and how it read when something was said of it. */
const task = {
  task: z.string().trim().min(1).max(120),
  title: z.string().trim().min(1).max(200)
};

/** What people say on the board of a job’s tasks, and what its owner was promised. */
export const boardBodies = [
  z.object({ kind: z.literal('job.promised'), payload: z.object({ at: moment.nullable() }) }),
  z.object({
    kind: z.literal('task.pinned'),
    payload: z.object({
      ...task,
      /** Null where it is left to the plan; all three null where the pin is taken out. */
      person: z.string().trim().min(1).max(60).nullable(),
      place: z.string().trim().min(1).max(60).nullable(),
      start: moment.nullable()
    })
  }),
  z.object({
    kind: z.literal('task.stretched'),
    payload: z.object({
      ...task,
      minutes: z
        .number('Minutes are a number')
        .min(1, 'A task takes a minute at least')
        .max(2880, 'More than two days: split it')
    })
  })
] as const;

/** What was said of a task: where it is to stay, and how long it takes. */
export interface TaskSaid {
  readonly pin: {
    readonly person: string | null;
    readonly place: string | null;
    /** ISO 8601. */
    readonly start: string | null;
  } | null;
  readonly minutes?: number;
}
