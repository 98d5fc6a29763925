import { checksFile } from '../../core/handover/judged-file';
import { BadInput, parse, printJson, specOf } from '../input';
import type { Verb } from '../verb';

/** `checks --spec SPEC`: the checks a vehicle can have, with what their readings look like. */
function run(args: string[]): void {
  const { values, positionals } = parse(args, { spec: { type: 'string' }, json: { type: 'boolean' } });
  if (positionals.length > 0) throw new BadInput('checks: expected --spec SPEC and no file');
  const list = checksFile(specOf(values));
  if (values.json) return printJson(list);
  for (const c of list.checks)
    process.stdout.write(
      `${c.check.padEnd(20)} ${`${c.minutes} min`.padStart(7)}  ${c.title}: ${c.decides}\n`
    );
  for (const c of list.lacking)
    process.stdout.write(`${c.check.padEnd(20)}       –  ${c.title}: ${c.because}\n`);
}

export const checksVerb: Verb = {
  usage: 'checks --spec SPEC [--json]',
  run
};
