import { warmUpAt } from './engine';
import type { EngineHeat, Minute, Site, Span, ToDo, Worker, Workload } from './workload';

/** Times at which something is taken, in order. */
class Taken {
  readonly spans: Span[] = [];
  /** The end of the first span that overlaps; null where it is free. */
  clash(from: Minute, to: Minute): Minute | null {
    for (const s of this.spans) {
      if (s.from >= to) return null;
      if (s.to > from) return s.to;
    }
    return null;
  }
  /** From when on there is room again, where there are as many as there may be at some moment; null where there is room. */
  crowded(from: Minute, to: Minute, most: number): Minute | null {
    const over: Span[] = [];
    for (const s of this.spans) {
      if (s.from >= to) break;
      if (s.to > from) over.push(s);
    }
    // Crowded is a moment at which one begins; the last such moment is over when the first of its crowd ends.
    for (let last = over.length - 1; last >= most - 1; last--) {
      const at = Math.max(over[last].from, from);
      let n = 0;
      let firstEnd = Infinity;
      for (let i = 0; i <= last; i++) {
        if (over[i].to <= at) continue;
        n++;
        firstEnd = Math.min(firstEnd, over[i].to);
      }
      if (n >= most) return firstEnd;
    }
    return null;
  }
  add(span: Span): void {
    let i = this.spans.length;
    while (i > 0 && this.spans[i - 1].from > span.from) i--;
    this.spans.splice(i, 0, span);
  }
  drop(span: Span): void {
    this.spans.splice(this.spans.indexOf(span), 1);
  }
}

/** A person, a place and a time for a task. */
export interface Fit {
  readonly person: Worker;
  readonly site: Site | null;
  readonly start: Minute;
  readonly end: Minute;
  readonly warmUpMin: number;
}

/** What of hands, places and tools is taken in a plan that is being made. */
export class Occupancy {
  readonly people: Map<string, Taken>;
  readonly sites: Map<string, Taken>;
  readonly tools: Map<string, Taken>;
  readonly #of: Workload;
  constructor(of: Workload) {
    this.#of = of;
    this.people = new Map(of.people.map((p) => [p.name, new Taken()]));
    this.sites = new Map(of.sites.map((s) => [s.name, new Taken()]));
    this.tools = new Map(Object.keys(of.tools).map((t) => [t, new Taken()]));
  }

  /** What keeps a task from a moment on: when it is worth looking again, or null where nothing does. */
  #held(task: ToDo, site: Site | null, from: Minute, to: Minute): Minute | null {
    if (site) {
      const again = this.sites.get(site.name)!.crowded(from, to, site.room);
      if (again !== null) return again;
    }
    for (const tool of task.tools) {
      const again = this.tools.get(tool)?.crowded(from, to, this.#of.tools[tool]) ?? null;
      if (again !== null) return again;
    }
    return null;
  }

  /** The first time a person can do a task at one of the places, not before `from`; null where they never can. */
  first(
    task: ToDo,
    engine: EngineHeat,
    person: Worker,
    sites: readonly (Site | null)[],
    from: Minute,
    before = Infinity
  ): Fit | null {
    const own = this.people.get(person.name)!;
    for (const shift of person.shifts) {
      let start = Math.max(shift.from, from);
      while (start < shift.to && start < before) {
        const warmUpMin = warmUpAt(engine, task.engine, start);
        const end = start + task.minutes + warmUpMin;
        if (end > shift.to || end >= before) break;
        const busy = own.clash(start, end);
        if (busy !== null) {
          start = busy;
          continue;
        }
        let again = Infinity;
        for (const site of sites) {
          const held = this.#held(task, site, start, end);
          if (held === null) return { person, site, start, end, warmUpMin };
          again = Math.min(again, held);
        }
        start = again;
      }
    }
    return null;
  }

  take(task: ToDo, { person, site, start, end }: Fit): () => void {
    const span = { from: start, to: end };
    const all = [
      this.people.get(person.name)!,
      ...(site ? [this.sites.get(site.name)!] : []),
      ...task.tools.flatMap((t) => this.tools.get(t) ?? [])
    ];
    for (const taken of all) taken.add(span);
    return () => all.forEach((taken) => taken.drop(span));
  }
}
