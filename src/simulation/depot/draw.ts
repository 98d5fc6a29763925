import type { Random } from '../../core/base/random';
import type { Skill } from '../../core/record/floor';
import type { EngineHeat, JobToDo, Minute, Workload, Site, ToDo, Worker } from '../../core/schedule/workload';

/** A Monday morning, 7:30. */
export const MONDAY: Minute = Math.round(Date.parse('2026-11-30T07:30:00Z') / 60_000);
const DAY = 24 * 60;
const SHIFT = 570;
/** Days that are planned. */
const DAYS = 4;

/** How big a depot is that is drawn. */
export interface Size {
  readonly vehicles: number;
  readonly people: number;
}

const shiftsOf = (lateMin: number) =>
  Array.from({ length: DAYS }, (_, d) => ({
    from: MONDAY + d * DAY + lateMin,
    to: MONDAY + d * DAY + SHIFT
  }));

/** A usual cap may be opened at half of what a warm engine is above the air, by a clock half as long again. */
export function standingEngine(of: Pick<EngineHeat, 'at' | 'warmOverC' | 'tauMin'>): EngineHeat {
  const coolMin = Math.ceil(1.5 * of.tauMin * Math.log(2));
  return { ...of, overC: of.warmOverC, coolMin, safeFrom: of.at + coolMin };
}

/** A depot on a Monday morning: vehicles as they stand in the yard, each with what is to be done. */
export function drawDepot(random: Random, { vehicles, people }: Size): Workload {
  const between = (low: number, high: number) => Math.round(low + (high - low) * random());
  const chance = (p: number) => random() < p;
  const workers: Worker[] = Array.from({ length: people }, (_, i) => {
    const skills: Skill[] = [];
    // Somebody can do each thing.
    if (i === 0 || chance(0.5)) skills.push('electrical');
    if (i === 0 || chance(0.6)) skills.push('cooling');
    if (i <= 1 || chance(0.6)) skills.push('road');
    return { name: `Person ${i + 1}`, skills, shifts: shiftsOf(chance(0.2) ? between(0, 120) : 0) };
  });
  const bays = Math.max(1, Math.round(people * 0.5));
  const sites: Site[] = [
    ...Array.from({ length: bays }, (_, i) => ({ name: `Bay ${i + 1}`, kind: 'bay' as const, room: 1 })),
    ...Array.from({ length: Math.max(1, Math.round(people / 4)) }, (_, i) => ({
      name: `Extraction ${i + 1}`,
      kind: 'extraction' as const,
      room: 1
    })),
    { name: 'Yard', kind: 'yard', room: Math.max(4, people) },
    { name: 'Bench', kind: 'bench', room: 1 }
  ];
  const jobs = Array.from({ length: vehicles }, (_, i): JobToDo => {
    const job = i + 1;
    const warmOverC = between(60, 85);
    const standing = chance(0.75);
    const tasks: ToDo[] = [];
    const add = (task: Partial<ToDo> & Pick<ToDo, 'title' | 'minutes' | 'engine'>) =>
      tasks.push({
        id: `${job}/${tasks.length}`,
        kind: 'check',
        chance: 1,
        runs: false,
        skill: null,
        places: ['bay', 'extraction', 'yard'],
        tools: [],
        from: null,
        ...task
      });
    if (chance(0.7)) add({ title: 'Look', minutes: between(5, 12), engine: 'cold' });
    if (chance(0.4))
      add({ title: 'Sensors agree', minutes: between(5, 10), engine: 'cold', tools: ['Scan tool'] });
    if (chance(0.3))
      add({
        title: 'Circuit',
        minutes: between(8, 25),
        engine: 'any',
        skill: 'electrical',
        tools: ['Meter']
      });
    if (chance(0.6))
      add({
        title: 'Warm-up run',
        minutes: between(22, 35),
        engine: 'cold',
        runs: true,
        places: ['extraction', 'yard'],
        tools: ['Scan tool']
      });
    if (chance(0.4))
      add({
        title: 'Warm check',
        minutes: between(5, 15),
        engine: 'warm',
        runs: true,
        places: ['extraction', 'yard']
      });
    if (chance(0.2))
      add({
        title: 'Road run',
        minutes: between(25, 45),
        engine: 'warm',
        runs: true,
        places: [],
        skill: 'road'
      });
    if (chance(0.6) || tasks.length === 0) {
      const drains = chance(0.5);
      add({
        title: 'Repair',
        kind: 'repair',
        minutes: between(30, 120),
        engine: drains ? 'cool' : 'any',
        skill: drains ? 'cooling' : null,
        places: ['bay', 'extraction'],
        from: chance(0.15) ? MONDAY + DAY + 60 : null
      });
      add({
        title: 'Proof run',
        kind: 'proof',
        minutes: 25,
        engine: 'cold',
        runs: true,
        places: ['extraction', 'yard'],
        tools: ['Scan tool']
      });
    }
    return {
      job,
      vehicle: `F-${job}`,
      fleetNo: `F-${job}`,
      opened: MONDAY - between(0, 3 * DAY),
      promised: chance(0.8) ? MONDAY + between(0, DAYS - 2) * DAY + between(180, SHIFT) : null,
      engine: standingEngine({
        at: MONDAY - (standing ? between(600, 1200) : between(10, 120)),
        warmOverC,
        tauMin: between(80, 130)
      }),
      tasks,
      roomMin: chance(0.3) ? between(10, 40) : 0
    };
  });
  return {
    now: MONDAY,
    jobs,
    people: workers,
    sites,
    tools: { 'Scan tool': Math.max(1, Math.round(people * 0.5)), Meter: Math.max(1, Math.round(people / 3)) },
    pins: [],
    previous: []
  };
}
