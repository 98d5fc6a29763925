import { FAULTS } from '../faults/registry';
import type { Case } from '../diagnosis/case';
import type { Planned } from '../diagnosis/plan';
import type { JudgedCheck } from '../diagnosis/judged';
import { notShownBy } from '../runs/words';
import { plainText } from '../units/say';
import { outcomeRow } from './judged-file';

/** A judged check as files tell it: what was read, and what was made of it. */
export const checkRow = ({ id, check, at, who, byHand, readings, outcome }: JudgedCheck) => ({
  id,
  check,
  at,
  who,
  byHand,
  readings,
  ...outcomeRow(outcome)
});

const suspectRow = (s: { readonly fault: keyof typeof FAULTS; readonly probability: number }) => ({
  fault: s.fault,
  title: FAULTS[s.fault].title,
  probability: s.probability
});

const planRow = ({ id, check, minutes, waitMin, now, heldBack, suggested, why, done, worth }: Planned) => ({
  check: id,
  title: check.title,
  phases: check.phases,
  tools: check.tools,
  minutes,
  waitMin,
  possibleNow: now,
  heldBack: heldBack && plainText(heldBack),
  suggested,
  reason: plainText(why),
  done: done?.outcome.result ?? null,
  bits: worth?.bits ?? 0,
  bitsPerMinute: worth?.rate ?? 0
});

/** Pairs and single faults that are told one by one. */
const HYPOTHESES = 10;

/**
 * Version 1 of the case: everything that is known of a job, as `bin/pyrethos case --json` prints it and a job file
 * carries it. Probabilities from 0 to 1, money in the shop's currency, minutes in min, temperatures in °C.
 */
export function caseFile(job: Case) {
  const { state, heat, opinion, opinionBefore, plan, proof, costs } = job;
  const { advice } = opinion;
  return {
    format: 'pyrethos.case' as const,
    version: 1 as const,
    at: job.at,
    state: state.state,
    outcome: state.outcome,
    cause: state.cause,
    heat: {
      phase: heat.phase,
      running: heat.running,
      coolantC: heat.coolantC,
      ambientC: heat.ambientC,
      residualC: heat.residualC,
      soaked: heat.soaked,
      soakedFrom: heat.soakedFrom,
      safeToOpen: heat.safeToOpen,
      safeToOpenFrom: heat.safeToOpenFrom
    },
    checks: job.entered.map(checkRow),
    runs: job.runs.map((r) => ({
      id: r.id,
      fileName: r.fileName,
      at: r.at,
      verdict: r.verdict,
      title: r.title,
      suspects: r.suspects.map(suspectRow),
      couldNotShow: notShownBy(r)
    })),
    /** On the vehicle as it stands; while a repaired job is open, from what was seen since the repair. */
    suspects: opinion.now.suspects.map(suspectRow),
    hypotheses: opinion.now.hypotheses.slice(0, HYPOTHESES),
    impossible: opinion.now.impossible,
    /** On what the last repair rests on; null where that is the same. */
    suspectsBeforeRepair: opinionBefore === opinion ? null : opinionBefore.now.suspects.map(suspectRow),
    findings: opinion.asked.findings.map((f) => ({
      id: f.id,
      title: f.title,
      says: plainText(f.says),
      group: f.group,
      nats: f.llr
    })),
    next: plan.next && planRow(plan.next),
    alternatives: plan.others.map(planRow),
    plan: {
      line: plan.line.map(planRow),
      anyTime: plan.any.map(planRow),
      bench: plan.bench.map(planRow),
      lacking: plan.lacking
    },
    advice: {
      act: advice.actNow,
      repairs: advice.act.repairs,
      costOfUncertainty: advice.unsureCosts,
      check: advice.check && {
        check: advice.check.id,
        minutesToSure: advice.check.minutesToSure,
        costToSure: advice.check.toSureCosts
      }
    },
    currency: costs.currency,
    repairs: job.offers.map((o) => ({
      repairs: o.repairs,
      cures: o.cures,
      parts: o.parts,
      labourMin: o.labourMin,
      daysOffRoad: o.days,
      cost: o.total,
      expectedCost: o.expected
    })),
    decision: state.decision && { ...state.decision.done, at: state.decision.at, who: state.decision.who },
    dangers: job.dangers.map((d) => ({ ...d, title: plainText(d.title), not: plainText(d.not) })),
    proof: proof && {
      proven: proof.proven,
      next: proof.next?.id ?? null,
      items: proof.items.map((i) => ({ ...i, title: plainText(i.title), says: plainText(i.says) }))
    },
    closings: job.closings.map((c) => ({ ...c, refused: c.refused && plainText(c.refused) })),
    ending: job.ending
  };
}
export type CaseFile = ReturnType<typeof caseFile>;
