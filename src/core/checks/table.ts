import { CAUTIONS } from '../measure/cautions';
import type { CheckPhase } from './check';
import { CHECK_IDS, checkOf } from './registry';

const PHASE_WORDS: Readonly<Record<CheckPhase, string>> = {
  C: 'cold-soaked',
  W: 'warming',
  R: 'regulating',
  H: 'hot, stopped',
  X: 'any',
  B: 'bench'
};

/** The registry as the Markdown table of docs/checks.md. */
export function checksTable(): string {
  const rows = CHECK_IDS.map((id) => {
    const { title, phases, minutes, decides, tools, cautions, needsSoak } = checkOf(id);
    const when =
      phases.map((p) => PHASE_WORDS[p]).join(', ') + (needsSoak ? '; counts only when soaked' : '');
    return `| \`${id}\` | ${title} | ${when} | ${minutes} | ${tools.join(', ')} | ${decides} | ${cautions.join(', ')} |`;
  });
  const warned = Object.entries(CAUTIONS).map(
    ([id, { text, guardsInjury }]) =>
      `- \`${id}\`${guardsInjury ? ' (acknowledged once a job)' : ''}: ${text}`
  );
  return [
    '# Checks',
    '',
    'Written from the registry (`src/core/checks`) by `npm run docs`; a test holds this page to it.',
    '',
    '| id | check | when | min | tools | decides | cautions |',
    '|---|---|---|---|---|---|---|',
    ...rows,
    '',
    '## Cautions',
    '',
    'All defer to the maker’s service information and local rules.',
    '',
    ...warned,
    ''
  ].join('\n');
}
