import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { writeLog } from '../src/core/logs/csv-export';
import type { Log } from '../src/core/logs/channels';
import { jobFile, type JobFile } from '../src/core/handover/job-file';
import { brokenIn } from '../src/core/handover/integrity';
import type { SpecSheet } from '../src/core/vehicle/spec-sheet';
import type { PlantParams } from '../src/core/physics/plant/params';
import { seeded } from '../src/core/base/random';
import { deriveJob } from '../src/core/record/derive';
import type { EventInput, RecordEvent } from '../src/core/record/events';
import { readEvent } from '../src/core/record/upcast';
import { factsOf, judgeChecks } from '../src/core/diagnosis/judged';
import { proofOf, type ProofRun } from '../src/core/diagnosis/proof';
import { analyse, bandFor, type Analysis } from '../src/core/runs/analyse';
import { verdictTitle } from '../src/core/runs/words';
import { LIBRARY } from '../src/core/physics/thermistor/library';
import { strangeVehicle } from '../src/simulation/cases/strange-vehicle';
import { PEOPLE, type FLEET } from './quillhaven';

/** The day the year ends: the loader moves it to today. */
export const MADE = new Date('2026-11-25T12:00:00Z');

export const DAY = 86_400_000;
export const HOUR = 3_600_000;

function idOf(name: string): string {
  const h = createHash('sha256').update(`quillhaven/year/${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

export interface Vehicle {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly spec: SpecSheet;
  readonly sheetId: string;
  readonly events: readonly RecordEvent[];
  readonly sound: PlantParams;
}

const read = (input: object): RecordEvent => {
  const event = readEvent(input);
  if (!event.ok) throw new Error(JSON.stringify(event.problems));
  return event.value;
};

export function vehicleOf([fleetNo, sheet, name, note]: (typeof FLEET)[number], i: number): Vehicle {
  const spec = JSON.parse(readFileSync(`demo/specs/${sheet}.spec.json`, 'utf8')) as SpecSheet;
  const id = idOf(`vehicle/${fleetNo}`);
  const sheetId = idOf(`sheet/${fleetNo}`);
  const entry = { stream: `vehicle:${id}`, who: PEOPLE[0], at: new Date(+MADE - 400 * DAY).toISOString() };
  const events = [
    read({
      ...entry,
      id: idOf(`entered/${fleetNo}`),
      kind: 'vehicle.entered',
      payload: { fleetNo, name, note }
    }),
    read({ ...entry, id: sheetId, kind: 'spec.saved', payload: { sheet: spec } })
  ];
  return { id, fleetNo, name, note, spec, sheetId, events, sound: strangeVehicle(spec, seeded(500 + i)) };
}

/** A job as it is written: entries in order, the clock going on. */
export class Writer {
  readonly events: RecordEvent[] = [];
  readonly runs: (JobFile['runs'][number] & { readonly analysis: Analysis })[] = [];
  #n = 0;
  constructor(
    readonly vehicle: Vehicle,
    readonly key: string,
    readonly who: string,
    public at: number
  ) {}

  get stream(): string {
    return `job:${idOf(this.key)}`;
  }
  add(body: EventInput, minutes = 3, who = this.who): void {
    this.at += minutes * 60_000;
    const entry = {
      id: idOf(`${this.key}/${this.#n++}`),
      stream: this.stream,
      who,
      at: new Date(this.at).toISOString()
    };
    this.events.push(read({ ...entry, ...body }));
  }
  wait(hours: number): void {
    this.at += hours * HOUR;
  }
  run(log: Log, name: string): Analysis {
    const analysis = analyse(log, this.vehicle.spec);
    const band = bandFor(log, this.vehicle.spec);
    const id = idOf(`${this.key}/run${this.runs.length}`);
    const csv = writeLog(log, { exact: true });
    this.add(
      {
        kind: 'run.imported',
        payload: { runId: id, fileName: name, sizeBytes: csv.length, columns: [], skippedRows: 0 }
      },
      Math.ceil(log.t.at(-1)! / 60) + 4
    );
    this.runs.push({
      id,
      fileName: name,
      importedAt: new Date(this.at).toISOString(),
      startedAt: null,
      csv,
      specSheetId: this.vehicle.sheetId,
      analysis,
      band: rounded(band) as typeof band
    });
    return analysis;
  }
  get proofRuns(): ProofRun[] {
    return this.runs.map((r) => ({
      id: r.id,
      at: r.importedAt,
      title: verdictTitle(r.analysis),
      verdict: r.analysis.verdict,
      features: r.analysis.features
    }));
  }
  /** The proof by the product’s own rules, as of now. */
  proof() {
    const state = deriveJob(this.events)!;
    const last = state.repairs.at(-1)!;
    const judged = judgeChecks(state, factsOf(state, []), this.vehicle.spec, LIBRARY);
    return proofOf({
      repairedAt: last.at,
      done: judged,
      runs: this.proofRuns,
      sheet: this.vehicle.spec,
      symptoms: state.intake.symptoms
    });
  }
  file(number: number): JobFile {
    const { id, fleetNo, name, note, events, spec } = this.vehicle;
    const state = deriveJob(this.events)!;
    const made = jobFile({
      exportedAt: MADE.toISOString(),
      number,
      vehicle: { id, fleetNo, name, note, events: [...events] },
      sheet: spec,
      events: this.events,
      facts: factsOf(state, []),
      curves: LIBRARY,
      runs: this.runs,
      photos: []
    });
    const broken = brokenIn(made);
    if (broken.length > 0) throw new Error(`${fleetNo} ${this.key}: ${JSON.stringify(broken)}`);
    return made;
  }
}

/** A tenth of a degree is enough for a picture of a band. */
const rounded = (value: unknown): unknown =>
  typeof value === 'number'
    ? Math.round(value * 10) / 10
    : Array.isArray(value)
      ? value.map(rounded)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, rounded(v)]))
        : value;
