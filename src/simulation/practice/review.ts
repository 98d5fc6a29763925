import { checkOf, type CheckId } from '../../core/checks/registry';
import { beliefOf } from '../../core/diagnosis/next';
import type { Case as Known } from '../../core/diagnosis/case';
import type { Planned } from '../../core/diagnosis/plan';
import { priceOf } from '../../core/diagnosis/costs';
import { FAULTS, repairFor } from '../../core/faults/registry';
import type { ThermalPhase } from '../../core/physics/heat/phases';
import type { ThermalState } from '../../core/physics/heat/state';
import type { PracticeCase } from '../../core/practice/case';
import type { Move } from '../../core/practice/moves';
import { calibrationOf, pointsOf, wholeBelief, type Outcome } from '../../core/practice/score';
import { USUAL_COSTS } from '../../core/record/shop-costs';
import { repairOf, type RepairId } from '../../core/vehicle/repairs';
import { playedByAdvice } from './beside';
import { Practice, type Done } from './practice';

/** A step of the path: what it told, and what the best one would have. Bits of what was open about the cause. */
interface Step extends Done {
  readonly bits: number | null;
  /** Where on the heat line it ended. */
  readonly phase: ThermalState['phase'];
  /** The check that was worth most then, where that was another: what it was expected to tell, and from which stretch on. */
  readonly best: {
    readonly check: CheckId;
    readonly title: string;
    readonly bits: number;
    readonly phase: ThermalPhase | null;
  } | null;
}

const openBits = (known: Known): number => beliefOf(known.opinion.asked).bits;

/** The check that could be done then and was expected to tell most. */
const bestOf = ({ plan }: Known): Planned | null =>
  [plan.next, ...plan.others, ...plan.line, ...plan.any]
    .filter((p): p is Planned => p !== null && p.now && p.worth !== null)
    .reduce<Planned | null>((best, p) => (best && best.worth!.bits >= p.worth!.bits ? best : p), null);

/** What a path came to, in time and money. */
const sumOf = (p: Practice) => ({
  checks: p.done.filter((d) => d.kind === 'check').length,
  minutes: Math.round(p.handsOnMin),
  hours: Math.round((Date.parse(p.at) - Date.parse(p.done[0]?.at ?? p.at)) / 360_000) / 10,
  money: Math.round(p.money),
  repaired: p.repaired,
  repairs: p.repairs.map((id: RepairId) => repairOf(id).title)
});

/** The vehicle opened: what was wrong, each step with what it told, and the same case played by the second opinion. */
export function reviewOf(of: PracticeCase, moves: readonly Move[]) {
  const practice = new Practice(of);
  const told = new Map<number, Pick<Step, 'bits' | 'best'>>();
  /** The check that was done last, with what was known before: what it told is plain once it was said what was seen. */
  let asked: { readonly move: number; readonly before: Known; readonly best: Planned | null } | null = null;
  const phases: ThermalState['phase'][] = [];
  for (const move of moves) {
    if (move.kind === 'check') {
      const before = practice.known();
      asked = { move: practice.done.length, before, best: bestOf(before) };
    }
    practice.make(move);
    phases.push(practice.known().heat.phase);
    if (!asked || practice.toSense) continue;
    const { best } = asked;
    const check = practice.done[asked.move].check;
    told.set(asked.move, {
      bits: practice.hurt ? null : openBits(asked.before) - openBits(practice.known()),
      best:
        best && best.id !== check
          ? { check: best.id, title: best.check.title, bits: best.worth!.bits, phase: best.from }
          : null
    });
    asked = null;
  }
  const steps: Step[] = practice.done.map((d) => ({
    bits: null,
    best: null,
    phase: phases[d.move],
    ...told.get(d.move),
    ...d
  }));
  const beside = playedByAdvice(of);
  const truth = of.faults.length > 0 ? of.faults.map((f) => f.fault) : (['none'] as const);
  const fair = priceOf([...new Set(of.faults.map((f) => repairFor(f.fault)))], USUAL_COSTS).total;
  const believed = practice.beliefAtRepair ?? practice.belief;
  const outcome: Outcome = {
    repaired: practice.repaired && !practice.hurt,
    hurt: practice.hurt !== null,
    slips: practice.slips,
    money: practice.money,
    leastMoney: beside.practice.repaired ? Math.min(beside.practice.money, practice.money) : fair,
    calibration: believed ? calibrationOf(wholeBelief(believed, practice.possible), truth) : null,
    hints: practice.hints,
    opinions: practice.opinions
  };
  return {
    truth: truth.map((f) => ({ fault: f, title: FAULTS[f].title, means: FAULTS[f].means })),
    lesson: of.lesson,
    teaches: of.teaches,
    hurt: practice.hurt,
    steps,
    own: sumOf(practice),
    beside: {
      ...sumOf(beside.practice),
      path: beside.moves.flatMap((m) => (m.kind === 'check' ? [checkOf(m.check).title] : []))
    },
    judged: {
      right: [...practice.judged].filter(([of, as]) => practice.done[of].toJudge?.is === as).length,
      of: practice.judged.size
    },
    missed: practice.missed,
    outcome,
    points: pointsOf(outcome),
    currency: USUAL_COSTS.currency
  };
}
export type Review = ReturnType<typeof reviewOf>;
