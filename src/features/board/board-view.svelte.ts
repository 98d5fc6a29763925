import * as Comlink from 'comlink';
import { goto } from '$app/navigation';
import { jobOf, PLANNED_DAYS, taskOf } from '$core/schedule/board';
import { minuteOf, momentAt } from '$core/schedule/hours';
import { boundsOf } from '$core/schedule/bounds';
import { dayAfter, dayIn, momentOf } from '$core/base/zone';
import type { Assigned, Minute, Pin, Schedule, Workload } from '$core/schedule/workload';
import { madeLate, toldOf } from '$core/schedule/told';
import { record, type Answer } from '$lib/ui/outbox/record.svelte';
import type { BoardView } from '$lib/views';
import type { SearchWorker } from '$lib/workers/search';
import { minutesSaid, tasksOf } from './words';

/** Where a task would go. */
export interface Move {
  readonly task: string;
  readonly person: string;
  readonly start: Minute;
}

/** What a move would do, in words; null while it is being found out. */
interface Consequence {
  readonly of: Move;
  readonly says: string;
  readonly bad: boolean;
  /** It cannot be there at all: nothing is dropped. */
  readonly refused: boolean;
}

/** Tries of a look at what a move would do: it must be there while the hand still holds it. */
const PREVIEW_TRIES = 40;
const SEARCH_TRIES = 6000;
/** The board of a page: what is shown of the plan, what a move would do, and a longer search. */
export class BoardState {
  /** Where the day and the task stand that are shown. */
  #address = () => new URLSearchParams();
  view = $state.raw<BoardView>()!;
  consequence = $state.raw<Consequence | null>(null);
  /** The share of a longer search that is done; null while none runs. */
  searched = $state<number | null>(null);
  #worker: Worker | null = null;
  #search: Comlink.Remote<SearchWorker> | null = null;
  #stop = false;

  readonly days = $derived.by(() => {
    const today = dayIn(this.view.zone, new Date(this.view.now));
    return Array.from({ length: PLANNED_DAYS }, (_, n) => dayAfter(today, n));
  });
  /** The day that is shown, YYYY-MM-DD: the one in the address, else the first with anything on it. */
  readonly day = $derived.by(() => {
    const asked = this.#address().get('day');
    return asked && this.days.includes(asked) ? asked : this.#firstDay();
  });
  /** The task whose panel is open. */
  readonly selected = $derived(this.#address().get('task'));
  readonly jobs = $derived(new Map(this.view.jobs.map((j) => [j.number, j])));
  readonly tasks = $derived(tasksOf(this.view));
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
  /** The whole hours among them. */
  readonly ticks = $derived(
    this.hours
      ? Array.from({ length: (this.hours.to - this.hours.from) / 60 }, (_, i) => this.hours!.from + 60 * i)
      : []
  );
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

  constructor(view: BoardView, address: () => URLSearchParams) {
    this.#address = address;
    this.view = view;
  }

  /** The first day with anything on it: three minutes before the end of a shift that is tomorrow. */
  #firstDay(): string {
    const { zone, now, workload, published } = this.view;
    const starts = published.schedule.assigned.filter((a) => a.end > minuteOf(now)).map((a) => a.start);
    const all = starts.length > 0 ? starts : workload.people.flatMap((p) => p.shifts.map((s) => s.from));
    const first = all.length > 0 ? dayIn(zone, new Date(Math.min(...all) * 60_000)) : this.days[0];
    return this.days.includes(first) ? first : this.days[0];
  }

  /** Shows another day or task; both are kept in the address. */
  show(change: { readonly day?: string; readonly task?: string | null }): void {
    const next = { day: this.#address().get('day'), task: this.selected, ...change };
    const params = new URLSearchParams(Object.entries(next).flatMap(([k, v]) => (v ? [[k, v]] : [])));
    void goto(`?${params}`, { replaceState: true, noScroll: true, keepFocus: true });
  }
  /** The day before, or the next. */
  step(by: -1 | 1): void {
    const day = this.days[this.days.indexOf(this.day) + by];
    if (day) this.show({ day, task: null });
  }

  start(): () => void {
    this.#worker = new Worker(new URL('../../lib/workers/search.ts', import.meta.url), { type: 'module' });
    this.#search = Comlink.wrap<SearchWorker>(this.#worker);
    return () => this.#worker?.terminate();
  }

  isLate = (job: number): boolean => this.told.get(job)?.late ?? false;
  /** What a vehicle is called that a task is of. */
  fleetNo = (task: string): string => this.jobs.get(jobOf(task))?.fleetNo ?? '';
  assignedOf = (task: string): Assigned | undefined =>
    this.view.published.schedule.assigned.find((a) => a.task === task);
  /** Where a minute stands on the scale, 0 to 100. */
  place = (at: Minute): number =>
    this.hours ? (100 * (at - this.hours.from)) / (this.hours.to - this.hours.from) : 0;

  /** Finds out what a move would make late, before it is made. */
  async look(move: Move): Promise<void> {
    this.consequence = { of: move, says: 'Looking at what this would change', bad: false, refused: false };
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

  #saysOf(workload: Workload, plan: Schedule, move: Move): Omit<Consequence, 'of'> {
    const loose = plan.loose.find((l) => l.task === move.task);
    if (loose) return { says: `Not possible there: ${loose.because}`, bad: true, refused: true };
    const late = madeLate(this.view.published.told, toldOf(workload, plan, boundsOf(workload)));
    if (late.length === 0) return { says: 'Makes nothing late', bad: false, refused: false };
    const words = late.slice(0, 3).map(({ job, lateMin }) => {
      const { fleetNo } = this.jobs.get(job)!;
      return Number.isFinite(lateMin)
        ? `${fleetNo} ${minutesSaid(lateMin)} late`
        : `${fleetNo} finds no hour`;
    });
    return {
      says: `Makes ${words.join(', ')}${late.length > 3 ? ` and ${late.length - 3} more` : ''}`,
      bad: true,
      refused: false
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
    return {
      id: this.jobs.get(jobOf(task))!.id,
      name: taskOf(task),
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
