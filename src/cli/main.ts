import { DRIVES } from '../core/physics/plant/drive';
import { BadInput } from './input';
import { runAnalyse } from './verbs/analyse';
import { runCase } from './verbs/case';
import { runChecks } from './verbs/checks';
import { runCurve } from './verbs/curve';
import { runJudge } from './verbs/judge';
import { runSimulate } from './verbs/simulate';
import { runValidate } from './verbs/validate';

const USAGE = `pyrethos: reads an engine's warm-up against what it should do

  pyrethos analyse LOG --spec SPEC [--json] [--skip-broken-rows]
  pyrethos case JOB.job.json [--json] [--at MOMENT]
  pyrethos case --lines
  pyrethos judge CHECK --readings FILE [--spec SPEC] [--stood HOURS] [--last °C] [--ambient °C] [--running] [--json]
  pyrethos checks --spec SPEC [--json]
  pyrethos simulate --spec SPEC [--fault ID] [--severity 0..1] [--variant NAME] [--drive ${Object.keys(DRIVES).join('|')}]
                    [--ambient °C] [--start °C] [--seed N] [--columns all|scan|bare] [--out LOG]
  pyrethos validate FILE...
  pyrethos curve (POINTS.csv [--fit beta|steinhart-hart|table] | --spec SPEC | --family ID | --families)
                 [--at °C,…] [--ohm Ω,…] [--volts V,…] [--reference V] [--pull-up Ω] [--across Ω --on °C] [--json]
`;

const VERBS: Readonly<Record<string, (args: string[]) => void | Promise<void>>> = {
  analyse: runAnalyse,
  case: runCase,
  judge: runJudge,
  checks: runChecks,
  simulate: runSimulate,
  validate: runValidate,
  curve: runCurve
};

async function main(): Promise<void> {
  const [verb, ...args] = process.argv.slice(2);
  if (verb === undefined || verb === '--help' || verb === 'help') {
    process.stdout.write(USAGE);
    return;
  }
  const run = VERBS[verb];
  try {
    if (!run) throw new BadInput(`no verb “${verb}”; expected ${Object.keys(VERBS).join(', ')}`);
    await run(args);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    process.stderr.write(`${error.message.replace(/\s*\n\s*/g, ' ')}\n`);
    process.exitCode = 2;
  }
}

void main();
