import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { DEMO_WHO } from '../src/core/record/derive';
import { seeded } from '../src/core/base/random';
import { assembleCase, USUAL_SHOP, type Case, type CaseInput } from '../src/core/diagnosis/case';
import { brokenIn } from '../src/core/handover/integrity';
import { jobFile, type JobFile } from '../src/core/handover/job-file';
import type { Log } from '../src/core/logs/channels';
import { writeLog } from '../src/core/logs/csv-export';
import type { PlantParams } from '../src/core/physics/plant/params';
import type { EventInput, RecordEvent } from '../src/core/record/events';
import { readEvent } from '../src/core/record/upcast';
import { analyse, bandFor, type Analysis } from '../src/core/runs/analyse';
import { summaryOfRun, type RunSummary } from '../src/core/runs/run-summary';
import type { SpecSheet } from '../src/core/vehicle/spec-sheet';
import { strangeVehicle } from '../src/simulation/cases/strange-vehicle';
import type { FLEET } from './quillhaven';

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
  const entry = { stream: `vehicle:${id}`, who: DEMO_WHO, at: new Date(+MADE - 400 * DAY).toISOString() };
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

/** The depot works from 7:30 to 17:00 on weekdays and to noon on Saturdays: nothing is entered outside of it. */
const OPENS_MIN = 7 * 60 + 30;
const closesMin = (day: number): number => (day === 0 ? 0 : day === 6 ? 12 * 60 : 17 * 60);

/** The same moment if the depot is open then, else when it opens next. */
export function whenOpen(at: number): number {
  const date = new Date(at);
  const minute = date.getUTCHours() * 60 + date.getUTCMinutes();
  const closes = closesMin(date.getUTCDay());
  if (minute >= OPENS_MIN && minute < closes) return at;
  const midnight = Date.UTC(date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate());
  if (minute < OPENS_MIN && closes > 0) return midnight + OPENS_MIN * 60_000;
  return whenOpen(midnight + DAY + OPENS_MIN * 60_000);
}

/** A job as it is written: entries in order, the clock going on through the depot's hours. */
export class Writer {
  readonly events: RecordEvent[] = [];
  readonly runs: (JobFile['runs'][number] & { readonly analysis: Analysis; readonly summary: RunSummary })[] =
    [];
  #n = 0;
  constructor(
    readonly vehicle: Vehicle,
    readonly key: string,
    readonly who: string,
    public at: number
  ) {
    this.at = whenOpen(at);
  }

  get stream(): string {
    return `job:${idOf(this.key)}`;
  }
  add(body: EventInput, minutes = 3, who = this.who): void {
    this.at = whenOpen(this.at + minutes * 60_000);
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
    const importedAt = new Date(this.at).toISOString();
    const judged = { id, fileName: name, importedAt, startedAt: null, analysis };
    this.runs.push({
      ...judged,
      csv,
      specSheetId: this.vehicle.sheetId,
      band: rounded(band) as typeof band,
      summary: summaryOfRun({
        ...judged,
        durationS: log.t.at(-1)!,
        endC: Array.from(log.channels.ect_c!).findLast((v) => !Number.isNaN(v)) ?? null
      })
    });
    return analysis;
  }
  get #known(): CaseInput {
    return {
      events: this.events,
      vehicleFacts: [],
      runs: this.runs.map((r) => r.summary),
      sheet: this.vehicle.spec,
      shop: USUAL_SHOP,
      causes: {},
      at: new Date(this.at).toISOString()
    };
  }
  /** The job as the product sees it, as of now. */
  case(): Case {
    return assembleCase(this.#known)!;
  }
  file(number: number): JobFile {
    const { id, fleetNo, name, note, events } = this.vehicle;
    const made = jobFile({
      exportedAt: MADE.toISOString(),
      number,
      vehicle: { id, fleetNo, name, note, events: [...events] },
      known: this.#known,
      runs: this.runs.map(({ summary: _, ...run }) => run),
      photos: []
    });
    const broken = brokenIn(made);
    if (broken.length > 0) throw new Error(`${fleetNo} ${this.key}: ${JSON.stringify(broken)}`);
    // What the case says follows from the rest; without it the year is half as large.
    const { case: _, ...file } = made;
    return file as JobFile;
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
