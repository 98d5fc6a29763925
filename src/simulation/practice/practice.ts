import { normalDraw, seeded, type Random } from '../../core/base/random';
import { checkOf, type CheckId } from '../../core/checks/registry';
import { assembleCase, USUAL_SHOP, type Case as Known } from '../../core/diagnosis/case';
import { runsEngine } from '../../core/diagnosis/dangers';
import { priceOf } from '../../core/diagnosis/costs';
import { cannotHave, curesOf, repairFor } from '../../core/faults/registry';
import { residualC } from '../../core/physics/coolant/cooling';
import { DRIVES } from '../../core/physics/plant/drive';
import type { Outcome } from '../../core/checks/check';
import { dangerOf, type Hurt, type TrueEngine } from '../../core/practice/danger';
import type { Move, Share } from '../../core/practice/moves';
import type { PracticeCase } from '../../core/practice/case';
import type { RecordEvent } from '../../core/record/events';
import { USUAL_COSTS } from '../../core/record/shop-costs';
import { analyse } from '../../core/runs/analyse';
import { logFrom } from '../../core/runs/log-from';
import { summaryOfRun, type RunSummary } from '../../core/runs/run-summary';
import { FAULT_IDS, type FaultId } from '../../core/vehicle/faults';
import { limitsOf } from '../../core/vehicle/limits';
import { repairOf, type RepairId } from '../../core/vehicle/repairs';
import type { SpecSheet } from '../../core/vehicle/spec-sheet';
import { writtenCase } from '../cases/case';
import type { Case as Hidden } from '../cases/hidden-case';
import { handsOn } from '../technician/hands';
import { SimulatedVehicle } from '../vehicle/vehicle';

/** Every practice begins on the same morning: its clock is its own. */
const BEGINS = Date.parse('2026-09-01T07:00:00.000Z');
const MIN_MS = 60_000;
const HOUR_MS = 60 * MIN_MS;
/** It stood overnight before it was brought to the bay. */
const STOOD_H = 15;
/** Minutes to where it regulates. */
const WARM_UP_MIN = 14;
const FILL_MIN = 8;
/** So much less than full, and it is not to be run. */
const EMPTY_BELOW = 0.62;
/** A fan starts a little below what its sheet says, on one engine or another. */
const FAN_EARLY_C = 8;
const ALWAYS_ON: readonly FaultId[] = ['fan-relay-welded', 'fan-command-stuck', 'ect-open-circuit'].filter(
  (f): f is FaultId => (FAULT_IDS as readonly string[]).includes(f)
);

/** One line of what was done, as the bay tells it. */
export interface Done {
  readonly move: number;
  /** ISO 8601, by the clock of the bay. */
  readonly at: string;
  readonly kind: Move['kind'];
  readonly check: CheckId | null;
  readonly title: string;
  /** What came of it. */
  readonly says: string;
  /** Hands-on minutes. */
  readonly minutes: number;
  /** What was measured, for whoever judges it; null where there is nothing to judge. */
  readonly toJudge: { readonly numbers: Outcome['numbers']; readonly is: Outcome['result'] } | null;
}

/** What a move came to. */
interface Came {
  readonly says: string;
  readonly toJudge?: Done['toJudge'];
}

const MOVES: Readonly<Record<Exclude<Move['kind'], 'check'>, string>> = {
  wait: 'Left to stand',
  'stop-engine': 'Engine off',
  fill: 'Coolant',
  believe: 'Belief',
  judge: 'Judged',
  hint: 'Hint',
  opinion: 'Second opinion',
  repair: 'Repair',
  finish: 'Given back'
};

/** A move that cannot be made, with the reason: it leaves no trace. */
export class NotPossible extends Error {}

/** A practice as it stands: everything follows from the case and the moves, so the same moves give the same vehicle. */
export class Practice {
  readonly done: Done[] = [];
  readonly #of: PracticeCase;
  /** The vehicle as it is: what was cured is out of it. */
  #hidden: Hidden;
  #left: readonly FaultId[];
  readonly #events: RecordEvent[] = [];
  readonly #runs: RunSummary[] = [];
  #now = BEGINS;
  #engine: { coolantC: number; at: number; running: boolean };
  #asked = 0;
  #known: { at: number; events: number; known: Known } | null = null;

  hurt: Hurt | null = null;
  finished = false;
  handsOnMin = 0;
  money = 0;
  slips = 0;
  hints = 0;
  opinions = 0;
  /** Hints since the last check: each says more than the one before. */
  hintStep = 0;
  opinionAt = -1;
  /** What was made of what a check showed, by the number of its move. */
  readonly judged = new Map<number, 'pass' | 'fail' | 'unclear'>();
  belief: readonly Share[] | null = null;
  /** What was believed when the first repair was made. */
  beliefAtRepair: readonly Share[] | null = null;
  repairs: RepairId[] = [];

  constructor(of: PracticeCase) {
    this.#of = of;
    this.#hidden = hiddenOf(of, of.faults);
    this.#left = of.faults.map((f) => f.fault);
    this.#engine = { coolantC: of.ambientC, at: BEGINS, running: false };
    this.#enter('job.opened', {
      vehicleId: idOf(of.seed, 0xfff0),
      complaint: of.words,
      symptoms: [...this.#hidden.symptoms],
      changedBefore: of.changedBefore,
      coolantChanged: null
    });
    this.#enter('engine.noted', {
      kind: 'ran-until',
      at: new Date(BEGINS - STOOD_H * HOUR_MS).toISOString(),
      coolantC: null,
      ambientC: Math.round(of.ambientC)
    });
  }

  get at(): string {
    return new Date(this.#now).toISOString();
  }
  get sheet(): SpecSheet {
    return this.#of.sheet as SpecSheet;
  }
  get symptoms() {
    return this.#hidden.symptoms;
  }
  get repaired(): boolean {
    return this.#left.length === 0;
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

  /** The job as Pyrethos would know it: what was measured, and nothing of what is hidden. */
  known(): Known {
    if (this.#known?.at === this.#now && this.#known.events === this.#events.length) return this.#known.known;
    const known = assembleCase({
      events: this.#events,
      vehicleFacts: [],
      runs: this.#runs,
      sheet: this.sheet,
      shop: USUAL_SHOP,
      causes: {},
      at: this.at
    })!;
    this.#known = { at: this.#now, events: this.#events.length, known };
    return known;
  }

  /** Makes a move. Throws {@link NotPossible} where it cannot be made now. */
  make(move: Move): void {
    if (this.over) throw new NotPossible('This practice is over');
    const before = this.handsOnMin;
    const came = this.#make(move);
    const { says, toJudge = null } = typeof came === 'string' ? { says: came } : came;
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

  #make(move: Move): string | Came {
    switch (move.kind) {
      case 'check':
        return this.#check(move.check, move.careful);
      case 'judge': {
        if (!this.done[move.of]?.toJudge || this.judged.has(move.of))
          throw new NotPossible('There is nothing to judge, or it was judged');
        this.judged.set(move.of, move.as);
        return '';
      }
      case 'wait':
        this.#stop();
        this.#now += move.hours * HOUR_MS;
        return `${move.hours} h`;
      case 'stop-engine':
        if (!this.#engine.running) throw new NotPossible('The engine does not run');
        this.#stop();
        return '';
      case 'fill':
        return this.#fill();
      case 'believe':
        this.belief = move.shares;
        return '';
      case 'hint':
        this.hints++;
        this.hintStep = Math.min(3, this.hintStep + 1);
        return '';
      case 'opinion':
        this.opinions++;
        this.opinionAt = this.done.length;
        return 'Asked for';
      case 'repair':
        return this.#repair(move.repairs);
      case 'finish':
        return this.#finish();
    }
  }

  #check(id: CheckId, careful: Parameters<typeof dangerOf>[1]): string | Came {
    const check = checkOf(id);
    const lacks = check.lacks?.(this.sheet);
    if (lacks) throw new NotPossible(`This vehicle cannot have it: ${lacks}`);
    if (id === 'soak') throw new NotPossible('The clock of the bay does that: let the engine stand');
    const at = (phase: string) => check.phases.some((p) => p === phase);
    // Whoever takes the key stops it first.
    if (careful.includes('key-out') && !runsEngine(id)) this.#stop();
    const { hurt, slips } = dangerOf(id, careful, this.#truth(), this.sheet);
    if (hurt) {
      this.hurt = hurt;
      return hurt.would;
    }
    const warm = this.#coolantC() > limitsOf(this.sheet).startOpenC.value - 20;
    const wantsWarm = at('R') || at('H');
    if (at('W') && !wantsWarm && this.#coolantC() > this.#of.ambientC + 15)
      throw new NotPossible('It is done while a cold engine warms up, and this one is warm. Let it stand');
    this.slips += slips.length;
    let minutes = check.minutes + (at('B') ? (check.takeOutMin ?? 0) : 0);
    if (wantsWarm && !at('X') && !warm && !at('C') && !at('W')) {
      const run = dangerOf('warm-up-run', careful, this.#truth(), this.sheet).hurt;
      if (run?.id === 'empty') {
        this.hurt = run;
        return run.would;
      }
      minutes += WARM_UP_MIN;
      this.#start();
      this.#now += WARM_UP_MIN * MIN_MS;
    }
    if (runsEngine(id)) this.#start();
    else if (check.gate !== 'none') this.#stop();
    const came = this.#measure(id, minutes);
    this.hintStep = 0;
    return came;
  }

  /** What the check shows. Its readings are those of the vehicle as it is; the same check done again reads with other errors. */
  #measure(id: CheckId, minutes: number): string | Came {
    const c = this.#hidden;
    const random = seeded(c.seed * 131 + hash(id) + 7919 * this.#asked++);
    if (id === 'warm-up-run' || id === 'road-run') return this.#run(id, random, minutes);
    this.handsOnMin += minutes;
    this.#now += minutes * MIN_MS;
    if (runsEngine(id)) this.#warmed();
    const check = checkOf(id);
    const readings = check.simulate(handsOn(c, random));
    const parsed = readings === null ? null : check.readings.safeParse(readings);
    if (!parsed?.success || check.refuse(parsed.data, c.spec).length > 0) {
      this.#enter('check.skipped', { check: id, why: 'Cannot be read here' });
      return 'Cannot be read on this vehicle';
    }
    this.#enter('check.recorded', {
      check: id,
      byHand: false,
      readings: parsed.data,
      confirmed: [],
      replaces: null
    });
    const judged = this.known().entered.at(-1);
    const seen = id === 'level-and-look' && this.#of.herring ? `. Seen besides: ${this.#of.herring}` : '';
    if (!judged) return '';
    const { says, numbers, result } = judged.outcome;
    const measured = numbers.map(({ name, value }) => ({ name, value }));
    return {
      says: `${says}${seen}`,
      toJudge: measured.length > 0 && result !== 'void' ? { numbers: measured, is: result } : null
    };
  }

  #run(id: 'warm-up-run' | 'road-run', random: Random, minutes: number): string {
    const c = this.#hidden;
    const startC = this.#coolantC() + 0.3 * normalDraw(random);
    this.#start();
    const log = logFrom({
      spec: c.spec,
      fault: 'none',
      severity: 0,
      legs: id === 'road-run' ? DRIVES.ridge : DRIVES.mixed,
      ambientC: c.ambientC,
      startC,
      columns: 'scan',
      seed: c.seed + this.#asked,
      plant: c.plant
    });
    const durationS = log.t[log.t.length - 1];
    const startedAt = this.at;
    this.handsOnMin += minutes;
    this.#now += Math.max(minutes * MIN_MS, durationS * 1000);
    this.#warmed();
    this.#stop();
    const ect = log.channels.ect_c!;
    const runId = idOf(c.seed, 0x8000 + this.#runs.length);
    const run = summaryOfRun({
      id: runId,
      fileName: `${checkOf(id).title}.csv`,
      importedAt: this.at,
      startedAt,
      durationS,
      endC: ect[ect.length - 1],
      analysis: analyse(log, c.spec)
    });
    this.#runs.push(run);
    this.#enter('run.imported', {
      runId,
      fileName: run.fileName,
      sizeBytes: 0,
      columns: [],
      skippedRows: 0
    });
    return run.title;
  }

  #fill(): string {
    if (this.#coolantC() > limitsOf(this.sheet).openCapC.value) {
      const { hurt } = dangerOf('cap-test', [], this.#truth(), this.sheet);
      this.hurt = hurt;
      return hurt!.would;
    }
    this.#stop();
    this.handsOnMin += FILL_MIN;
    this.#now += FILL_MIN * MIN_MS;
    this.#hidden = { ...this.#hidden, plant: { ...this.#hidden.plant, filling: 1 } };
    this.#left = this.#left.filter((f) => f !== 'coolant-low');
    this.#enter('coolant.serviced', {
      outL: 0,
      inL: 1,
      withPct: 50,
      nowPct: 50,
      renewed: false,
      odometerKm: null
    });
    return 'Filled up and bled';
  }

  #repair(repairs: readonly RepairId[]): string {
    this.#stop();
    this.beliefAtRepair ??= this.belief;
    const priced = priceOf([...repairs], USUAL_COSTS);
    this.money += priced.total;
    this.#now += priced.labourMin * MIN_MS;
    this.repairs = [...this.repairs, ...repairs];
    const cured = new Set(repairs.flatMap((id) => [...curesOf(id)]));
    this.#left = this.#left.filter((f) => !cured.has(f));
    const left = this.#of.faults.filter((f) => this.#left.includes(f.fault));
    // What the driver told stays told; codes were cleared with the repair.
    this.#hidden = { ...hiddenOf(this.#of, left), symptoms: this.#hidden.symptoms, codes: [] };
    this.#enter('repair.done', {
      repairs: [...repairs],
      why: '',
      withoutDrain: false,
      steps: [],
      torqueNm: {},
      parts: []
    });
    return repairs.map((id) => repairOf(id).title).join(', ');
  }

  /** A vehicle that goes home with its fault comes back: that is paid too, and then what was wrong. */
  #finish(): string {
    this.#stop();
    this.finished = true;
    if (this.#left.length === 0) return 'It stayed well';
    this.money += USUAL_COSTS.comeback + priceOf([...new Set(this.#left.map(repairFor))], USUAL_COSTS).total;
    return 'It came back';
  }

  #coolantC(): number {
    const { coolantC, at, running } = this.#engine;
    const { ambientC } = this.#of;
    if (running) return coolantC;
    return ambientC + residualC(coolantC - ambientC, (this.#now - at) / HOUR_MS, this.known().cooling.tauH);
  }

  #truth(): TrueEngine {
    const coolantC = this.#coolantC();
    const fanOnC = limitsOf(this.sheet).fanOnC?.value ?? Infinity;
    return {
      coolantC,
      running: this.#engine.running,
      fanCouldStart:
        this.sheet.fan !== undefined &&
        (coolantC > fanOnC - FAN_EARLY_C || this.#left.some((f) => ALWAYS_ON.includes(f))),
      empty: this.#hidden.plant.filling < EMPTY_BELOW
    };
  }

  #start(): void {
    if (this.#engine.running) return;
    this.#engine = { coolantC: this.#coolantC(), at: this.#now, running: true };
    this.#enter('engine.noted', { kind: 'started', at: this.at });
  }

  /** It has run long enough to be as warm as this vehicle gets. */
  #warmed(): void {
    const c = this.#hidden;
    const engine = new SimulatedVehicle({ ...c, startC: this.#of.ambientC, drive: 'mixed' });
    engine.start();
    for (let s = 10; s <= 60 * 25; s += 10) {
      engine.advanceTo(s);
      if (engine.truth().outletC > limitsOf(this.sheet).stopC.value) break;
    }
    this.#engine = { coolantC: engine.truth().outletC, at: this.#now, running: true };
  }

  #stop(): void {
    if (!this.#engine.running) return;
    if (this.#engine.coolantC < this.#of.ambientC + 20) this.#warmed();
    this.#engine = { ...this.#engine, at: this.#now, running: false };
    this.#enter('engine.noted', {
      kind: 'ran-until',
      at: this.at,
      coolantC: null,
      ambientC: Math.round(this.#of.ambientC)
    });
  }

  #enter(kind: RecordEvent['kind'], payload: object): void {
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
}

const hiddenOf = (of: PracticeCase, faults: PracticeCase['faults']): Hidden =>
  writtenCase({
    spec: of.sheet as SpecSheet,
    faults,
    ambientC: of.ambientC,
    seed: of.seed,
    symptoms: of.symptoms,
    codes: of.codes
  });

const idOf = (seed: number, n: number): string =>
  `${(seed % 0xffffffff).toString(16).padStart(8, '0')}-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

const hash = (text: string): number =>
  [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) | 0, 7) >>> 8;

/** A practice after these moves. Throws {@link NotPossible} at the first that cannot be made. */
export function playedTo(of: PracticeCase, moves: readonly Move[]): Practice {
  const practice = new Practice(of);
  for (const move of moves) practice.make(move);
  return practice;
}
