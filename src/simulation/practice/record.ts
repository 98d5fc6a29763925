import { assembleCase, USUAL_SHOP, type Case as Known } from '../../core/diagnosis/case';
import type { Log } from '../../core/logs/channels';
import type { PracticeCase } from '../../core/practice/case';
import type { RecordEvent } from '../../core/record/events';
import { analyse } from '../../core/runs/analyse';
import { summaryOfRun, type RunSummary } from '../../core/runs/run-summary';
import type { Symptom } from '../../core/vehicle/symptoms';

/** Every practice begins on the same morning: its clock is its own. */
const BEGINS = Date.parse('2026-09-01T07:00:00.000Z');
const MIN_MS = 60_000;
/** It stood overnight before it was brought to the bay. */
const STOOD_MS = 15 * 60 * MIN_MS;
/** Numbers of ids: entries count from 1, runs from here on. */
const RUNS_FROM = 0x8000;
const VEHICLE = 0xfff0;

/** The clock of the bay, and the record that a job would have of what was done in it. */
export class PracticeRecord {
  readonly #of: PracticeCase;
  readonly #events: RecordEvent[] = [];
  readonly #runs: RunSummary[] = [];
  #log: Log | null = null;
  #known: { now: number; events: number; known: Known } | null = null;
  /** Milliseconds since 1970, by the clock of the bay. */
  now = BEGINS;

  constructor(of: PracticeCase, symptoms: readonly Symptom[]) {
    this.#of = of;
    this.enter('job.opened', {
      vehicleId: idOf(of.seed, VEHICLE),
      complaint: of.words,
      symptoms: [...symptoms],
      changedBefore: of.changedBefore,
      coolantChanged: null
    });
    this.ranUntil(new Date(BEGINS - STOOD_MS).toISOString());
  }

  get at(): string {
    return new Date(this.now).toISOString();
  }

  pass(minutes: number): void {
    this.now += minutes * MIN_MS;
  }

  enter(kind: RecordEvent['kind'], payload: object): void {
    this.#events.push({
      id: idOf(this.#of.seed, this.#events.length + 1),
      stream: `job:${idOf(this.#of.seed, 0)}`,
      who: 'Practice',
      at: this.at,
      version: 2,
      kind,
      payload
    } as RecordEvent);
  }

  /** Nobody measured how hot it was: the sensor may be what is wrong. */
  ranUntil(at: string): void {
    this.enter('engine.noted', {
      kind: 'ran-until',
      at,
      coolantC: null,
      ambientC: Math.round(this.#of.ambientC)
    });
  }

  /** The last log, as it came from the vehicle. */
  get log(): Log | null {
    return this.#log;
  }

  /** A log that ended now, analysed as an imported one is. */
  addRun(title: string, log: Log, startedAt: string): RunSummary {
    this.#log = log;
    const ect = log.channels.ect_c!;
    const run = summaryOfRun({
      id: idOf(this.#of.seed, RUNS_FROM + this.#runs.length),
      fileName: `${title}.csv`,
      importedAt: this.at,
      startedAt,
      durationS: log.t[log.t.length - 1],
      endC: ect[ect.length - 1],
      analysis: analyse(log, this.#of.sheet)
    });
    this.#runs.push(run);
    this.enter('run.imported', {
      runId: run.id,
      fileName: run.fileName,
      sizeBytes: 0,
      columns: [],
      skippedRows: 0
    });
    return run;
  }

  /** The job as Pyrethos would know it: what was measured, and nothing of what is hidden. */
  known(): Known {
    const had = this.#known;
    if (had?.now === this.now && had.events === this.#events.length) return had.known;
    const known = assembleCase({
      events: this.#events,
      vehicleFacts: [],
      runs: this.#runs,
      sheet: this.#of.sheet,
      shop: USUAL_SHOP,
      causes: {},
      at: this.at
    })!;
    this.#known = { now: this.now, events: this.#events.length, known };
    return known;
  }
}

const idOf = (seed: number, n: number): string =>
  `${(seed % 0xffffffff).toString(16).padStart(8, '0')}-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;
