import { sayChance } from '../core/base/text';
import type { SpecSheet } from '../core/vehicle/spec-sheet';
import type { Analysis } from '../core/runs/analyse';
import { verdictTitle } from '../core/runs/words';
import { midSentence } from '../core/base/text';
import { plainText } from '../core/units/say';
import { SUSPECTS } from '../core/vehicle/fault-words';

const MARK = { 'as-expected': ' ok ', off: 'OFF ', note: '    ' } as const;

/** The verdict for a terminal: the same four parts as in the interface. */
export function analysisText(
  a: Analysis,
  spec: SpecSheet,
  file: string,
  warnings: readonly string[]
): string {
  const lines = [`${file} against ${spec.name}`, '', `Fits best: ${verdictTitle(a)}`, ''];
  lines.push('Could be');
  for (const s of a.suspects.slice(0, 5)) {
    const alike =
      s.alike.length > 0
        ? `; this log cannot tell it from ${s.alike.map((id) => midSentence(SUSPECTS[id].title)).join(', ')}`
        : '';
    lines.push(`  ${sayChance(s.probability).padStart(6)}  ${SUSPECTS[s.fault].title}${alike}`);
  }
  lines.push('', 'Evidence', ...a.evidence.map((e) => `  ${MARK[e.state]} ${e.text}`));
  if (a.couldNotShow.length > 0)
    lines.push(
      '',
      'This run could not have shown',
      ...a.couldNotShow.map((b) => `  ${SUSPECTS[b.fault].title}: ${b.because}. ${b.toShow}`)
    );
  const all = [...a.warnings, ...warnings];
  if (all.length > 0) lines.push('', 'Note', ...all.map((w) => `  ${w}`));
  return plainText(`${lines.join('\n')}\n`);
}
