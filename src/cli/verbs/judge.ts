import { CHECK_IDS, checkOf, isCheckId } from '../../core/checks/registry';
import { fieldProblems } from '../../core/base/open-format';
import { judgedFile } from '../../core/handover/judged-file';
import { coolingOf } from '../../core/diagnosis/judged';
import { curvesWith } from '../../core/physics/thermistor/library';
import { thermalAt, type ThermalFact } from '../../core/physics/heat/state';
import { BadInput, numberOf, parse, printJson, readJson, refuse, specOf, type Values } from '../input';
import type { Verb } from '../verb';
import { outcomeText } from '../text';

/** `judge CHECK --readings FILE`: judges one check's readings, with what is said of the engine's heat. */
function run(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values, positionals } = parse(args, {
    spec: text,
    readings: text,
    stood: text,
    last: text,
    ambient: text,
    running: { type: 'boolean' },
    json: { type: 'boolean' }
  });
  const [id] = positionals;
  if (positionals.length !== 1 || typeof values.readings !== 'string')
    throw new BadInput('judge: expected one CHECK and --readings FILE');
  if (!isCheckId(id)) throw new BadInput(`judge: no check “${id}”; expected one of ${CHECK_IDS.join(', ')}`);
  const sheet = specOf(values);
  const check = checkOf(id);
  const parsed = check.readings.safeParse(readJson(values.readings, `the readings of ${id}`));
  if (!parsed.success) return refuse(fieldProblems(parsed.error), values.readings);
  const refused = check.refuse(parsed.data, sheet);
  if (refused.length > 0) return refuse(refused, values.readings);
  const at = new Date().toISOString();
  const facts = heatOf(values, at);
  const cooling = coolingOf(facts, sheet);
  const thermal = thermalAt(facts, at, sheet, cooling);
  const context = { at, sheet, thermal, cooling, earlier: [], curves: curvesWith([]) };
  const outcome = check.judge(parsed.data, context);
  if (values.json) printJson(judgedFile(id, outcome, check.unlikely(parsed.data, context)));
  else process.stdout.write(outcomeText(check.title, outcome));
}

/** What the options say of the engine: how long it stood since it ran, or that it runs. Nothing said, nothing known. */
function heatOf(values: Values, at: string): ThermalFact[] {
  const number = (name: string, min: number, max: number) => numberOf('judge', values, name, null, min, max);
  const [hours, coolantC, ambientC] = [
    number('stood', 0, 10_000),
    number('last', -60, 150),
    number('ambient', -60, 80)
  ];
  const before = (h: number) => new Date(Date.parse(at) - h * 3_600_000).toISOString();
  if (values.running) {
    const started: ThermalFact = { kind: 'started', at: before(hours ?? 0.5) };
    return coolantC === null ? [started] : [started, { kind: 'measured', at, coolantC, ambientC }];
  }
  return hours === null ? [] : [{ kind: 'ran-until', at: before(hours), coolantC, ambientC }];
}

export const judgeVerb: Verb = {
  usage:
    'judge CHECK --readings FILE [--spec SPEC] [--stood HOURS] [--last °C] [--ambient °C] [--running] [--json]',
  run
};
