import { SOAKED_BELOW_C } from '../physics/coolant/cooling';
import type { Assigned, Schedule, Workload } from './workload';

/**
 * Every rule of the floor, held against a plan anew: it shares nothing with what made the plan. Empty where no rule is
 * broken.
 */
export function brokenRules(workload: Workload, plan: Schedule): string[] {
  const broken: string[] = [];
  const say = (a: Assigned, what: string) => broken.push(`${a.task} (${a.person}, ${a.start}): ${what}`);
  const tasks = new Map(
    workload.jobs.flatMap((j) => j.tasks.map((t) => [t.id, { job: j, task: t }] as const))
  );

  const seen = new Set<string>();
  for (const { task } of [...plan.assigned, ...plan.left]) {
    if (seen.has(task)) broken.push(`${task}: twice`);
    seen.add(task);
  }
  for (const id of tasks.keys()) if (!seen.has(id)) broken.push(`${id}: forgotten`);

  for (const a of plan.assigned) {
    const { task } = tasks.get(a.task)!;
    const person = workload.people.find((p) => p.name === a.person);
    if (a.start < workload.now) say(a, 'in the past');
    if (a.end - a.start < task.minutes + a.warmUpMin) say(a, 'too short');
    if (task.from !== null && a.start < task.from) say(a, 'before its part is there');
    if (!person) say(a, 'nobody of that name');
    else {
      if (task.skill && !person.skills.includes(task.skill)) say(a, 'no skill for it');
      if (!person.shifts.some((s) => s.from <= a.start && a.end <= s.to)) say(a, 'out of hours');
    }
    const site = workload.sites.find((s) => s.name === a.place);
    if (task.places.length > 0 && (!site || !task.places.includes(site.kind))) say(a, 'not at that place');
    if (task.places.length === 0 && a.place !== null) say(a, 'on the road, and at a place');
  }

  /** At no moment more than there is: it suffices to look when something begins. */
  const crowded = (all: readonly Assigned[], most: number, what: string) => {
    for (const a of all) {
      const at = all.filter((b) => b.start <= a.start && a.start < b.end).length;
      if (at > most) say(a, `${at} at once: ${what}`);
    }
  };
  for (const p of workload.people)
    crowded(
      plan.assigned.filter((a) => a.person === p.name),
      1,
      p.name
    );
  for (const s of workload.sites)
    crowded(
      plan.assigned.filter((a) => a.place === s.name),
      s.room,
      s.name
    );
  for (const [tool, n] of Object.entries(workload.tools))
    crowded(
      plan.assigned.filter((a) => tasks.get(a.task)!.task.tools.includes(tool)),
      n,
      tool
    );

  for (const j of workload.jobs) {
    const own = j.tasks.flatMap((t) => plan.assigned.filter((a) => a.task === t.id));
    if (
      own.length < j.tasks.length &&
      own.some((a) => j.tasks.findIndex((t) => t.id === a.task) >= own.length)
    )
      broken.push(`job ${j.job}: goes on past what is left`);
    own.forEach((a, i) => {
      if (i > 0 && a.start < own[i - 1].end) say(a, 'before what comes first on this job');
    });
  }
  for (const vehicle of new Set(workload.jobs.map((j) => j.vehicle))) {
    const own = plan.assigned
      .filter((a) => tasks.get(a.task)!.job.vehicle === vehicle)
      .toSorted((a, b) => a.start - b.start);
    const { engine } = workload.jobs.find((j) => j.vehicle === vehicle)!;
    let { overC, at, safeFrom } = engine;
    let end = -Infinity;
    for (const a of own) {
      const { task } = tasks.get(a.task)!;
      if (a.start < end) say(a, 'while something else is done on this vehicle');
      end = a.end;
      const now = overC * Math.exp(-Math.max(0, a.start - at) / engine.tauMin);
      if (task.engine === 'cold' && now > SOAKED_BELOW_C + 0.05)
        say(a, `not soaked: ${now.toFixed(1)} above the air`);
      if (task.engine === 'cool' && a.start < safeFrom) say(a, `the cap stays shut until ${safeFrom}`);
      if (task.engine === 'warm' && a.warmUpMin === 0 && now < 0.74 * engine.warmOverC) say(a, 'not warm');
      if (task.runs || a.warmUpMin > 0) {
        overC = engine.warmOverC;
        safeFrom = a.end + engine.coolMin;
        at = a.end;
      }
    }
  }
  return broken;
}
