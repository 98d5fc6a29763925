import { checkOf, type CheckId } from '../../core/checks/registry';
import {
  DEFAULT_COOLING,
  thermalAt,
  type ThermalFact,
  type ThermalState
} from '../../core/physics/heat/state';
import { DRIVES } from '../../core/physics/plant/drive';
import { logFrom } from '../../core/runs/log-from';
import { seeded } from '../../core/base/random';
import type { JudgedCheck } from '../../core/diagnosis/judged';
import { analyse } from '../../core/runs/analyse';
import { complaintFindings, type RankedRun } from '../../core/diagnosis/findings';
import type { Finding } from '../../core/diagnosis/finding';
import { waitFor } from '../../core/diagnosis/next';
import { LIBRARY } from '../../core/physics/thermistor/library';
import { mistaken } from '../cases/case';
import type { Case } from '../cases/hidden-case';
import { handsOn } from './hands';

/** One in so many checks is done wrong: what is written down is of another fault. */
const BLUNDERS = 0.03;

/** What a check gave on a case, whoever asks and when: the same case answers every planner alike. */
export interface Answer {
  readonly id: CheckId;
  readonly judged: JudgedCheck | null;
  /** A run as its model ranked it, where the check is one. */
  readonly run?: RankedRun;
  readonly blundered: boolean;
}

const AT = '2026-11-25T08:00:00.000Z';
const DAY_MS = 3_600_000;

/** A case that can be asked; each check is measured once and remembered. */
export class Patient {
  readonly #answers = new Map<CheckId, Answer | null>();
  constructor(readonly c: Case) {}

  get complaint(): Finding[] {
    return complaintFindings(this.c.symptoms);
  }

  /** Null where it cannot be measured on this vehicle as it is. */
  ask(id: CheckId): Answer | null {
    const had = this.#answers.get(id);
    if (had !== undefined) return had;
    const random = seeded(
      this.c.seed * 131 + id.length * 17 + id.charCodeAt(0) * 7 + id.charCodeAt(id.length - 1)
    );
    const blundered = random() < BLUNDERS;
    const of = blundered ? mistaken(this.c, random) : this.c;
    const answer = this.#measure(id, of, blundered, random);
    this.#answers.set(id, answer);
    return answer;
  }

  #measure(id: CheckId, of: Case, blundered: boolean, random: () => number): Answer | null {
    if (id === 'warm-up-run' || id === 'road-run') {
      const run = runOf(of, id, random);
      return { id, judged: null, blundered, run };
    }
    const check = checkOf(id);
    const readings = check.simulate(handsOn(of, random));
    if (readings === null) return null;
    const parsed = check.readings.safeParse(readings);
    if (!parsed.success || check.refuse(parsed.data, of.spec).length > 0) return null;
    const stopped: ThermalFact = {
      kind: 'ran-until',
      at: new Date(Date.parse(AT) - 14 * DAY_MS).toISOString(),
      coolantC: 88,
      ambientC: of.ambientC
    };
    const outcome = check.judge(parsed.data, {
      at: AT,
      sheet: of.spec,
      thermal: thermalAt([stopped], AT, of.spec),
      cooling: DEFAULT_COOLING,
      earlier: [],
      curves: LIBRARY
    });
    const judged: JudgedCheck = {
      id,
      check: id,
      at: AT,
      who: '',
      byHand: false,
      readings: parsed.data,
      confirmed: [],
      words: '',
      outcome
    };
    return { id, judged, blundered };
  }
}

/** A run of the vehicle, with the columns that the workshop's logger happened to have. */
function runOf(c: Case, id: 'warm-up-run' | 'road-run', random: () => number): RankedRun {
  const log = logFrom({
    spec: c.spec,
    fault: 'none',
    severity: 0,
    legs: id === 'road-run' ? DRIVES.ridge : random() < 0.5 ? DRIVES.mixed : DRIVES.yard,
    ambientC: c.ambientC,
    startC: c.ambientC,
    columns: random() < 0.5 ? 'all' : 'scan',
    seed: c.seed,
    plant: c.plant
  });
  const analysis = analyse(log, c.spec);
  return {
    id,
    title: String(analysis.verdict),
    suspects: analysis.suspects,
    blind: analysis.couldNotShow.map((b) => b.fault),
    beside: analysis.beside ?? null
  };
}

/** Where the engine is, and what it took to have it there. */
export class Bay {
  phase: ThermalState['phase'] = 'cold';
  /** The same as the plan asks for it: nobody in the benchmark waits for a cap. */
  get state(): ThermalState {
    return { ...thermalAt([], AT, null), phase: this.phase };
  }
  handsOnMin = 0;
  soaks = 0;

  /** Does a check: its minutes, and those of getting the engine there. */
  go(id: CheckId, minutes: number): void {
    const check = checkOf(id);
    const wait = waitFor(check, { phase: this.phase });
    const soaks = check.phases.every((p) => p === 'C' || p === 'W') && this.phase !== 'cold';
    if (soaks) this.soaks++;
    // Standing overnight takes nobody’s hands; coming back to it takes a little.
    this.handsOnMin += minutes + (soaks ? 5 : wait);
    const warms =
      check.phases.some((p) => p === 'R' || p === 'W' || p === 'H') && !check.phases.includes('C');
    if (warms) this.phase = 'regulating';
    else if (soaks) this.phase = 'cold';
  }
}
