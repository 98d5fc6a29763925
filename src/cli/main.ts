import { BadInput } from './input';
import type { Verb } from './verb';
import { analyseVerb } from './verbs/analyse';
import { caseVerb } from './verbs/case';
import { checksVerb } from './verbs/checks';
import { curveVerb } from './verbs/curve';
import { judgeVerb } from './verbs/judge';
import { simulateVerb } from './verbs/simulate';
import { validateVerb } from './verbs/validate';

const VERBS: readonly Verb[] = [
  analyseVerb,
  caseVerb,
  judgeVerb,
  checksVerb,
  simulateVerb,
  validateVerb,
  curveVerb
];
const nameOf = ({ usage }: Verb): string => usage.split(' ')[0];

const usage = (): string =>
  `pyrethos: reads an engine's warm-up against what it should do\n\n${VERBS.flatMap((v) =>
    v.usage.split('\n')
  )
    .map((line) => `  ${line.startsWith(' ') ? '' : 'pyrethos '}${line}\n`)
    .join('')}`;

async function main(): Promise<void> {
  const [verb, ...args] = process.argv.slice(2);
  if (verb === undefined || verb === '--help' || verb === 'help') {
    process.stdout.write(usage());
    return;
  }
  const known = VERBS.find((v) => nameOf(v) === verb);
  try {
    if (!known) throw new BadInput(`no verb “${verb}”; expected ${VERBS.map(nameOf).join(', ')}`);
    await known.run(args);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    process.stderr.write(`${error.message.replace(/\s*\n\s*/g, ' ')}\n`);
    process.exitCode = 2;
  }
}

void main();
