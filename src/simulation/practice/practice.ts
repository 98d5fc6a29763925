import type { Outcome } from '../../core/checks/check';
import { checkOf, type CheckId } from '../../core/checks/registry';
import type { Case as Known } from '../../core/diagnosis/case';
import { priceOf } from '../../core/diagnosis/costs';
import { runsEngine } from '../../core/diagnosis/dangers';
import { cannotHave, repairFor } from '../../core/faults/registry';
import type { PracticeCase } from '../../core/practice/case';
import { boilsBy, dangerOf, PRECAUTION_IDS, type Hurt, type PrecautionId } from '../../core/practice/danger';
import type { Move, Share } from '../../core/practice/moves';
import { USUAL_COSTS } from '../../core/record/shop-costs';
import { FAULT_IDS, type FaultId } from '../../core/vehicle/faults';
import { symptomText } from '../../core/vehicle/symptoms';
import { limitsOf } from '../../core/vehicle/limits';
import { repairOf, type RepairId } from '../../core/vehicle/repairs';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { PracticeEngine } from './engine';
import { measure, told, type Shown, type Taken } from './measure';
import { PracticeRecord } from './record';
import { PracticeVehicle } from './vehicle';

/** Minutes to where it regulates. */
const WARM_UP_MIN = 14;
const FILL_MIN = 8;
/** A drive with the customer. */
const TRY_MIN = 15;
/** A stopped engine within this of start-to-open is warm enough for what is checked warm. */
const STILL_WARM_C = 20;
/** So far above the air an engine does not warm up any more as a cold one does. */
const COLD_WITHIN_C = 15;

/** One line of what was done, as the bay tells it. */
export interface Done extends Shown {
  readonly move: number;
  /** ISO 8601, by the clock of the bay. */
  readonly at: string;
  readonly kind: Move['kind'];
  readonly check: CheckId | null;
  readonly title: string;
  /** Hands-on minutes. */
  readonly minutes: number;
}

/** What a move came to. */
type Came = Pick<Shown, 'says'> & Partial<Shown>;

const MOVES: Readonly<Record<Exclude<Move['kind'], 'check'>, string>> = {
  wait: 'Left to stand',
  'stop-engine': 'Engine off',
  fill: 'Coolant',
  believe: 'Belief',
  judge: 'Judged',
  sense: 'Seen, heard, felt',
  hint: 'Hint',
  opinion: 'Second opinion',
  repair: 'Repair',
  try: 'Its driver tried it',
  finish: 'Given back'
};

/** Words, which leave everything as it is. */
const TALK: readonly Move['kind'][] = ['believe', 'judge', 'hint', 'opinion'];

/** A move that cannot be made, with the reason: it leaves no trace. */
export class NotPossible extends Error {}

/** A practice as it stands: everything follows from the case and the moves, so the same moves give the same vehicle. */
export class Practice {
  readonly done: Done[] = [];
  readonly #of: PracticeCase;
  readonly #vehicle: PracticeVehicle;
  readonly #record: PracticeRecord;
  readonly #engine: PracticeEngine;
  #measured = 0;
  /** The check that was done last, where it waits for what there was to see, with the number of its move. */
  #taken: (Taken & { readonly move: number }) | null = null;

  hurt: Hurt | null = null;
  finished = false;
  handsOnMin = 0;
  money = 0;
  slips = 0;
  hints = 0;
  opinions = 0;
  /** Hints since the last check: each says more than the one before. */
  hintStep = 0;
  /** What was made of what a check showed, by the number of its move. */
  readonly judged = new Map<number, Exclude<Outcome['result'], 'void'>>();
  /** What was said of what there was to sense, where it was another thing. */
  readonly missed: { readonly label: string; readonly said: string; readonly is: string }[] = [];
  belief: readonly Share[] | null = null;
  /** What was believed when the first repair was made. */
  beliefAtRepair: readonly Share[] | null = null;
  repairs: RepairId[] = [];

  constructor(of: PracticeCase) {
    this.#of = of;
    this.#vehicle = new PracticeVehicle(of);
    this.#record = new PracticeRecord(of, this.symptoms);
    this.#engine = new PracticeEngine(this.#record, this.#vehicle);
  }

  get at(): string {
    return this.#record.at;
  }
  get sheet(): SpecSheet {
    return this.#of.sheet;
  }
  get symptoms() {
    return this.#vehicle.symptoms;
  }
  get repaired(): boolean {
    return this.#vehicle.left.length === 0;
  }
  get running(): boolean {
    return this.#engine.running;
  }
  get over(): boolean {
    return this.finished || this.hurt !== null;
  }
  get possible(): FaultId[] {
    return FAULT_IDS.filter((f) => cannotHave(f, this.sheet) === null);
  }
  /** The log that was made last. */
  get log() {
    return this.#record.log;
  }
  known(): Known {
    return this.#record.known();
  }

  /** What there is to see, hear or feel now at the check that was done last; null where nothing is. */
  get toSense(): Taken | null {
    return this.#taken;
  }

  /** Makes a move. Throws {@link NotPossible} where it cannot be made now. */
  make(move: Move): void {
    if (this.over) throw new NotPossible('This practice is over');
    if (move.kind === 'sense' && !this.#taken) throw new NotPossible('There is nothing to look at now');
    // Whoever goes on without a word leaves out what there was to see.
    if (this.#taken && move.kind !== 'sense' && !TALK.includes(move.kind)) this.#sensed({});
    const before = this.handsOnMin;
    const { says, toJudge = null } = this.#make(move);
    this.money += ((this.handsOnMin - before) / 60) * USUAL_COSTS.labourPerHour;
    this.done.push({
      move: this.done.length,
      at: this.at,
      kind: move.kind,
      check: move.kind === 'check' ? move.check : null,
      title: move.kind === 'check' ? checkOf(move.check).title : MOVES[move.kind],
      says,
      minutes: this.handsOnMin - before,
      toJudge
    });
  }

  #make(move: Move): Came {
    switch (move.kind) {
      case 'check':
        return this.#check(move.check, move.careful);
      case 'judge':
        if (!this.done[move.of]?.toJudge || this.judged.has(move.of))
          throw new NotPossible('There is nothing to judge, or it was judged');
        this.judged.set(move.of, move.as);
        return { says: '' };
      case 'sense':
        this.#sensed(move.as);
        return { says: '' };
      case 'wait':
        this.#engine.stop();
        this.#record.pass(60 * move.hours);
        return { says: `${move.hours} h` };
      case 'stop-engine':
        if (!this.running) throw new NotPossible('The engine does not run');
        this.#engine.stop();
        return { says: '' };
      case 'fill':
        return this.#fill();
      case 'believe':
        this.belief = move.shares;
        return { says: '' };
      case 'hint':
        this.hints++;
        this.hintStep++;
        return { says: '' };
      case 'opinion':
        this.opinions++;
        return { says: 'Asked for' };
      case 'repair':
        return this.#repair(move.repairs);
      case 'try':
        return this.#try();
      case 'finish':
        return this.#finish();
    }
  }

  #check(id: CheckId, careful: readonly PrecautionId[]): Came {
    const check = checkOf(id);
    const has = (phase: string) => check.phases.some((p) => p === phase);
    const anyHeat = has('X') || has('C') || has('W');
    const lacks = check.lacks?.(this.sheet);
    if (lacks) throw new NotPossible(`This vehicle cannot have it: ${lacks}`);
    if (id === 'soak') throw new NotPossible('The clock of the bay does that: let the engine stand');
    if (has('W') && !has('R') && !has('H') && this.#engine.coolantC > this.#of.ambientC + COLD_WITHIN_C)
      throw new NotPossible('It is done while a cold engine warms up, and this one is warm. Let it stand');
    // Whoever takes the key stops it first.
    if (careful.includes('key-out') && !runsEngine(id)) this.#engine.stop();
    const warmsUp =
      (has('R') || has('H')) &&
      !anyHeat &&
      this.#engine.coolantC < limitsOf(this.sheet).startOpenC.value - STILL_WARM_C;
    const { hurt, slips } = dangerOf(id, careful, this.#engine.truth(), this.sheet, warmsUp);
    if (hurt) return this.#hurtBy(hurt);
    this.slips += slips.length;
    if (warmsUp) {
      this.#engine.start();
      this.#work(WARM_UP_MIN);
      this.#engine.warm();
    }
    if (runsEngine(id)) this.#engine.start();
    else if (check.gate !== 'none') this.#engine.stop();
    const minutes = check.minutes + (has('B') ? (check.takeOutMin ?? 0) : 0);
    this.handsOnMin += minutes;
    const shown = measure(id, minutes, {
      vehicle: this.#vehicle,
      record: this.#record,
      engine: this.#engine,
      before: this.#measured++
    });
    this.hintStep = 0;
    const boiled = boilsBy(slips, this.#engine.coolantC, this.sheet);
    if (boiled) return this.#hurtBy(boiled);
    if (!('senses' in shown)) return shown;
    this.#taken = { ...shown, move: this.done.length };
    return { says: '' };
  }

  /** Writes down what was said of what there was to see: from then on it counts, right or not. */
  #sensed(as: Readonly<Record<string, string>>): void {
    const taken = this.#taken!;
    this.#taken = null;
    for (const { field, label, is, choices } of taken.senses) {
      const called = (value: string) => choices.find((c) => c.value === value)?.label ?? value;
      if (as[field] !== undefined && as[field] !== is)
        this.missed.push({ label, said: called(as[field]), is: called(is) });
    }
    const shown = told(taken, as, this.#record);
    const { herring } = this.#of;
    const besides = taken.check === 'level-and-look' && herring ? `. Seen besides: ${herring}` : '';
    this.done[taken.move] = { ...this.done[taken.move], ...shown, says: `${shown.says}${besides}` };
  }

  #hurtBy(hurt: Hurt): Came {
    this.hurt = hurt;
    return { says: hurt.would };
  }

  #work(minutes: number): void {
    this.handsOnMin += minutes;
    this.#record.pass(minutes);
  }

  #fill(): Came {
    const { hurt } = dangerOf('cap-test', [], { ...this.#engine.truth(), running: false }, this.sheet);
    if (hurt) return this.#hurtBy(hurt);
    this.#engine.stop();
    this.#work(FILL_MIN);
    this.#vehicle.fill();
    this.#record.enter('coolant.serviced', {
      outL: 0,
      inL: 1,
      withPct: 50,
      nowPct: 50,
      renewed: false,
      odometerKm: null
    });
    return { says: 'Filled up and bled' };
  }

  #repair(repairs: readonly RepairId[]): Came {
    this.#engine.stop();
    this.beliefAtRepair ??= this.belief;
    const priced = priceOf([...repairs], USUAL_COSTS);
    this.money += priced.total;
    this.#record.pass(priced.labourMin);
    this.repairs = [...this.repairs, ...repairs];
    this.#vehicle.repair(repairs);
    this.#record.enter('repair.done', {
      repairs: [...repairs],
      why: '',
      withoutDrain: false,
      steps: [],
      torqueNm: {},
      parts: []
    });
    return { says: repairs.map((id) => repairOf(id).title).join(', ') };
  }

  /** Its driver drives it as before it came in, and says of each complaint whether it is gone. */
  #try(): Came {
    if (this.repairs.length === 0) throw new NotPossible('Nothing was repaired: its driver knows how it is');
    const { hurt } = dangerOf('road-run', PRECAUTION_IDS, this.#engine.truth(), this.sheet);
    if (hurt) return this.#hurtBy(hurt);
    this.#engine.start();
    this.#work(TRY_MIN);
    this.#engine.warm();
    this.#engine.stop();
    const tried = this.#vehicle.tried();
    for (const { symptom, gone } of tried)
      this.#record.enter('complaint.tried', { what: symptom.what, gone, how: 'by its driver' });
    const says = tried.map((t) => `${symptomText(t.symptom)}: ${t.gone ? 'gone' : 'still there'}`);
    return { says: says.join('; ') };
  }

  /** A vehicle that goes home with its fault comes back: that is paid too, and then what was wrong. */
  #finish(): Came {
    this.#engine.stop();
    this.finished = true;
    if (this.repaired) return { says: 'It stayed well' };
    this.money +=
      USUAL_COSTS.comeback + priceOf([...new Set(this.#vehicle.left.map(repairFor))], USUAL_COSTS).total;
    return { says: 'It came back' };
  }
}

/** A practice after these moves. Throws {@link NotPossible} at the first that cannot be made. */
export function playedTo(of: PracticeCase, moves: readonly Move[]): Practice {
  const practice = new Practice(of);
  for (const move of moves) practice.make(move);
  return practice;
}
