import { midSentence } from '../../core/base/text';
import { contentKey, Recent } from '../../core/base/content-key';
import { CHECK_IDS, checkOf, type CheckId } from '../../core/checks/registry';
import type { Case as Known } from '../../core/diagnosis/case';
import type { Chip, Line, Planned } from '../../core/diagnosis/plan';
import type { Band } from '../../core/physics/plant/band';
import { bandFor } from '../../core/runs/analyse';
import { thin } from '../../core/runs/thin';
import { FAULTS } from '../../core/faults/registry';
import { PRECAUTION_IDS, PRECAUTIONS } from '../../core/practice/danger';
import type { PracticeCase } from '../../core/practice/case';
import { symptomText } from '../../core/vehicle/symptoms';
import { repairOf, REPAIR_IDS } from '../../core/vehicle/repairs';
import type { Done, Practice } from './practice';

/** How many suspects the second opinion names. */
const NAMED = 5;

/** Points of a curve as it is drawn. */
const POINTS = 500;
const bands = new Recent<Band>(20);

/** The log that was made last, over what a healthy engine would have shown in the same air on the same drive. */
function runOf({ id }: PracticeCase, { log, sheet }: Practice) {
  if (!log) return null;
  const key = contentKey([id, log.t.length, log.startedAt, [...log.channels.ect_c!.slice(0, 200)]]);
  const { t, channels } = thin(log, POINTS);
  return { t, ect: channels.ect_c ?? [], band: bands.of(key, () => bandFor(log, sheet)) };
}

/**
 * The checks along the heat line as a job shows them, all of them, and none more than another. Results stand there of
 * what is `plain`: done, and judged by whoever did it.
 */
function lineOf({ plan }: Known, minutesOf: (id: CheckId) => number, plain: ReadonlySet<CheckId>): Line {
  const chips = (of: readonly Planned[]) =>
    of.flatMap(({ id, from, to, check, done }): Chip[] => {
      if (id === 'soak') return [];
      const shows = done !== null && plain.has(id);
      const { result, voidShort, countsFrom } = done?.outcome ?? {};
      return [
        {
          id,
          from,
          to,
          minutes: minutesOf(id),
          suggested: true,
          why: check.decides,
          check: { title: check.title },
          done: shows
            ? {
                words: done.words,
                outcome: { result: result!, voidShort: voidShort!, countsFrom: countsFrom! }
              }
            : null
        }
      ];
    });
  return {
    line: chips(plan.line),
    any: chips(plan.any),
    bench: chips(plan.bench),
    lacking: plan.lacking,
    next: null
  };
}

/** A practice as its page shows it: nothing of what is hidden is in it. */
export function viewOf(of: PracticeCase, practice: Practice) {
  const known = practice.known();
  const { heat, plan } = known;
  const { sheet } = practice;
  const suspects = known.opinion.now.suspects;
  // What a check says stays hidden until somebody has made something of it themselves.
  const open = (d: Done) => d.toJudge !== null && !practice.judged.has(d.move) && !practice.over;
  const checks = CHECK_IDS.filter((id) => id !== 'soak' && !checkOf(id).lacks?.(sheet)).map((id) => {
    const { title, minutes, decides, phases, tools, takeOutMin } = checkOf(id);
    return { id, title, minutes: minutes + (phases.includes('B') ? (takeOutMin ?? 0) : 0), decides, tools };
  });
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
    heat,
    sheet,
    run: practice.over ? null : runOf(of, practice),
    plan: lineOf(
      known,
      (id) => checks.find((c) => c.id === id)?.minutes ?? checkOf(id).minutes,
      new Set(practice.done.flatMap((d) => (d.check && !open(d) ? [d.check] : [])))
    ),
    over: practice.over,
    hurt: practice.hurt,
    repaired: practice.repairs.map((id) => repairOf(id).title),
    done: practice.done.map(({ toJudge, says, ...d }) => {
      const as = practice.judged.get(d.move);
      const hidden = open({ ...d, toJudge, says });
      return {
        ...d,
        says: hidden ? '' : says,
        numbers: hidden ? toJudge!.numbers : null,
        judged: as && toJudge ? { as, is: toJudge.is } : null
      };
    }),
    // How it is goes to the page, which draws it, and has no word for it.
    toSense: practice.toSense && {
      check: practice.toSense.check,
      title: checkOf(practice.toSense.check).title,
      senses: practice.toSense.senses
    },
    checks,
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
