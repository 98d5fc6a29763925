import { normalDraw, seeded, type Random } from '../../core/base/random';
import type { Outcome } from '../../core/checks/check';
import { checkOf, type CheckId } from '../../core/checks/registry';
import { runsEngine } from '../../core/diagnosis/dangers';
import { DRIVES } from '../../core/physics/plant/drive';
import { logFrom } from '../../core/runs/log-from';
import type { Case as Hidden } from '../cases/hidden-case';
import { handsOn } from '../technician/hands';
import type { PracticeEngine } from './engine';
import type { PracticeRecord } from './record';

/** What a check showed. */
export interface Shown {
  readonly says: string;
  /** What was measured, for whoever judges it; null where there is nothing to judge. */
  readonly toJudge: { readonly numbers: Outcome['numbers']; readonly is: Outcome['result'] } | null;
}

/** Where a check is done. */
interface Scene {
  /** The vehicle as it is. */
  readonly hidden: Hidden;
  readonly record: PracticeRecord;
  readonly engine: PracticeEngine;
  /** How many checks were done before: the same one done again reads with other errors. */
  readonly before: number;
}

/** Does a check on the vehicle as it is, writes it into the record, and lets its minutes pass. */
export function measure(id: CheckId, minutes: number, scene: Scene): Shown {
  const { hidden, record, engine } = scene;
  const random = seeded(hidden.seed * 131 + hash(id) + 7919 * scene.before);
  if (id === 'warm-up-run' || id === 'road-run')
    return { says: run(id, minutes, random, scene), toJudge: null };
  record.pass(minutes);
  if (runsEngine(id)) engine.warm();
  const check = checkOf(id);
  const readings = check.simulate(handsOn(hidden, random));
  const parsed = readings === null ? null : check.readings.safeParse(readings);
  if (!parsed?.success || check.refuse(parsed.data, hidden.spec).length > 0) {
    record.enter('check.skipped', { check: id, why: 'Cannot be read here' });
    return { says: 'Cannot be read on this vehicle', toJudge: null };
  }
  record.enter('check.recorded', {
    check: id,
    byHand: false,
    readings: parsed.data,
    confirmed: [],
    replaces: null
  });
  const { says, numbers, result } = record.known().entered.at(-1)!.outcome;
  const measured = numbers.map(({ name, value }) => ({ name, value }));
  return {
    says,
    toJudge: measured.length > 0 && result !== 'void' ? { numbers: measured, is: result } : null
  };
}

/** A log of a drive, from what is left in the engine; its verdict. */
function run(id: 'warm-up-run' | 'road-run', minutes: number, random: Random, scene: Scene): string {
  const { hidden, record, engine, before } = scene;
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
  return record.addRun(checkOf(id).title, log, startedAt);
}

const hash = (text: string): number =>
  [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) | 0, 7) >>> 8;
