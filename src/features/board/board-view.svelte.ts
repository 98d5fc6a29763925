import * as Comlink from 'comlink';
import { minuteOf, momentAt, taskId } from '$core/schedule/board';
import { boundsOf } from '$core/schedule/bounds';
import { dayAfter, dayIn, momentOf } from '$core/base/zone';
import type { Assigned, Minute, Pin, Schedule, Workload, ToDo } from '$core/schedule/workload';
import { madeLate, toldOf } from '$core/schedule/told';
import { record, type Answer } from '$lib/ui/outbox/record.svelte';
import type { BoardView } from '$lib/views';
import type { SearchWorker } from '$lib/workers/search';

/** Where a task would go. */
export interface Move {
  readonly task: string;
  readonly person: string;
  readonly start: Minute;
}

/** What a move would do, in words; null while it is being found out. */
export interface Consequence {
  readonly of: Move;
  readonly says: string;
  readonly bad: boolean;
}

/** Tries of a look at what a move would do: it must be there while the hand still holds it. */
const PREVIEW_TRIES = 40;
const SEARCH_TRIES = 6000;
/** A move falls on these minutes. */
export const STEP_MIN = 15;

/** The board of a page: what is shown of the plan, what a move would do, and a longer search. */
export class BoardState {
  view = $state.raw<BoardView>()!;
  /** Of the days that are planned, 0 is today. */
  dayShown = $state(0);
  selected = $state<string | null>(null);
  consequence = $state.raw<Consequence | null>(null);
  /** The share of a longer search that is done; null while none runs. */
  searched = $state<number | null>(null);
  #worker: Worker | null = null;
  #search: Comlink.Remote<SearchWorker> | null = null;
  #stop = false;

  readonly day = $derived(dayAfter(dayIn(this.view.zone, new Date(this.view.now)), this.dayShown));
  readonly jobs = $derived(new Map(this.view.jobs.map((j) => [j.number, j])));
  readonly tasks = $derived(
    new Map(this.view.workload.jobs.flatMap((j) => j.tasks.map((t) => [t.id, t] as const)))
  );
  readonly told = $derived(new Map(this.view.published.told.map((t) => [t.job, t])));
  readonly pins = $derived(new Set(this.view.pinned));
  /** The hours of the day that is shown: from the first shift to the last, whole hours. */
  readonly hours = $derived.by(() => {
    const from = minuteOf(momentOf(this.view.zone, this.day, '00:00'));
    const to = minuteOf(momentOf(this.view.zone, dayAfter(this.day, 1), '00:00'));
    const shifts = this.view.workload.people
      .flatMap((p) => p.shifts)
      .filter((s) => s.from >= from && s.from < to);
    const planned = this.view.published.schedule.assigned.filter((a) => a.start >= from && a.start < to);
    const all = [...shifts, ...planned.map((a) => ({ from: a.start, to: a.end }))];
    if (all.length === 0) return null;
    // Of today only what is left matters, and the hour before.
    const first = Math.max(Math.min(...all.map((s) => s.from)), minuteOf(this.view.now) - 60);
    const last = Math.max(...all.map((s) => s.to));
    return { from: Math.floor(first / 60) * 60, to: Math.ceil(last / 60) * 60 };
  });
  /** What the shown day has of the plan: tasks of one vehicle that follow one another in the same hands are one block. */
  readonly shown = $derived.by(() => {
    const { hours } = this;
    if (!hours) return [];
    const day = this.view.published.schedule.assigned
      .filter((a) => a.start < hours.to && a.end > hours.from)
      .toSorted((a, b) => a.start - b.start);
    const blocks: Assigned[][] = [];
    for (const a of day) {
      const before = blocks.find((b) => follows(b.at(-1)!, a));
      if (before) before.push(a);
      else blocks.push([a]);
    }
    return blocks;
  });

  constructor(view: BoardView) {
    this.view = view;
    this.dayShown = this.#firstDay();
  }

  /** The first day with anything on it: three minutes before the end of a shift that is tomorrow. */
  #firstDay(): number {
    const { zone, now, workload, published } = this.view;
    const starts = published.schedule.assigned.filter((a) => a.end > minuteOf(now)).map((a) => a.start);
    const all = starts.length > 0 ? starts : workload.people.flatMap((p) => p.shifts.map((s) => s.from));
    if (all.length === 0) return 0;
    const dayOf = (moment: Date) => Date.parse(dayIn(zone, moment));
    const first = new Date(Math.min(...all) * 60_000);
    return Math.max(0, Math.round((dayOf(first) - dayOf(new Date(now))) / 86_400_000));
  }

  start(): () => void {
    this.#worker = new Worker(new URL('../../lib/workers/search.ts', import.meta.url), { type: 'module' });
    this.#search = Comlink.wrap<SearchWorker>(this.#worker);
    return () => this.#worker?.terminate();
  }

  taskOf = (a: Assigned): ToDo | undefined => this.tasks.get(a.task);
  assignedOf = (task: string): Assigned | undefined =>
    this.view.published.schedule.assigned.find((a) => a.task === task);
  /** Where a minute stands on the scale, 0 to 100. */
  place = (at: Minute): number =>
    this.hours ? (100 * (at - this.hours.from)) / (this.hours.to - this.hours.from) : 0;

  /** Finds out what a move would make late, before it is made. */
  async look(move: Move): Promise<void> {
    this.consequence = { of: move, says: 'Looking at what this would change', bad: false };
    const pin: Pin = { ...move, place: null };
    const { workload, published } = this.view;
    const tried: Workload = {
      ...workload,
      pins: [...workload.pins.filter((p) => p.task !== move.task), pin],
      previous: published.schedule.assigned
    };
    const plan = await this.#search?.plan(tried, PREVIEW_TRIES);
    if (!plan || this.consequence?.of !== move) return;
    this.consequence = { of: move, ...this.#saysOf(tried, plan, move) };
  }

  #saysOf(workload: Workload, plan: Schedule, move: Move): { says: string; bad: boolean } {
    const loose = plan.loose.find((l) => l.task === move.task);
    if (loose) return { says: `Not possible there: ${loose.because}`, bad: true };
    const late = madeLate(this.view.published.told, toldOf(workload, plan, boundsOf(workload)));
    if (late.length === 0) return { says: 'Makes nothing late', bad: false };
    const words = late.slice(0, 3).map(({ job, lateMin }) => {
      const { fleetNo } = this.jobs.get(job)!;
      return Number.isFinite(lateMin)
        ? `${fleetNo} ${minutesSaid(lateMin)} late`
        : `${fleetNo} finds no hour`;
    });
    return {
      says: `Makes ${words.join(', ')}${late.length > 3 ? ` and ${late.length - 3} more` : ''}`,
      bad: true
    };
  }

  async pin(
    task: string,
    to: { person: string | null; place?: string | null; start: Minute | null }
  ): Promise<Answer> {
    const { id, name, title } = this.#named(task);
    this.consequence = null;
    return record(`job:${id}`, {
      kind: 'task.pinned',
      payload: {
        task: name,
        title,
        person: to.person,
        place: to.place ?? null,
        start: to.start === null ? null : momentAt(to.start)
      }
    });
  }
  unpin = (task: string): Promise<Answer> => this.pin(task, { person: null, start: null });

  async stretch(task: string, minutes: number): Promise<Answer> {
    const { id, name, title } = this.#named(task);
    return record(`job:${id}`, { kind: 'task.stretched', payload: { task: name, title, minutes } });
  }
  async promise(job: number, at: string | null): Promise<Answer> {
    return record(`job:${this.jobs.get(job)!.id}`, { kind: 'job.promised', payload: { at } });
  }

  #named(task: string): { id: string; name: string; title: string } {
    const number = Number(task.slice(0, task.indexOf(':')));
    return {
      id: this.jobs.get(number)!.id,
      name: task.slice(taskId(number, '').length),
      title: this.tasks.get(task)!.title
    };
  }

  /** Searches on for a better plan, until it is done or stopped; what it found in words. */
  async searchLonger(): Promise<string> {
    this.#stop = false;
    this.searched = 0;
    const { workload, published, basis } = this.view;
    const plan = await this.#search!.search(
      { ...workload, previous: published.schedule.assigned },
      SEARCH_TRIES,
      Comlink.proxy((share) => {
        this.searched = share;
        return !this.#stop;
      })
    );
    this.searched = null;
    const response = await fetch('/api/board/plan', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ basis, assigned: plan.assigned, room: plan.room })
    }).catch(() => null);
    if (!response) return 'The server does not answer: the plan stays as it is';
    const answer = await response.json();
    if (!answer.ok) return answer.problems[0].message;
    return answer.value.kept ? 'A better plan was found' : 'No better plan was found';
  }
  stop = (): void => {
    this.#stop = true;
  };
}

const follows = (a: Assigned, b: Assigned): boolean =>
  a.job === b.job && a.person === b.person && a.place === b.place && a.end === b.start;

/** 35 min, or 2 h 10 min. */
export const minutesSaid = (minutes: number): string =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : minutes < 1440
      ? `${Math.floor(minutes / 60)} h${minutes % 60 ? ` ${Math.round(minutes % 60)} min` : ''}`
      : `${Math.round(minutes / 1440)} day${Math.round(minutes / 1440) === 1 ? '' : 's'}`;
