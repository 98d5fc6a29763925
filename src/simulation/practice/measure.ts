import { normalDraw, seeded, type Random } from '../../core/base/random';
import type { Outcome } from '../../core/checks/check';
import { checkOf, type CheckId } from '../../core/checks/registry';
import { ALL_GOOD, LOOK_IDS, type LookId } from '../../core/checks/coolant/looks';
import { runsEngine } from '../../core/diagnosis/dangers';
import { sensedIn, type Sensed } from '../../core/practice/senses';
import { DRIVES } from '../../core/physics/plant/drive';
import { clock } from '../../core/base/text';
import { logFrom } from '../../core/runs/log-from';
import { sayC } from '../../core/units/say';
import { handsOn } from '../technician/hands';
import type { PracticeEngine } from './engine';
import type { PracticeRecord } from './record';
import type { PracticeVehicle } from './vehicle';

/** What a check showed. */
export interface Shown {
  readonly says: string;
  /** What was measured, for whoever judges it; null where there is nothing to judge. */
  readonly toJudge: { readonly numbers: Outcome['numbers']; readonly is: Outcome['result'] } | null;
}

/** A check that was done, before eyes, ears and hands have told what they found. */
export interface Taken {
  readonly check: CheckId;
  readonly readings: Readonly<Record<string, unknown>>;
  readonly senses: readonly Sensed[];
}

/** Where a check is done. */
interface Scene {
  readonly vehicle: PracticeVehicle;
  readonly record: PracticeRecord;
  readonly engine: PracticeEngine;
  /** How many checks were done before: the same one done again reads with other errors. */
  readonly before: number;
}

/**
 * Does a check on the vehicle as it is, and lets its minutes pass. What instruments alone tell is written into the
 * record; where there is something to see, hear or feel, it waits for whoever does it to say what that was.
 */
export function measure(id: CheckId, minutes: number, scene: Scene): Shown | Taken {
  const { vehicle, record, engine } = scene;
  const random = () => seeded(vehicle.hidden.seed * 131 + hash(id) + 7919 * scene.before);
  if (id === 'warm-up-run' || id === 'road-run') return run(id, minutes, random(), scene);
  record.pass(minutes);
  if (runsEngine(id)) engine.warm();
  const readings = readingsOf(id, random, scene);
  if (readings === null) {
    record.enter('check.skipped', { check: id, why: 'Cannot be read here' });
    return { says: 'Cannot be read on this vehicle', toJudge: null };
  }
  const taken = { check: id, readings };
  const senses = sensedIn(id, taken.readings);
  return senses.length > 0 ? { ...taken, senses } : written(taken, record);
}

const TELLING = { fail: 3, unclear: 2, void: 1, pass: 0 } as const;

/**
 * What the instruments read. Of two faults each is looked for by itself, on the vehicle that has both: what shows more
 * is what is read, and eyes see both.
 */
function readingsOf(
  id: CheckId,
  random: () => Random,
  { vehicle: { hidden, faults }, record }: Scene
): Taken['readings'] | null {
  const check = checkOf(id);
  const context = record.known().contextOf(id, record.at, null);
  const each = (faults.length > 0 ? faults : [hidden]).flatMap(({ fault, severity }) => {
    const read = check.readings.safeParse(check.simulate(handsOn({ ...hidden, fault, severity }, random())));
    if (!read.success || check.refuse(read.data, hidden.spec).length > 0) return [];
    return [
      { readings: read.data as Taken['readings'], telling: TELLING[check.judge(read.data, context).result] }
    ];
  });
  if (each.length === 0) return null;
  const most = each.reduce((a, b) => (b.telling > a.telling ? b : a)).readings;
  if (id !== 'level-and-look') return most;
  const bad = (look: LookId) => each.find(({ readings: r }) => r[look] !== ALL_GOOD[look])?.readings[look];
  return { ...most, ...Object.fromEntries(LOOK_IDS.map((look) => [look, bad(look) ?? most[look]])) };
}

/** Writes a check into the record with what was told of it. */
export function told(
  { senses, ...taken }: Taken,
  as: Readonly<Record<string, string>>,
  record: PracticeRecord
): Shown {
  const said = Object.fromEntries(senses.map(({ field }) => [field, as[field] ?? null]));
  const readings = checkOf(taken.check).readings.safeParse({ ...taken.readings, ...said });
  if (!readings.success) {
    record.enter('check.skipped', { check: taken.check, why: 'Nobody said what there was to see' });
    return { says: 'Nobody said what there was', toJudge: null };
  }
  const shown = written({ ...taken, readings: readings.data as Taken['readings'] }, record);
  // What was only looked at was judged in the saying.
  const measured = Object.values(taken.readings).some((v) => typeof v === 'number');
  return measured ? shown : { ...shown, toJudge: null };
}

function written({ check, readings }: Pick<Taken, 'check' | 'readings'>, record: PracticeRecord): Shown {
  record.enter('check.recorded', { check, byHand: false, readings, confirmed: [], replaces: null });
  const { says, numbers, result } = record.known().entered.at(-1)!.outcome;
  const measured = numbers.map(({ name, value }) => ({ name, value }));
  return {
    says,
    toJudge: measured.length > 0 && result !== 'void' ? { numbers: measured, is: result } : null
  };
}

/** A log of a drive, from what is left in the engine. */
function run(id: 'warm-up-run' | 'road-run', minutes: number, random: Random, scene: Scene): Shown {
  const { record, engine, before } = scene;
  const { hidden } = scene.vehicle;
  const startedAt = record.at;
  const log = logFrom({
    spec: hidden.spec,
    fault: 'none',
    severity: 0,
    legs: id === 'road-run' ? DRIVES.ridge : DRIVES.mixed,
    ambientC: hidden.ambientC,
    startC: engine.coolantC + 0.3 * normalDraw(random),
    columns: 'scan',
    seed: hidden.seed + 1 + before,
    plant: hidden.plant
  });
  engine.start();
  record.pass(Math.max(minutes, log.t[log.t.length - 1] / 60));
  engine.warm();
  engine.stop();
  const { title, verdict, features } = record.addRun(checkOf(id).title, log, startedAt);
  const { knee, plateauC, maxC } = features;
  const seen = (name: string, celsius: number | null) =>
    celsius === null ? [] : [{ name, value: sayC(celsius, 0) }];
  const numbers = [
    ...(knee
      ? [{ name: 'Bends', value: `at ${sayC(knee.celsius, 0)}, ${clock(knee.atS)} after the start` }]
      : []),
    ...seen('Settles at', plateauC),
    ...seen('Hottest', maxC)
  ];
  const is = verdict === 'none' ? 'pass' : verdict === 'not-enough' ? 'unclear' : 'fail';
  return { says: title, toJudge: { numbers, is } };
}

const hash = (text: string): number =>
  [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) | 0, 7) >>> 8;
