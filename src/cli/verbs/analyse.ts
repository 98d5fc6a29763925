import { basename } from 'node:path';
import { problemText } from '../../core/base/result';
import { analysisFile } from '../../core/handover/analysis-file';
import { readAnyLog } from '../../core/logs/any-log';
import { analyse } from '../../core/runs/analyse';
import { plainText } from '../../core/units/say';
import { BadInput, parse, readBytes, readSpec, refuse } from '../input';
import type { Verb } from '../verb';
import { analysisText } from '../text';

/** `analyse LOG --spec SPEC`: reads a log and prints its verdict. */
function run(args: string[]): void {
  const { values, positionals } = parse(args, {
    spec: { type: 'string' },
    json: { type: 'boolean' },
    'skip-broken-rows': { type: 'boolean' },
    'as-it-is': { type: 'boolean' }
  });
  const [file] = positionals;
  if (positionals.length !== 1 || typeof values.spec !== 'string')
    throw new BadInput('analyse: expected one LOG and --spec SPEC');
  const spec = readSpec(values.spec);
  const result = readAnyLog(readBytes(file), {
    skipBrokenRows: values['skip-broken-rows'] === true,
    asItIs: values['as-it-is'] === true
  });
  if (!result.ok) return refuse(result.problems, file);
  const warnings = result.warnings.map((w) => plainText(problemText(w)));
  const analysis = analyse(result.value.log, spec);
  process.stdout.write(
    values.json
      ? `${JSON.stringify(analysisFile(analysis, warnings), null, 2)}\n`
      : analysisText(analysis, spec, basename(file), warnings)
  );
}

export const analyseVerb: Verb = {
  usage: 'analyse LOG --spec SPEC [--json] [--skip-broken-rows] [--as-it-is]',
  run
};
