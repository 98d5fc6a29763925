import { FAULTS } from '../core/faults/registry';
import type { SpecSheet } from '../core/vehicle/spec-sheet';
import type { Analysis } from '../core/runs/analyse';
import { explainedBy, notShownSpots, verdictTitle } from '../core/runs/words';
import { midSentence, sayChance } from '../core/base/text';
import type { Outcome } from '../core/checks/check';
import { checkOf } from '../core/checks/registry';
import type { Case } from '../core/diagnosis/case';
import { sayMoney } from '../core/diagnosis/costs';
import { repairTitles } from '../core/record/repair-done';
import { plainText } from '../core/units/say';

const MARK = { 'as-expected': ' ok ', off: 'OFF ', note: '    ' } as const;

/** The verdict for a terminal: the same four parts as in the interface. */
export function analysisText(
  a: Analysis,
  spec: SpecSheet,
  file: string,
  warnings: readonly string[]
): string {
  const lines = [`${file} against ${spec.name}`, '', `Best match: ${verdictTitle(a)}`, ''];
  lines.push('Other matches');
  for (const s of explainedBy(a.suspects).slice(0, 5)) {
    const alike =
      s.alike.length > 0
        ? `; this log cannot tell it from ${s.alike.map((id) => midSentence(FAULTS[id].title)).join(', ')}`
        : '';
    lines.push(`  ${sayChance(s.probability).padStart(6)}  ${s.title}${alike}`);
  }
  lines.push('', 'Evidence', ...a.evidence.map((e) => `  ${MARK[e.state]} ${e.text}`));
  const notShown = notShownSpots(a);
  if (notShown.length > 0)
    lines.push(
      '',
      'This run could not show',
      ...notShown.map((b) => `  ${FAULTS[b.fault].title}: ${b.because}. ${b.toShow}`)
    );
  const all = [...a.warnings, ...warnings];
  if (all.length > 0) lines.push('', 'Note', ...all.map((w) => `  ${w}`));
  return plainText(`${lines.join('\n')}\n`);
}

const RESULT = { pass: ' ok ', fail: 'OFF ', unclear: '  ? ', void: 'void' } as const;

const outcomeLines = (o: Outcome): string[] => [
  `${RESULT[o.result]} ${[o.says, o.voidBecause].filter(Boolean).join('. ')}`,
  ...o.numbers.map((n) => `       ${n.name} ${n.value}${n.limit === undefined ? '' : ` (${n.limit})`}`)
];

/** One judged check for a terminal. */
export const outcomeText = (title: string, outcome: Outcome): string =>
  plainText(`${[title, ...outcomeLines(outcome).map((l) => `  ${l}`)].join('\n')}\n`);

/** So many suspects, and checks that could be done, are printed for a person; --json has all. */
const SHOWN = 5;

/** The whole case for a terminal. */
export function caseText(job: Case, title: string): string {
  const { state, opinion, plan, proof, costs } = job;
  const { advice } = opinion;
  const lines = [`${title}, ${state.state}${state.outcome ? `: ${state.outcome}` : ''}`, ''];
  lines.push('Checks');
  for (const c of job.checks)
    lines.push(`  ${checkOf(c.check).title}`, ...outcomeLines(c.outcome).map((l) => `    ${l}`));
  lines.push('', 'Suspects');
  for (const s of opinion.now.suspects.slice(0, SHOWN))
    lines.push(`  ${sayChance(s.probability).padStart(6)}  ${FAULTS[s.fault].title}`);
  const { next } = plan;
  lines.push('', 'Next');
  lines.push(
    advice.actNow
      ? `  Ready to repair: ${repairTitles(advice.act.repairs)}`
      : next
        ? `  ${next.check.title}, ${next.minutes} min: ${next.why}${next.heldBack ? `. ${next.heldBack}` : ''}`
        : '  No remaining check is worth the time'
  );
  for (const p of plan.others.slice(0, SHOWN))
    lines.push(`    or ${p.check.title}, ${p.minutes} min: ${p.why}`);
  lines.push('', 'Repairs');
  for (const o of job.offers)
    lines.push(
      `  ${sayMoney(o.expected, costs).padStart(8)} expected  ${repairTitles(o.repairs)}, cures with ${sayChance(o.cures)}`
    );
  if (proof) {
    lines.push('', proof.proven ? 'Proven' : 'Not proven');
    for (const i of proof.items)
      lines.push(`  ${i.met ? ' ok ' : i.needed ? 'open' : ' –  '} ${i.title}: ${i.says}`);
  }
  return plainText(`${lines.join('\n')}\n`);
}
