import { CHECK_IDS, checkOf, type CheckId } from '../../core/checks/registry';
import { PRECAUTION_IDS } from '../../core/practice/danger';
import type { PracticeCase } from '../../core/practice/case';
import type { Move } from '../../core/practice/moves';
import { NotPossible, Practice } from './practice';

/** Overnight. */
const SOAK_H = 15;
const MOST_CHECKS = 20;
const MOST_REPAIRS = 3;

/** Makes a move; false where it is not possible now. */
type Maker = (move: Move) => boolean;

/**
 * Plays a case as the second opinion says: the next check it names, until it says to act, with every caution seen to.
 * What it must wait for it waits for.
 */
export const playedByAdvice = (of: PracticeCase): Played => play(of, findOut);

/**
 * Plays a case by measuring all that can be measured, whatever it costs, before the first repair and after each: what it
 * cannot repair cannot be found from the readings.
 */
export const playedByMeasuring = (of: PracticeCase): Played =>
  play(of, (practice, make) => {
    const fill = filler(practice, make);
    const can = CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(of.sheet));
    for (const id of can.toSorted((a, b) => stretchOf(a) - stretchOf(b))) {
      fill();
      if (!practice.over) check(practice, make, id);
    }
  });
/** The first stretch of the heat line that a check can be done in. */
const stretchOf = (id: CheckId) => Math.min(...checkOf(id).phases.map((p) => 'CWRHXB'.indexOf(p)));

interface Played {
  readonly practice: Practice;
  readonly moves: readonly Move[];
}

function play(of: PracticeCase, measure: (practice: Practice, make: Maker) => void): Played {
  const practice = new Practice(of);
  const moves: Move[] = [];
  const make: Maker = (move) => {
    try {
      practice.make(move);
    } catch (error) {
      if (error instanceof NotPossible) return false;
      throw error;
    }
    moves.push(move);
    return true;
  };
  for (let round = 0; round < MOST_REPAIRS && !practice.over; round++) {
    measure(practice, make);
    if (practice.over) break;
    const repairs = practice.known().opinion.advice.act.repairs.filter((id) => id !== 'none');
    if (repairs.length === 0) break;
    make({ kind: 'repair', repairs: [...repairs].slice(0, 3) });
    const proven = prove(practice, make);
    filler(practice, make)();
    if (practice.over || (make({ kind: 'try' }) && proven && practice.known().proof?.proven)) break;
  }
  make({ kind: 'finish' });
  return { practice, moves };
}

/** Does what is named next, until it says to act. */
function findOut(practice: Practice, make: Maker): void {
  const done = new Set<CheckId>();
  const fill = filler(practice, make);
  while (done.size < MOST_CHECKS && !practice.over) {
    if (fill()) continue;
    const { opinion, plan } = practice.known();
    if (opinion.advice.actNow) return;
    const next = [plan.next, ...plan.others].find((p) => p && !done.has(p.id))?.id;
    if (!next) return;
    done.add(next);
    check(practice, make, next);
  }
}

/** Fills it up where too little is in it to run it, once; whether it was filled now. */
function filler(practice: Practice, make: Maker): () => boolean {
  let filled = false;
  return () => {
    const low = practice.known().dangers.some((d) => d.holds && (d.id === 'low' || d.id === 'empty'));
    if (filled || practice.over || !low) return false;
    filled = true;
    cool(practice, make);
    return make({ kind: 'fill' });
  };
}

/** Does what proves the repair; whether it is proven. */
function prove(practice: Practice, make: Maker): boolean {
  const tried = new Set<CheckId>();
  for (;;) {
    const proof = practice.known().proof;
    if (!proof || proof.proven || practice.over) return proof?.proven ?? true;
    const next = proof.items.find((i) => i.needed && !i.met && i.check && !tried.has(i.check))?.check;
    if (!next) return false;
    tried.add(next);
    check(practice, make, next);
  }
}

function check(practice: Practice, make: Maker, id: CheckId): void {
  const { gate, needsSoak, phases } = checkOf(id);
  const cold = needsSoak || id === 'warm-up-run' || (phases.includes('C') && !phases.includes('X'));
  if (cold && practice.known().heat.soaked !== true) make({ kind: 'wait', hours: SOAK_H });
  else if (gate === 'cap-cool') cool(practice, make);
  else if (gate !== 'none' && practice.running) make({ kind: 'stop-engine' });
  const move: Move = { kind: 'check', check: id, careful: [...PRECAUTION_IDS] };
  if (!make(move) && make({ kind: 'wait', hours: SOAK_H })) make(move);
  const { toSense } = practice;
  if (toSense) make({ kind: 'sense', as: Object.fromEntries(toSense.senses.map((s) => [s.field, s.is])) });
}

/** Lets it stand until the cap may be opened. */
function cool(practice: Practice, make: Maker): void {
  if (practice.running) make({ kind: 'stop-engine' });
  const { safeToOpen, safeToOpenFrom } = practice.known().heat;
  if (safeToOpen === true) return;
  const hours = safeToOpenFrom ? (Date.parse(safeToOpenFrom) - Date.parse(practice.at)) / 3_600_000 : SOAK_H;
  make({ kind: 'wait', hours: Math.min(24, Math.max(0.25, Math.ceil(hours * 4) / 4)) });
}
