import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { CHECK_IDS, checkOf, type CheckId } from '../src/core/checks/registry';
import { writeLog } from '../src/core/formats/csv-export';
import type { Log } from '../src/core/formats/channels';
import { jobFile, type JobFile } from '../src/core/formats/job-file';
import { brokenIn } from '../src/core/formats/whole';
import type { SpecSheet } from '../src/core/formats/spec-sheet';
import type { SymptomId } from '../src/core/intake/symptoms';
import { DRIVES, type Leg } from '../src/core/plant/drive';
import { logFrom } from '../src/core/plant/log-from';
import type { FaultId } from '../src/core/plant/faults';
import type { PlantParams } from '../src/core/plant/params';
import { normalDraw, seeded, type Random } from '../src/core/random';
import { deriveJob } from '../src/core/record/derive';
import { readEvent, type EventInput, type RecordEvent } from '../src/core/record/events';
import { factsOf, judgeChecks } from '../src/core/record/judged';
import { repairFor, repairOf, type RepairId } from '../src/core/repair/catalogue';
import { USUAL_COSTS } from '../src/core/repair/costs';
import { adviceOf, choiceOf, offersOf } from '../src/core/repair/decide';
import { closings, proofOf, type ProofRun } from '../src/core/repair/proof';
import { stepsOf } from '../src/core/repair/steps';
import { analyse, bandFor, type Analysis } from '../src/core/run/analyse';
import { verdictTitle } from '../src/core/run/words';
import { SUSPECTS } from '../src/core/suspects/catalogue';
import { complaintFindings, findingOf, runFinding, type Finding } from '../src/core/suspects/findings';
import { popularFirst } from '../src/core/suspects/popular';
import { posteriorOf } from '../src/core/suspects/posterior';
import { LIBRARY } from '../src/core/thermistor/library';
import { caseOf, type Case } from '../tests/bench/diagnosis/case';
import { Bay, Patient } from '../tests/bench/diagnosis/play';
import { strangeVehicle } from '../tests/bench/world';

/**
 * Makes a believable year of the depot as job files: `npm run demo:make`. Vehicles keep their own engines through the
 * year; each job is solved by the product’s own advice from readings of plant, circuits and sensor models, repaired,
 * proven or not by the product’s own rules. Seeds are fixed; the days count back from the day it is made.
 */
const MADE = new Date('2026-11-25T12:00:00Z');
const DAY = 86_400_000;
const HOUR = 3_600_000;
const PEOPLE = ['Maren Oake', 'Tobin Skarre', 'Ysolt Brandy'] as const;
const LOGGER_EVERY_S = 10;

function idOf(name: string): string {
  const h = createHash('sha256').update(`quillhaven/year/${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

interface Vehicle {
  readonly id: string;
  readonly fleetNo: string;
  readonly name: string;
  readonly note: string;
  readonly spec: SpecSheet;
  readonly sheetId: string;
  readonly events: readonly RecordEvent[];
  readonly sound: PlantParams;
}

const FLEET: readonly (readonly [string, string, string, string])[] = [
  ['QH-01', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Ambulance, spare'],
  ['QH-02', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Ferry shuttle'],
  ['QH-04', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Midwife'],
  ['QH-06', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Harbour office'],
  ['QH-08', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Bakery van'],
  ['QH-10', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Road gang'],
  ['QH-12', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'School minibus, north'],
  ['QH-13', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Meter reader'],
  ['QH-15', 'qh-22-heron', 'Tarrock Heron 3.0', 'Fire tender, airfield'],
  ['QH-16', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Library car'],
  ['QH-18', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Patient transport'],
  ['QH-20', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Post van, ridge'],
  ['QH-21', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Tipper'],
  ['QH-23', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Lighthouse keeper'],
  ['QH-24', 'qh-19-plough', 'Lundmar Plough 6.7 diesel', 'Gritter, spare'],
  ['QH-25', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Community bus'],
  ['QH-27', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Home help'],
  ['QH-29', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Fish market van'],
  ['QH-30', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Mountain rescue'],
  ['QH-31', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'School minibus, south'],
  ['QH-32', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Parking warden'],
  ['QH-33', 'qh-05-drover', 'Lundmar Drover 2.9 diesel', 'Refuse truck, spare'],
  ['QH-34', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Vet'],
  ['QH-35', 'qh-07-parcel', 'Kvesta Parcel 1.4 turbo', 'Water works van'],
  ['QH-36', 'qh-22-heron', 'Tarrock Heron 3.0', 'Forestry'],
  ['QH-37', 'qh-26-scoot', 'Kvesta Scoot 1.2', 'Pool car'],
  ['QH-38', 'qh-11-fathom', 'Ostrelle Fathom 2.2 diesel', 'Quarry bus'],
  ['QH-39', 'qh-14-pip', 'Ostrelle Pip 1.0', 'Pool car'],
  ['QH-40', 'qh-03-curlew', 'Tarrock Curlew 1.6', 'Airfield crew bus']
];
/** These are logged month by month as they come in for service; the wax of the first of them grows tired in autumn. */
const LOGGED = ['QH-31', 'QH-12', 'QH-01', 'QH-06'] as const;

/** A driver’s words. */
const WORDS: Readonly<Partial<Record<SymptomId, readonly string[]>>> = {
  'gauge-high': ['Needle goes up and scares me.', 'Runs hot, had to stop on the way.', 'Gauge near the red.'],
  'gauge-low': ['Needle never comes up.', 'Stays cold all the way to the airfield.'],
  'gauge-jumps': ['Gauge jumps about.', 'Needle drops and comes back.'],
  'heater-weak': ['Heater is no good.', 'Cold feet since the frost came.'],
  'heater-swings': ['Heater warm, then cold, then warm.'],
  'fan-always': ['Fan never stops.', 'Fan roars from the first minute.'],
  'fan-never': ['Never hear the fan any more.'],
  'fan-odd': ['Fan does as it likes.'],
  'smell-coolant': ['Sweet smell in the garage.', 'Wet patch where it stands.'],
  'smell-steam': ['Steam at the pier.', 'Boiled over at the chapel.'],
  'power-reduced': ['No power on the ridge, light on.'],
  'ac-off': ['Air conditioning gives up in the queue.'],
  'economy-poor': ['Drinks more than last year.'],
  'noise-roar': ['Howls like the ferry.'],
  'noise-rattle': ['Rattles at the front.', 'Grinds at idle.']
};
const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

/** The island’s air on a day, °C: winters around 3, summers around 19. */
function airOn(at: number, random: Random): number {
  const day = (at - Date.parse('2026-01-20T00:00:00Z')) / DAY;
  return Math.round(11 - 8 * Math.cos((2 * Math.PI * day) / 365.25) + 2.5 * normalDraw(random));
}

const read = (input: object): RecordEvent => {
  const event = readEvent(input);
  if (!event.ok) throw new Error(JSON.stringify(event.problems));
  return event.value;
};

function vehicleOf([fleetNo, sheet, name, note]: (typeof FLEET)[number], i: number): Vehicle {
  const spec = JSON.parse(readFileSync(`demo/specs/${sheet}.spec.json`, 'utf8')) as SpecSheet;
  const id = idOf(`vehicle/${fleetNo}`);
  const sheetId = idOf(`sheet/${fleetNo}`);
  const entry = { stream: `vehicle:${id}`, who: PEOPLE[0], at: new Date(+MADE - 400 * DAY).toISOString() };
  const events = [
    read({ ...entry, id: idOf(`entered/${fleetNo}`), kind: 'vehicle.entered', payload: { fleetNo, name, note } }),
    read({ ...entry, id: sheetId, kind: 'spec.saved', payload: { sheet: spec } })
  ];
  return { id, fleetNo, name, note, spec, sheetId, events, sound: strangeVehicle(spec, seeded(500 + i)) };
}

/** A job as it is written: entries in order, the clock going on. */
class Writer {
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
    const entry = { id: idOf(`${this.key}/${this.#n++}`), stream: this.stream, who, at: new Date(this.at).toISOString() };
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
      { kind: 'run.imported', payload: { runId: id, fileName: name, sizeBytes: csv.length, columns: [], skippedRows: 0 } },
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

/** What the workshop’s logger keeps: a row every ten seconds. */
function logged(spec: SpecSheet, plant: PlantParams, legs: readonly Leg[], ambientC: number, seed: number, columns: 'all' | 'scan'): Log {
  const whole = logFrom({ spec, fault: 'none', severity: 0, legs, ambientC, startC: ambientC, columns, seed, plant });
  const kept = [...whole.t.keys()].filter((i) => i % LOGGER_EVERY_S === 0);
  const thin = (v: Float32Array) => Float32Array.from(kept, (i) => v[i]);
  const channels = Object.fromEntries(Object.entries(whole.channels).map(([k, v]) => [k, thin(v!)]));
  return { t: Float64Array.from(kept, (i) => whole.t[i]), channels, events: [] };
}

const FAST_IDLE: readonly Leg[] = [
  { minutes: 2, speedKmh: 0, load: 0.2, rpm: 800 },
  { minutes: 26, speedKmh: 0, load: 0.3, rpm: 1800 },
  { minutes: 4, speedKmh: 0, load: 0.2, rpm: 800 }
];
const FAST_IDLE_LONG = FAST_IDLE.map((l, i) => (i === 1 ? { ...l, minutes: 40, rpm: 2300, load: 0.35 } : l));

/** Repairs, and what shows that they worked, as far as this shop took the trouble. */
function repairAndProve(w: Writer, c: Case, repairs: readonly RepairId[], cured: boolean, random: Random): boolean {
  const steps = stepsOf(repairs);
  const torqueNm = Object.fromEntries(
    steps.flatMap((s) => (s.torque && w.vehicle.spec.torqueNm?.[s.torque] ? [[s.id, w.vehicle.spec.torqueNm[s.torque]!]] : []))
  );
  if (steps.some((s) => s.id === 'drained')) {
    const outL = Math.round(10 * (0.3 + 0.25 * random()) * (w.vehicle.spec.engine?.coolantL ?? 5)) / 10;
    w.add({ kind: 'coolant.serviced', payload: { outL, inL: outL, withPct: 50, nowPct: 50, renewed: false, odometerKm: null } }, 50);
  }
  w.add(
    {
      kind: 'repair.done',
      payload: {
        repairs: [...repairs],
        why: '',
        steps: steps.map((s) => s.id),
        torqueNm,
        parts: repairs
          .filter((id) => repairOf(id).price !== null)
          .map((repair) => ({ repair, partNo: `QS-${1000 + Math.floor(random() * 9000)}`, supplier: pick(['Harbour stores', 'Mainland by ferry'], random), price: repairOf(repair).price }))
      }
    },
    repairs.reduce((sum, id) => sum + repairOf(id).labourMin, 10)
  );
  w.wait(3 + 18 * random());
  const plant = cured ? c.sound : c.plant;
  const ambientC = airOn(w.at, random);
  w.run(logged(w.vehicle.spec, plant, DRIVES.mixed, ambientC, c.seed + 71, 'all'), 'after-repair.csv');
  if (cured && w.vehicle.spec.fan?.stages?.length && random() < 0.8) {
    w.run(logged(w.vehicle.spec, plant, FAST_IDLE, ambientC, c.seed + 72, 'all'), 'fast-idle.csv');
    if (!w.proof().items.find((i) => i.id === 'fan')?.met)
      w.run(logged(w.vehicle.spec, plant, FAST_IDLE_LONG, ambientC, c.seed + 73, 'all'), 'fast-idle-long.csv');
    // The last word is the road’s.
    if (w.proofRuns.at(-1)!.verdict !== 'none')
      w.run(logged(w.vehicle.spec, plant, DRIVES.mixed, ambientC, c.seed + 74, 'all'), 'road-again.csv');
  }
  if (random() < 0.92) w.add({ kind: 'check.recorded', payload: { check: 'codes', readings: { codes: [] } } }, 5);
  if (random() < 0.92)
    w.add({ kind: 'check.recorded', payload: { check: 'level-and-look', readings: { level: 'mark', leaks: 'none', colour: 'clean', face: 'clean', belt: 'good', hoses: 'firm', connector: 'sound', added: 'none', note: '', fixAnyway: [] } } }, 6);
  return w.proof().proven;
}

const dateOf = (at: number) => new Date(at).toISOString().slice(0, 10);

function close(w: Writer, cause: FaultId, random: Random): void {
  const state = deriveJob(w.events)!;
  const proof = w.proof();
  const way = closings(state.repairs.flatMap((r) => r.done.repairs), proof).find((c) => c.refused === null)!;
  const days = way.outcome === 'fixed and proven' ? 90 : 30;
  w.add({ kind: 'job.closed', payload: { outcome: way.outcome, cause, lookAgain: dateOf(w.at + days * DAY) } }, 10);
  const due = w.at + (days - 2 + 6 * random()) * DAY;
  // Most are looked at when they are due; some stay on the list.
  if (due < +MADE && (random() < 0.9 || due < +MADE - 40 * DAY)) {
    w.at = due;
    w.add({ kind: 'job.rechecked', payload: { holds: true, note: pick(['Runs as it should.', 'Driver is content.', 'No coolant lost.'], random) } });
  }
}

const MOST_CHECKS = 9;

/** A job with a fault in it, from complaint to its end. */
function faultJob(vehicle: Vehicle, key: string, at: number, seed: number): Writer {
  const random = seeded(seed * 13 + 5);
  const given = { spec: vehicle.spec, sound: vehicle.sound, ambientC: airOn(at, random) };
  // Most vehicles that are brought in have something.
  const cases = Array.from({ length: random() < 0.12 ? 1 : 6 }, (_, i) => caseOf(seed + 500 * i, 'trade', given));
  const c = cases.find((k) => k.fault !== 'none') ?? cases[0];
  const patient = new Patient(c);
  const w = new Writer(vehicle, key, pick(PEOPLE, random), at);
  const complaint = c.symptoms.flatMap((s) => pick(WORDS[s.what] ?? [''], random)).slice(0, 2).join(' ');
  w.add({ kind: 'job.opened', payload: { vehicleId: vehicle.id, complaint, symptoms: [...c.symptoms], changedBefore: random() < 0.15 ? pick(['Thermostat last winter.', 'Sensor in spring.', 'Radiator two years ago.'], random) : '' } }, 0);
  w.add({ kind: 'engine.noted', payload: { kind: 'ran-until', at: new Date(at - 14 * HOUR).toISOString(), coolantC: 88, ambientC: c.ambientC } }, 1);
  let findings: Finding[] = [...complaintFindings(c.symptoms)];
  const bay = new Bay();
  let open: readonly CheckId[] = CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(c.spec));
  const ask = (id: CheckId) => {
    open = open.filter((o) => o !== id);
    bay.go(id, checkOf(id).minutes);
    if (id === 'warm-up-run' || id === 'road-run') {
      const analysis = w.run(logged(c.spec, c.plant, id === 'road-run' ? DRIVES.ridge : DRIVES.mixed, c.ambientC, c.seed, random() < 0.6 ? 'all' : 'scan'), `${id}.csv`);
      findings = [...findings, runFinding({ id, title: String(analysis.verdict), suspects: analysis.suspects })];
      open = open.filter((o) => o !== 'warm-up-run' && o !== 'road-run');
      return;
    }
    const answer = patient.ask(id);
    if (!answer?.judged) return;
    w.add({ kind: 'check.recorded', payload: { check: id, readings: answer.judged.readings } }, checkOf(id).minutes + 2);
    if (answer.finding) findings = [...findings, answer.finding];
  };
  const soak = patient.ask('soak');
  if (soak?.judged) w.add({ kind: 'check.recorded', payload: { check: 'soak', readings: soak.judged.readings } }, 2);
  ask('codes');
  ask('level-and-look');
  // Some are in a hurry, and change what is always changed.
  const hasty = random() < 0.16;
  for (let i = 0; i < (hasty ? 0 : MOST_CHECKS); i++) {
    const advice = adviceOf({ findings, sheet: c.spec, state: { phase: bay.phase }, open }, USUAL_COSTS);
    if (advice.actNow) break;
    ask(advice.check!.id);
  }
  if (w.runs.length === 0) ask('warm-up-run');
  const now = posteriorOf(findings, c.spec);
  const offers = offersOf(now, USUAL_COSTS);
  const named = now.suspects[0].fault;

  if (named === 'none' || (c.fault === 'none' && random() < 0.8)) {
    w.add({ kind: 'job.closed', payload: { outcome: 'no fault found', cause: 'none' } }, 20);
    return w;
  }
  if (named === 'combustion-leak') {
    w.add({ kind: 'job.closed', payload: { outcome: 'referred on', cause: 'combustion-leak' } }, 20);
    return w;
  }
  if (random() < 0.04) {
    w.add({ kind: 'job.noted', payload: { text: 'Owner wants to wait until spring.' } }, 20);
    w.add({ kind: 'job.closed', payload: { outcome: 'declined', cause: named } }, 2);
    return w;
  }
  const popular = popularFirst(c.symptoms, c.codes, c.spec)[0];
  const best = offers[0].repairs[0] === 'none' ? offers[1] : offers[0];
  const act = hasty ? choiceOf([popular], now, USUAL_COSTS) : best;
  const why = hasty ? `${repairOf(popular).title}: it always is on these.` : `${SUSPECTS[named].title} at ${Math.round(100 * now.suspects[0].probability)} %; ${act.repairs.length > 1 ? 'one drain for both' : 'cheapest in the end'}.`;
  w.add({ kind: 'repair.decided', payload: { repairs: [...act.repairs], why, expected: Math.round(act.expected), cures: Number(act.cures.toFixed(3)), over: offers.filter((o) => o !== act).slice(0, 3).map((o) => ({ repairs: [...o.repairs], expected: Math.round(o.expected) })) } }, 15);
  if (act.days > 0) w.wait(24 * (1 + 2.5 * random()));
  const cures = (ids: readonly RepairId[]) => c.fault === 'none' || ids.some((id) => repairOf(id).cures.includes(c.fault));
  const cured = cures(act.repairs);
  repairAndProve(w, c, act.repairs, cured, random);
  if (cured) {
    close(w, c.fault === 'none' ? 'none' : c.fault, random);
    return w;
  }
  // Not cured: the proof says so at once, or it comes back.
  if (w.proofRuns.at(-1)!.verdict === 'none' || random() < 0.4) {
    w.add({ kind: 'job.closed', payload: { outcome: 'fixed, unproven', cause: named, lookAgain: dateOf(w.at + 30 * DAY) } }, 10);
    w.wait(24 * (4 + 12 * random()));
    w.add({ kind: 'job.reopened', payload: { why: pick(['Same again.', 'Was good for a week.', 'No better.'], random) } }, 0);
  }
  w.wait(2 + 20 * random());
  w.add({ kind: 'job.noted', payload: { text: `Looked again, it is this: ${SUSPECTS[c.fault].title.toLowerCase()}.` } }, 40);
  repairAndProve(w, c, [repairFor(c.fault)], true, random);
  close(w, c.fault, random);
  return w;
}

/** A log at a service: what memory is made of. */
function serviceJob(vehicle: Vehicle, key: string, at: number, plant: PlantParams, seed: number): Writer {
  const random = seeded(seed * 17 + 3);
  const w = new Writer(vehicle, key, pick(PEOPLE, random), at);
  w.add({ kind: 'job.opened', payload: { vehicleId: vehicle.id, complaint: pick(['Service: routine log.', 'Monthly service, log along.', 'Routine log on the ridge road.'], random), symptoms: [] } }, 0);
  w.add({ kind: 'check.recorded', payload: { check: 'codes', readings: { codes: [] } } });
  w.run(logged(vehicle.spec, plant, random() < 0.7 ? DRIVES.mixed : DRIVES.ridge, airOn(at, random), seed, 'all'), 'service.csv');
  w.add({ kind: 'job.closed', payload: { outcome: 'no fault found' } }, 10);
  return w;
}

function main(): void {
  const vehicles = FLEET.map(vehicleOf);
  const of = (fleetNo: string) => vehicles.find((v) => v.fleetNo === fleetNo)!;
  const random = seeded(2026);
  const jobs: Writer[] = [];
  const workday = (at: number) => {
    const d = new Date(at);
    d.setUTCHours(7 + Math.floor(random() * 8), Math.floor(random() * 60), 0, 0);
    if (d.getUTCDay() === 0) d.setUTCDate(d.getUTCDate() - 2);
    if (d.getUTCDay() === 6) d.setUTCDate(d.getUTCDate() - 1);
    return +d;
  };
  for (const [i, fleetNo] of LOGGED.entries())
    for (let month = 11; month >= 1; month--) {
      const vehicle = of(fleetNo);
      const at = workday(+MADE - (month * 30 - 24 + 4 * i) * DAY);
      const early = fleetNo === 'QH-31' ? (TIRED_C[month - 1] ?? 0) : 0;
      const { sound } = vehicle;
      const plant = { ...sound, startOpenC: sound.startOpenC - early, fullOpenC: sound.fullOpenC - early };
      jobs.push(serviceJob(vehicle, `service/${fleetNo}/${month}`, at, plant, 3000 + 40 * i + month));
    }
  const others = vehicles.filter((v) => !(LOGGED as readonly string[]).includes(v.fleetNo));
  for (let i = 0; i < FAULT_JOBS; i++) {
    const at = workday(+MADE - (8 + (350 * (i + 0.5)) / FAULT_JOBS) * DAY);
    jobs.push(faultJob(others[(i * 7 + Math.floor(i / others.length)) % others.length], `job/${i}`, at, 7000 + i));
  }
  rmSync('demo/year', { recursive: true, force: true });
  mkdirSync('demo/year');
  const sorted = jobs.sort((a, b) => a.events[0].at.localeCompare(b.events[0].at));
  for (const [i, w] of sorted.entries()) {
    const number = FIRST_NUMBER + i;
    writeFileSync(`demo/year/${w.vehicle.fleetNo}-${number}.job.json`, `${JSON.stringify(w.file(number))}\n`);
  }
  const ends = sorted.map((w) => deriveJob(w.events)!.outcome);
  process.stdout.write(`${sorted.length} jobs: ${[...new Set(ends)].map((e) => `${ends.filter((o) => o === e).length} ${e}`).join(', ')}\n`);
}

/** Our own stories come before them in the book. */
const FIRST_NUMBER = 101;
/** How much earlier it opens, by months ago, °C. */
const TIRED_C = [4.2, 3.6, 3.1, 1.2];
const FAULT_JOBS = 96;

main();
