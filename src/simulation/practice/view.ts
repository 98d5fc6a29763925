import { midSentence } from '../../core/base/text';
import { CHECK_IDS, checkOf } from '../../core/checks/registry';
import { FAULTS } from '../../core/faults/registry';
import { PRECAUTION_IDS, PRECAUTIONS } from '../../core/practice/danger';
import type { PracticeCase } from '../../core/practice/case';
import { symptomText } from '../../core/vehicle/symptoms';
import { repairOf, REPAIR_IDS } from '../../core/vehicle/repairs';
import type { Practice } from './practice';

/** Where on the heat line a check stands, by the first of its phases. */
const STRETCHES = {
  C: 'Cold',
  W: 'Warming up',
  R: 'Regulating',
  H: 'Hot, stopped',
  X: 'Any time',
  B: 'Bench'
};

/** How many suspects the second opinion names. */
const NAMED = 5;

/** A practice as its page shows it: nothing of what is hidden is in it. */
export function viewOf(of: PracticeCase, practice: Practice) {
  const known = practice.known();
  const { heat, plan } = known;
  const { sheet } = practice;
  const suspects = known.opinion.now.suspects;
  const count = (id: string) => practice.done.filter((d) => d.check === id).length;
  return {
    title: of.title,
    level: of.level,
    vehicle: sheet.name,
    words: of.words,
    changedBefore: of.changedBefore,
    ambientC: of.ambientC,
    symptoms: practice.symptoms.map(symptomText),
    at: practice.at,
    minutes: Math.round(practice.handsOnMin),
    money: Math.round(practice.money),
    running: practice.running,
    phase: heat.phase,
    soaked: heat.soaked,
    over: practice.over,
    hurt: practice.hurt,
    repaired: practice.repairs.map((id) => repairOf(id).title),
    // What a check says stays hidden until somebody has made something of it themselves.
    done: practice.done.map(({ toJudge, says, ...d }) => {
      const as = practice.judged.get(d.move) ?? null;
      const open = toJudge !== null && as === null && !practice.over;
      return {
        ...d,
        says: open ? '' : says,
        numbers: open ? toJudge.numbers : null,
        judged: as && toJudge ? { as, is: toJudge.is } : null
      };
    }),
    checks: CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(sheet)).map((id) => {
      const { title, minutes, decides, phases, tools, takeOutMin } = checkOf(id);
      const minutesAll = minutes + (phases.includes('B') ? (takeOutMin ?? 0) : 0);
      return {
        id,
        title,
        minutes: minutesAll,
        decides,
        tools,
        stretch: STRETCHES[phases[0]],
        times: count(id)
      };
    }),
    precautions: PRECAUTION_IDS.map((id) => ({ id, title: PRECAUTIONS[id].title })),
    suspects: practice.possible.map((id) => ({ id, title: FAULTS[id].title })),
    repairs: REPAIR_IDS.filter((id) => id !== 'none').map((id) => ({ id, title: repairOf(id).title })),
    belief: practice.belief ?? [],
    hint: hintOf(practice.hintStep, [
      suspects.length > 1
        ? `What is open: ${FAULTS[suspects[0].fault].title}, or ${midSentence(FAULTS[suspects[1].fault].title)}?`
        : 'Nothing is open.',
      plan.next ? `The check that tells most now: ${plan.next.check.title}.` : 'No check tells more now.',
      plan.next ? plan.next.why : 'Decide, and repair.'
    ]),
    opinion:
      practice.opinions > 0
        ? suspects
            .slice(0, NAMED)
            .map((s) => ({ fault: s.fault, title: FAULTS[s.fault].title, probability: s.probability }))
        : null
  };
}
export type PracticeView = ReturnType<typeof viewOf>;

const hintOf = (step: number, all: readonly string[]): readonly string[] => all.slice(0, step);
