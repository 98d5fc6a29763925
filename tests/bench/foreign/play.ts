import { createHash } from 'node:crypto';
import { CHECK_IDS, checkOf, type CheckId } from '../../../src/core/checks/registry';
import { caseFile, type CaseFile } from '../../../src/core/handover/case-file';
import { caseOfFile } from '../../../src/core/handover/case-of-file';
import { readJobFile } from '../../../src/core/handover/job-file';
import type { FaultId } from '../../../src/core/vehicle/faults';
import { TEXTBOOK } from '../diagnosis/textbook';
import { HANDS } from './hands';
import { jobOf, sceneOf, type Job } from './jobs';
import { csvOf } from './logger';

/** How a job of this world went. */
export interface Played {
  readonly seed: number;
  readonly vehicle: string;
  readonly faults: readonly FaultId[];
  readonly bad: number;
  readonly ambientC: number;
  readonly suspects: readonly (readonly [FaultId, number])[];
  readonly repairs: readonly string[];
  readonly checks: readonly string[];
  readonly minutes: number;
  readonly refused: readonly string[];
  /** What was read, as numbers, for a player that learns: kept where every check was done. */
  readonly read?: Readonly<Record<string, number>>;
}

const MOST = 20;
const START = Date.parse('2026-09-01T07:00:00Z');
const uuid = (text: string) => {
  const h = createHash('sha1').update(text).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
};

/** The record of a job of this world as a job file: what any program would send that drives the product. */
class Sheet {
  readonly events: Record<string, unknown>[] = [];
  readonly runs: Record<string, unknown>[] = [];
  #now = START;
  phase: 'cold' | 'warm' = 'cold';
  readonly #job: Job;
  readonly #ids: { job: string; vehicle: string; spec: string };
  constructor(job: Job) {
    this.#job = job;
    this.#ids = { job: uuid(`job${job.seed}`), vehicle: uuid(`v${job.seed}`), spec: uuid(`s${job.seed}`) };
    this.add('job.opened', {
      complaint: 'As told',
      symptoms: job.symptoms,
      changedBefore: '',
      coolantChanged: null,
      vehicleId: this.#ids.vehicle
    });
    this.soaked();
  }
  get at(): string {
    return new Date(this.#now).toISOString();
  }
  pass(minutes: number): void {
    this.#now += minutes * 60_000;
  }
  add(kind: string, payload: unknown): void {
    this.events.push({
      id: uuid(`${this.#job.seed}/${this.events.length}`),
      stream: `job:${this.#ids.job}`,
      who: 'Foreign hand',
      at: this.at,
      version: 2,
      kind,
      payload
    });
  }
  soaked(): void {
    this.add('engine.noted', {
      kind: 'ran-until',
      at: new Date(this.#now - 15 * 3_600_000).toISOString(),
      coolantC: 88,
      ambientC: Math.round(this.#job.ambientC)
    });
    this.phase = 'cold';
  }
  /** The engine where a check wants it. */
  ready(check: CheckId): number {
    const phases = checkOf(check).phases as readonly string[];
    if (phases.includes('X')) return 0;
    const wants =
      phases.includes('C') && this.phase === 'cold'
        ? 'cold'
        : phases.includes('W') && this.phase === 'cold'
          ? 'cold'
          : phases.some((p) => p === 'R' || p === 'H')
            ? 'warm'
            : 'cold';
    if (wants === 'warm' && this.phase === 'cold') {
      this.add('engine.noted', { kind: 'started', at: this.at });
      this.pass(14);
      this.phase = 'warm';
      return 12;
    }
    if (wants === 'cold' && this.phase === 'warm') {
      this.pass(15 * 60);
      this.soaked();
      return 5;
    }
    return 0;
  }
  run(name: string, csv: string): void {
    const runId = uuid(`${this.#job.seed}/run/${name}`);
    this.add('run.imported', {
      runId,
      fileName: `${name}.csv`,
      sizeBytes: csv.length,
      columns: [],
      skippedRows: 0
    });
    this.runs.push({
      id: runId,
      fileName: `${name}.csv`,
      importedAt: this.at,
      startedAt: null,
      csv,
      specSheetId: this.#ids.spec
    });
    this.phase = 'warm';
  }
  file(): unknown {
    const { vehicle, spec } = this.#ids;
    const own = (id: string, kind: string, payload: unknown) => ({
      id,
      stream: `vehicle:${vehicle}`,
      who: 'Foreign hand',
      at: new Date(START - 86_400_000).toISOString(),
      version: 2,
      kind,
      payload
    });
    const sheet = this.#job.s.sheet;
    return {
      format: 'pyrethos.job',
      version: 1,
      exportedAt: this.at,
      number: this.#job.seed,
      vehicle: {
        id: vehicle,
        fleetNo: 'F',
        name: sheet.name,
        note: '',
        events: [
          own(uuid(`e${this.#job.seed}`), 'vehicle.entered', { fleetNo: 'F', name: sheet.name, note: '' }),
          own(spec, 'spec.saved', { sheet })
        ]
      },
      sheet,
      events: this.events,
      runs: this.runs
    };
  }
}

function caseNow(sheet: Sheet): CaseFile {
  const read = readJobFile(sheet.file());
  if (!read.ok) throw new Error(`The job file is refused: ${JSON.stringify(read.problems.slice(0, 3))}`);
  const job = caseOfFile(read.value, sheet.at);
  if (!job.ok) throw new Error(`No case: ${JSON.stringify(job.problems.slice(0, 3))}`);
  return caseFile(job.value);
}

/** Does one check as this world's hands do it, and writes it down. What came of it: null where it cannot be done. */
function doCheck(job: Job, sheet: Sheet, check: CheckId): { minutes: number; refused: string | null } {
  const { scene, cannot } = sceneOf(job, check);
  const wait = sheet.ready(check);
  const minutes = checkOf(check).minutes + wait;
  sheet.pass(checkOf(check).minutes);
  if (check === 'warm-up-run' || check === 'road-run') {
    sheet.run(check, csvOf(scene, check === 'road-run'));
    return { minutes, refused: null };
  }
  const readings = cannot ? null : (HANDS[check]?.(scene) ?? null);
  if (readings === null) {
    sheet.add('check.skipped', { check, why: 'Cannot be done here' });
    return { minutes: wait + 1, refused: null };
  }
  const parsed = checkOf(check).readings.safeParse(readings);
  const problems = parsed.success
    ? checkOf(check).refuse(parsed.data, job.s.sheet)
    : parsed.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message }));
  if (problems.length > 0) {
    sheet.add('check.skipped', { check, why: 'Refused' });
    return { minutes, refused: `${check}: ${problems[0].field} ${problems[0].message}` };
  }
  sheet.add('check.recorded', { check, byHand: false, readings, confirmed: [], replaces: null });
  return { minutes, refused: null };
}

/** What is done next, by what the product says now; null to act. */
type Chooser = (now: CaseFile, done: readonly CheckId[]) => CheckId | null;

/** Does what the product names next, until it says to act. */
export const byAdvice: Chooser = (now, done) =>
  now.advice.act
    ? null
    : ([now.next, ...now.alternatives].find((n) => n && !done.includes(n.check))?.check ?? null);

/** The fixed order of a book, until one suspect other than nothing is as good as sure. */
export const byTheBook: Chooser = (now, done) => {
  const [first] = now.suspects;
  if (first.probability >= SURE && first.fault !== 'none') return null;
  const lacking = now.plan.lacking.map((l) => l.id);
  return TEXTBOOK.find((id) => !done.includes(id) && !lacking.includes(id)) ?? null;
};
const SURE = 0.95;

export function play(seed: number, choose: Chooser, most = MOST): Played {
  const job = jobOf(seed);
  const sheet = new Sheet(job);
  const checks: CheckId[] = [];
  const refused: string[] = [];
  let minutes = 0;
  let filled = false;
  let now = caseNow(sheet);
  while (checks.length < most) {
    const next = choose(now, checks);
    if (!next && !filled && now.dangers.some((d) => d.holds && ['low', 'empty'].includes(d.id))) {
      // What is low is filled before the engine runs again.
      filled = true;
      minutes += 8;
      sheet.add('coolant.serviced', {
        outL: 0,
        inL: 1,
        withPct: 50,
        nowPct: 50,
        renewed: false,
        odometerKm: null
      });
      sheet.pass(8);
      now = caseNow(sheet);
      continue;
    }
    if (!next) break;
    checks.push(next);
    const done = doCheck(job, sheet, next);
    minutes += done.minutes;
    if (done.refused) refused.push(done.refused);
    now = caseNow(sheet);
  }
  return playedAs(job, checks, minutes, refused, now);
}

/** Every check there is, each once: what the readings of a job can tell at all. */
export function playAll(seed: number): Played {
  const job = jobOf(seed);
  const sheet = new Sheet(job);
  const stretch = (id: CheckId) => Math.min(...checkOf(id).phases.map((p) => 'CWRHXB'.indexOf(p)));
  const checks = CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(job.s.sheet)).toSorted(
    (a, b) => stretch(a) - stretch(b)
  );
  const refused = checks.flatMap((id) => doCheck(job, sheet, id).refused ?? []);
  const now = caseNow(sheet);
  return { ...playedAs(job, checks, 0, refused, now), read: numbersOf(job, now) };
}

/**
 * All that was read, as numbers by name: complaint, readings, what was judged of each check, and what the runs say.
 * Nothing of the second opinion is among them.
 */
function numbersOf(job: Job, now: CaseFile): Record<string, number> {
  const read: Record<string, number> = { ambient: job.ambientC };
  const take = (name: string, value: unknown): void => {
    if (typeof value === 'number' && Number.isFinite(value)) read[name] = value;
    else if (typeof value === 'boolean') read[name] = Number(value);
    else if (typeof value === 'string') read[`${name}=${value}`] = 1;
    else if (Array.isArray(value) && typeof value[0] === 'string')
      for (const inner of value) take(name, inner);
    else if (value && typeof value === 'object')
      for (const [key, inner] of Object.entries(value)) take(`${name}.${key}`, inner);
  };
  for (const symptom of job.symptoms) take('symptom', JSON.stringify(symptom));
  take('sheet', job.s.sheet);
  for (const { check, readings, result, found } of now.checks) take(check, { readings, result, found });
  for (const { fileName, verdict, suspects } of now.runs) {
    take(fileName, verdict);
    for (const { fault, probability } of suspects) take(`${fileName}/${fault}`, probability);
  }
  return read;
}

const playedAs = (
  job: Job,
  checks: readonly string[],
  minutes: number,
  refused: readonly string[],
  now: CaseFile
): Played => ({
  seed: job.seed,
  vehicle: job.s.sheet.name,
  faults: job.s.faults,
  bad: job.s.bad,
  ambientC: job.ambientC,
  suspects: now.suspects.map((s) => [s.fault, s.probability] as const),
  repairs: now.advice.repairs,
  checks,
  minutes,
  refused
});
