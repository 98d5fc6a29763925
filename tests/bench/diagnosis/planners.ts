import { curesOf, repairFor } from '../../../src/core/faults/registry';
import { outcome, spoken } from '../../../src/core/checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../../../src/core/checks/registry';
import type { FaultId } from '../../../src/core/vehicle/faults';
import { type RepairId } from '../../../src/core/vehicle/repairs';
import { priceOf } from '../../../src/core/diagnosis/costs';
import { USUAL_COSTS, type ShopCosts } from '../../../src/core/record/shop-costs';
import { adviceOf } from '../../../src/core/diagnosis/decide';
import type { JudgedCheck } from '../../../src/core/diagnosis/judged';
import type { Finding } from '../../../src/core/diagnosis/finding';
import { findingsOf, type RankedRun } from '../../../src/core/diagnosis/findings';
import { partRemoved, worthOf, type Asked } from '../../../src/core/diagnosis/next';
import { posteriorOf } from '../../../src/core/diagnosis/posterior';
import { planOf } from '../../../src/core/diagnosis/plan';
import type { Case } from '../../../src/simulation/cases/hidden-case';
import { TEXTBOOK } from './textbook';
import { Bay, Patient } from '../../../src/simulation/technician/play';

/** How a planner fared on one case. */
export interface Fared {
  readonly seed: number;
  readonly fault: FaultId;
  readonly severity: number;
  readonly sheet: string;
  readonly named: FaultId;
  /** What it gave the one it named. */
  readonly sure: number;
  /** Every suspect's share when it stopped, for calibration. */
  readonly shares: readonly (readonly [FaultId, number])[];
  readonly checks: readonly CheckId[];
  readonly handsOnMin: number;
  readonly soaks: number;
  readonly parts: number;
  readonly comebacks: number;
  readonly money: number;
  readonly blunders: number;
}

const costs = USUAL_COSTS;
const MOST_CHECKS = 14;

/** Repairs what was named, and after a comeback what the truth turns out to be: what the whole job then cost. */
function bill(c: Case, repairs: readonly RepairId[], bay: Bay): Pick<Fared, 'parts' | 'comebacks' | 'money'> {
  let [parts, money, comebacks] = [0, (bay.handsOnMin / 60) * costs.labourPerHour, 0];
  let cured = c.fault === 'none';
  for (const id of repairs) {
    const priced = priceOf([id], costs);
    parts += priced.parts;
    money += priced.total;
    if (curesOf(id).includes(c.fault)) cured = true;
    if (cured) break;
    comebacks++;
    money += costs.comeback;
  }
  if (!cured) {
    const priced = priceOf([repairFor(c.fault)], costs);
    parts += priced.parts;
    money += priced.total;
  }
  return { parts, comebacks, money };
}

interface Stop {
  readonly findings: readonly Finding[];
  readonly bay: Bay;
  readonly checks: readonly CheckId[];
  readonly done: readonly JudgedCheck[];
  readonly runs: readonly RankedRun[];
  readonly blunders: number;
}

/** What could not be measured there was tried all the same, and stays open as unclear. */
const doneAs = (check: CheckId, judged: JudgedCheck | null): JudgedCheck =>
  judged ?? {
    id: check,
    check,
    at: '',
    who: '',
    byHand: false,
    readings: null,
    confirmed: [],
    words: '',
    outcome: spoken({}, outcome('unclear', 'A run, or not to be measured'), null)
  };

function fared(p: Patient, { findings, bay, checks, blunders }: Stop): Fared {
  const { suspects } = posteriorOf(findings, p.c.spec);
  const [first] = suspects;
  return {
    seed: p.c.seed,
    fault: p.c.fault,
    severity: p.c.severity,
    sheet: p.c.spec.name,
    named: first.fault,
    sure: first.probability,
    shares: suspects.map((s) => [s.fault, s.probability] as const),
    checks,
    handsOnMin: bay.handsOnMin,
    soaks: bay.soaks,
    blunders,
    ...bill(p.c, [repairFor(first.fault)], bay)
  };
}

/** Everything known, as a job's page puts it together. */
const known = (p: Patient, { done, runs }: Stop) =>
  findingsOf({ symptoms: p.c.symptoms, done, runs, sheet: p.c.spec });

/** Follows a plan until it says stop. */
function follow(p: Patient, next: (s: Stop, open: readonly CheckId[]) => CheckId | null): Fared {
  let stop: Stop = { findings: p.complaint, bay: new Bay(), checks: [], done: [], runs: [], blunders: 0 };
  let open: readonly CheckId[] = CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(p.c.spec));
  while (stop.checks.length < MOST_CHECKS) {
    const id = next(stop, open);
    if (!id) break;
    open = open.filter((o) => o !== id);
    const answer = p.ask(id);
    stop.bay.go(id, checkOf(id).minutes);
    stop = {
      ...stop,
      checks: [...stop.checks, id],
      done: [...stop.done, doneAs(id, answer?.judged ?? null)],
      runs: answer?.run ? [...stop.runs, answer.run] : stop.runs,
      blunders: stop.blunders + (answer?.blundered ? 1 : 0)
    };
    stop = { ...stop, findings: known(p, stop) };
  }
  return fared(p, stop);
}

/** Ours: the check that the job’s card names next, until it says to act. */
const byAdvice =
  (costs: ShopCosts) =>
  (p: Patient): Fared =>
    follow(p, ({ findings, bay, done }, open) => {
      const sheet = p.c.spec;
      const asked: Asked = { findings, sheet, state: { phase: bay.phase }, open, removed: partRemoved(done) };
      const worth = worthOf(asked);
      const advice = adviceOf(asked, costs, worth);
      if (advice.actNow) return null;
      const now = posteriorOf(findings, sheet);
      const plan = planOf({ sheet, done, state: bay.state, now, worth, advised: advice.check!.id });
      return [plan.next, ...plan.others].find((c) => c && open.includes(c.id))?.id ?? advice.check!.id;
    });
export const ours = byAdvice(USUAL_COSTS);
/** The same in a shop that thinks little of a comeback, and so stops earlier. */
export const hurried = byAdvice({ ...USUAL_COSTS, comeback: 150, misnamed: 40 });

/** What it takes for somebody who goes by the book to be sure, weighed by our own engine: a generous reading of it. */
const SURE = 0.95;

/** The fixed order, every check that the vehicle can have, until one suspect is sure. */
export const textbook = (p: Patient): Fared =>
  follow(p, ({ findings }, open) => {
    const [first] = posteriorOf(findings, p.c.spec).suspects;
    if (first.probability >= SURE && first.fault !== 'none') return null;
    return TEXTBOOK.find((id) => open.includes(id)) ?? null;
  });

/** The popular part by the complaint, then the next most popular; nothing is measured. */
export function popular(p: Patient): Fared {
  const { symptoms, codes } = p.c;
  const has = (id: string) => symptoms.some((s) => s.what === id);
  const sensorFirst = codes.some((c) => c.startsWith('P011')) || has('fan-always') || has('gauge-jumps');
  const fanFirst = has('fan-never') || has('noise-roar');
  const fan: RepairId = p.c.spec.clutch
    ? 'fan-clutch'
    : p.c.spec.fan?.drive === 'controller'
      ? 'fan-controller'
      : 'relay';
  const order: RepairId[] = fanFirst
    ? [fan, 'fan-motor', 'thermostat', 'ect-sensor', 'water-pump']
    : sensorFirst
      ? ['ect-sensor', 'thermostat', fan, 'connector', 'water-pump']
      : ['thermostat', 'ect-sensor', fan, 'water-pump', 'radiator-inside'];
  const able = order.filter((id) => id !== 'fan-motor' || p.c.plant.fan.kind !== 'none').slice(0, 3);
  const bay = new Bay();
  const named = curesOf(able[0]).includes(p.c.fault) ? p.c.fault : curesOf(able[0])[0];
  return {
    seed: p.c.seed,
    fault: p.c.fault,
    severity: p.c.severity,
    sheet: p.c.spec.name,
    named,
    sure: 1,
    shares: [],
    checks: [],
    handsOnMin: 0,
    soaks: 0,
    blunders: 0,
    ...bill(p.c, able, bay)
  };
}
