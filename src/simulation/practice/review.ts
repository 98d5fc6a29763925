import { checkOf, type CheckId } from '../../core/checks/registry';
import { beliefOf } from '../../core/diagnosis/next';
import type { Case as Known } from '../../core/diagnosis/case';
import type { Planned } from '../../core/diagnosis/plan';
import { priceOf } from '../../core/diagnosis/costs';
import { FAULTS, repairFor } from '../../core/faults/registry';
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
  /** The check that was worth most then, where that was another; what it was expected to tell. */
  readonly best: { readonly check: CheckId; readonly title: string; readonly bits: number } | null;
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
  const steps: Step[] = [];
  for (const move of moves) {
    const asks = move.kind === 'check' && !practice.over;
    const before = asks ? practice.known() : null;
    practice.make(move);
    const done = practice.done.at(-1)!;
    const best = before && bestOf(before);
    const told = before && !practice.hurt ? openBits(before) - openBits(practice.known()) : null;
    steps.push({
      ...done,
      bits: told,
      best:
        best && move.kind === 'check' && best.id !== move.check
          ? { check: best.id, title: best.check.title, bits: best.worth!.bits }
          : null
    });
  }
  const beside = playedByAdvice(of);
  const truth = of.faults.length > 0 ? of.faults.map((f) => f.fault) : (['none'] as const);
  const fair = priceOf([...new Set(of.faults.map((f) => repairFor(f.fault)))], USUAL_COSTS).total;
  const told = practice.beliefAtRepair ?? practice.belief;
  const outcome: Outcome = {
    repaired: practice.repaired && !practice.hurt,
    hurt: practice.hurt !== null,
    slips: practice.slips,
    money: practice.money,
    leastMoney: beside.practice.repaired ? Math.min(beside.practice.money, practice.money) : fair,
    calibration: told ? calibrationOf(wholeBelief(told, practice.possible), truth) : null,
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
    outcome,
    points: pointsOf(outcome),
    currency: USUAL_COSTS.currency
  };
}
export type Review = ReturnType<typeof reviewOf>;
