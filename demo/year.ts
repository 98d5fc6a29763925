import { FAULTS, curesOf, repairFor } from '../src/core/faults/registry';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { normalDraw, seeded, type Random } from '../src/core/base/random';
import { sayLikely } from '../src/core/base/text';
import { checkOf, type CheckId } from '../src/core/checks/registry';
import { ALL_GOOD } from '../src/core/checks/coolant/looks';
import { choiceOf } from '../src/core/diagnosis/decide';
import { popularFirst } from '../src/core/diagnosis/popular';
import { stepsOf } from '../src/core/diagnosis/steps';
import type { Log } from '../src/core/logs/channels';
import { DRIVES, type Leg } from '../src/core/physics/plant/drive';
import { logFrom } from '../src/core/runs/log-from';
import type { PlantParams } from '../src/core/physics/plant/params';
import { deriveJob } from '../src/core/record/derive';
import { USUAL_COSTS } from '../src/core/record/shop-costs';
import type { FaultId } from '../src/core/vehicle/faults';
import type { SymptomId } from '../src/core/vehicle/symptoms';
import { repairOf, type RepairId } from '../src/core/vehicle/repairs';
import type { SpecSheet } from '../src/core/vehicle/spec-sheet';
import { caseOf } from '../src/simulation/cases/case';
import type { Case } from '../src/simulation/cases/hidden-case';
import { Patient } from '../src/simulation/technician/play';
import { FLEET, LOGGED, PEOPLE, TIRED_C, WORDS } from './quillhaven';
import { DAY, HOUR, MADE, vehicleOf, whenOpen, Writer, type Vehicle } from './writer';

/**
 * Makes a believable year of the depot as job files: `npm run demo:make`. Vehicles keep their own engines through the
 * year; each job is solved by the product’s own advice from readings of plant, circuits and sensor models, repaired,
 * proven or not by the product’s own rules. Seeds are fixed; the days count back from the day it is made.
 */
const LOGGER_EVERY_S = 10;

const pick = <T>(of: readonly T[], random: Random): T => of[Math.floor(random() * of.length)];

/** The island’s air on a day, °C: winters around 3, summers around 19. */
function airOn(at: number, random: Random): number {
  const day = (at - Date.parse('2026-01-20T00:00:00Z')) / DAY;
  return Math.round(11 - 8 * Math.cos((2 * Math.PI * day) / 365.25) + 2.5 * normalDraw(random));
}

/** What the workshop’s logger keeps: a row every ten seconds. */
function logged(
  spec: SpecSheet,
  plant: PlantParams,
  legs: readonly Leg[],
  ambientC: number,
  seed: number,
  columns: 'all' | 'scan'
): Log {
  const whole = logFrom({
    spec,
    fault: 'none',
    severity: 0,
    legs,
    ambientC,
    startC: ambientC,
    columns,
    seed,
    plant
  });
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
function repairAndProve(
  w: Writer,
  c: Case,
  repairs: readonly RepairId[],
  cured: boolean,
  random: Random
): boolean {
  const steps = stepsOf(repairs);
  const torqueNm = Object.fromEntries(
    steps.flatMap((s) =>
      s.torque && w.vehicle.spec.torqueNm?.[s.torque] ? [[s.id, w.vehicle.spec.torqueNm[s.torque]!]] : []
    )
  );
  if (steps.some((s) => s.id === 'drained')) {
    const outL = Math.round(10 * (0.3 + 0.25 * random()) * (w.vehicle.spec.engine?.coolantL ?? 5)) / 10;
    w.add(
      {
        kind: 'coolant.serviced',
        payload: { outL, inL: outL, withPct: 50, nowPct: 50, renewed: false, odometerKm: null }
      },
      50
    );
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
          .map((repair) => ({
            repair,
            partNo: `QS-${1000 + Math.floor(random() * 9000)}`,
            supplier: pick(['Harbour stores', 'Mainland by ferry'], random),
            price: repairOf(repair).price
          }))
      }
    },
    repairs.reduce((sum, id) => sum + repairOf(id).labourMin, 10)
  );
  w.wait(3 + 18 * random());
  const plant = cured ? c.sound : c.plant;
  const ambientC = airOn(w.at, random);
  w.run(logged(w.vehicle.spec, plant, DRIVES.mixed, ambientC, c.seed + 71, 'all'), 'after-repair.csv');
  // What the proof still asks for is done, as most technicians do.
  const healed = new Patient({ ...c, plant, fault: cured ? 'none' : c.fault });
  for (let tries = 0; tries < 8 && random() < 0.95; tries++) {
    const next = w.case().proof!.next;
    if (!next?.check) break;
    if (next.id === 'run') {
      const hard = tries > 2 ? FAST_IDLE_LONG : tries > 0 ? DRIVES.ridge : DRIVES.mixed;
      w.run(
        logged(w.vehicle.spec, plant, hard, ambientC, c.seed + 72 + tries, 'all'),
        `proof-${tries + 1}.csv`
      );
      continue;
    }
    const readings =
      next.check === 'codes'
        ? { codes: [] }
        : next.check === 'level-and-look'
          ? ALL_GOOD
          : healed.ask(next.check)?.judged?.readings;
    if (!readings) break;
    w.add(
      { kind: 'check.recorded', payload: { check: next.check, readings } },
      checkOf(next.check).minutes + 1
    );
  }
  for (const { id } of w.case().proof!.items.filter((i) => !i.met && i.id.startsWith('complaint/')))
    if (random() < 0.7)
      w.add(
        {
          kind: 'complaint.tried',
          payload: { what: id.slice('complaint/'.length) as SymptomId, gone: cured, how: 'on the road home' }
        },
        3
      );
  return w.case().proof!.proven;
}

const dateOf = (at: number) => new Date(at).toISOString().slice(0, 10);

function close(w: Writer, cause: FaultId, random: Random): void {
  const way = w.case().closings.find((c) => c.refused === null)!;
  const days = way.outcome === 'fixed and proven' ? 90 : 30;
  w.add(
    { kind: 'job.closed', payload: { outcome: way.outcome, cause, lookAgain: dateOf(w.at + days * DAY) } },
    10
  );
  const due = w.at + (days - 2 + 6 * random()) * DAY;
  // Most are looked at when they are due; some stay on the list.
  if (due < +MADE && (random() < 0.9 || due < +MADE - 40 * DAY)) {
    w.at = whenOpen(due);
    w.add({
      kind: 'job.rechecked',
      payload: {
        holds: true,
        note: pick(['Runs as it should.', 'Driver is content.', 'No coolant lost.'], random)
      }
    });
  }
}

const MOST_CHECKS = 9;

/** A job with a fault in it, from complaint to its end. */
function faultJob(vehicle: Vehicle, key: string, at: number, seed: number): Writer {
  const random = seeded(seed * 13 + 5);
  const given = { spec: vehicle.spec, sound: vehicle.sound, ambientC: airOn(at, random) };
  // Most vehicles that are brought in have something.
  const cases = Array.from({ length: random() < 0.12 ? 1 : 6 }, (_, i) => caseOf(seed + 500 * i, given));
  const c = cases.find((k) => k.fault !== 'none') ?? cases[0];
  const patient = new Patient(c);
  const w = new Writer(vehicle, key, pick(PEOPLE, random), at);
  const complaint = c.symptoms
    .flatMap((s) => pick(WORDS[s.what] ?? [''], random))
    .slice(0, 2)
    .join(' ');
  w.add(
    {
      kind: 'job.opened',
      payload: {
        vehicleId: vehicle.id,
        complaint,
        symptoms: [...c.symptoms],
        changedBefore:
          random() < 0.15
            ? pick(['Thermostat last winter.', 'Sensor in spring.', 'Radiator two years ago.'], random)
            : ''
      }
    },
    0
  );
  w.add(
    {
      kind: 'engine.noted',
      payload: {
        kind: 'ran-until',
        at: new Date(at - 14 * HOUR).toISOString(),
        coolantC: 88,
        ambientC: c.ambientC
      }
    },
    1
  );
  const asked = new Set<CheckId>();
  const ask = (id: CheckId) => {
    asked.add(id);
    if (id === 'warm-up-run' || id === 'road-run') {
      const legs = id === 'road-run' ? DRIVES.ridge : DRIVES.mixed;
      w.run(logged(c.spec, c.plant, legs, c.ambientC, c.seed, random() < 0.6 ? 'all' : 'scan'), `${id}.csv`);
      return;
    }
    const readings = patient.ask(id)?.judged?.readings;
    if (readings)
      w.add({ kind: 'check.recorded', payload: { check: id, readings } }, checkOf(id).minutes + 2);
  };
  ask('soak');
  ask('codes');
  ask('level-and-look');
  // Some are in a hurry, and change what is always changed.
  const hasty = random() < 0.16;
  for (let i = 0; i < (hasty ? 0 : MOST_CHECKS); i++) {
    const { advised } = w.case().opinion;
    // What cannot be measured on this vehicle as it is ends the search.
    if (!advised || asked.has(advised)) break;
    ask(advised);
  }
  if (w.runs.length === 0) ask('warm-up-run');
  const { opinion, offers } = w.case();
  const { now } = opinion;
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
  const why = hasty
    ? `${repairOf(popular).title}: it always is on these.`
    : `${FAULTS[named].title}: ${sayLikely(now.suspects[0].probability)}; ${act.repairs.length > 1 ? 'one drain for both' : 'lowest expected total'}.`;
  w.add(
    {
      kind: 'repair.decided',
      payload: {
        repairs: [...act.repairs],
        why,
        expected: Math.round(act.expected),
        cures: Number(act.cures.toFixed(3)),
        over: offers
          .filter((o) => o !== act)
          .slice(0, 3)
          .map((o) => ({ repairs: [...o.repairs], expected: Math.round(o.expected) }))
      }
    },
    15
  );
  if (act.days > 0) w.wait(24 * (1 + 2.5 * random()));
  const cures = (ids: readonly RepairId[]) =>
    c.fault === 'none' || ids.some((id) => curesOf(id).includes(c.fault));
  const cured = cures(act.repairs);
  repairAndProve(w, c, act.repairs, cured, random);
  if (cured) {
    close(w, c.fault === 'none' ? 'none' : c.fault, random);
    return w;
  }
  // Not cured: the proof says so at once, or it comes back.
  if (w.runs.at(-1)!.analysis.verdict === 'none' || random() < 0.4) {
    w.add(
      {
        kind: 'job.closed',
        payload: { outcome: 'fixed, unproven', cause: named, lookAgain: dateOf(w.at + 30 * DAY) }
      },
      10
    );
    w.wait(24 * (4 + 12 * random()));
    w.add(
      {
        kind: 'job.reopened',
        payload: { why: pick(['Same again.', 'Was good for a week.', 'No better.'], random) }
      },
      0
    );
  }
  w.wait(2 + 20 * random());
  w.add(
    {
      kind: 'job.noted',
      payload: { text: `Looked again, it is this: ${FAULTS[c.fault].title.toLowerCase()}.` }
    },
    40
  );
  repairAndProve(w, c, [repairFor(c.fault)], true, random);
  close(w, c.fault, random);
  return w;
}

/** A log at a service: what memory is made of. */
function serviceJob(vehicle: Vehicle, key: string, at: number, plant: PlantParams, seed: number): Writer {
  const random = seeded(seed * 17 + 3);
  const w = new Writer(vehicle, key, pick(PEOPLE, random), at);
  w.add(
    {
      kind: 'job.opened',
      payload: {
        vehicleId: vehicle.id,
        complaint: pick(
          ['Service: routine log.', 'Monthly service, log along.', 'Routine log on the ridge road.'],
          random
        ),
        symptoms: []
      }
    },
    0
  );
  w.add({ kind: 'check.recorded', payload: { check: 'codes', readings: { codes: [] } } });
  w.run(
    logged(vehicle.spec, plant, random() < 0.7 ? DRIVES.mixed : DRIVES.ridge, airOn(at, random), seed, 'all'),
    'service.csv'
  );
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
    d.setUTCHours(7 + Math.floor(random() * 9), Math.floor(random() * 60), 0, 0);
    return whenOpen(+d);
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
    jobs.push(
      faultJob(others[(i * 7 + Math.floor(i / others.length)) % others.length], `job/${i}`, at, 7000 + i)
    );
  }
  rmSync('demo/year', { recursive: true, force: true });
  mkdirSync('demo/year');
  const sorted = jobs.sort((a, b) => a.events[0].at.localeCompare(b.events[0].at));
  for (const [i, w] of sorted.entries()) {
    const number = FIRST_NUMBER + i;
    writeFileSync(`demo/year/${w.vehicle.fleetNo}-${number}.job.json`, `${JSON.stringify(w.file(number))}\n`);
  }
  const ends = sorted.map((w) => deriveJob(w.events)!.outcome);
  process.stdout.write(
    `${sorted.length} jobs: ${[...new Set(ends)].map((e) => `${ends.filter((o) => o === e).length} ${e}`).join(', ')}\n`
  );
}

/** Our own stories come before them in the book. */
const FIRST_NUMBER = 101;
const FAULT_JOBS = 96;

main();
