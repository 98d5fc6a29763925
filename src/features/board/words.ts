import { checkSheetOf } from '$core/diagnosis/work';
import { jobOf, taskOf } from '$core/schedule/board';
import { momentAt } from '$core/schedule/hours';
import type { Minute, ToDo } from '$core/schedule/workload';
import { hour } from '$lib/ui/page-state/when';
import type { BoardView } from '$lib/views';

/** 35 min, 2 h 10 min, or 3 days. */
export function minutesSaid(minutes: number): string {
  const rounded = Math.round(minutes);
  if (rounded < 60) return `${rounded} min`;
  const days = Math.round(rounded / 1440);
  if (rounded >= 1440) return `${days} day${days === 1 ? '' : 's'}`;
  return `${Math.floor(rounded / 60)} h${rounded % 60 ? ` ${rounded % 60} min` : ''}`;
}

/** A time of a day that is named beside it, on the wall of the shop. */
export const clock = (at: Minute, zone: string): string => hour(momentAt(at), zone, momentAt(at));

/** The tasks of a board by their names. */
export const tasksOf = ({ workload }: BoardView): ReadonlyMap<string, ToDo> =>
  new Map(workload.jobs.flatMap((j) => j.tasks.map((t) => [t.id, t] as const)));

/** Where a task is done: the sheet of its check, the repair, or the job. */
export function hrefOf(task: string): string {
  const job = `/jobs/${jobOf(task)}`;
  const name = taskOf(task);
  const check = checkSheetOf(name);
  if (check) return `${job}?check=${check}`;
  return name.startsWith('repair/') ? `${job}/finish` : job;
}
