import { limitsOf } from '../../core/vehicle/limits';
import { fitted } from '../../core/physics/thermistor/fit';
import { pointsFromText } from '../../core/physics/thermistor/rows';
import { curveAnswers, curveText, families, familyOf, type CurveAsk } from '../curve';
import { BadInput, parse, readBytes, readSpec, taken } from '../input';
import type { Verb } from '../verb';

/** `curve POINTS.csv`: fits and converts a thermistor. */
function run(args: string[]): void {
  const text = { type: 'string' } as const;
  const flag = { type: 'boolean' } as const;
  const { values, positionals } = parse(args, {
    fit: text,
    spec: text,
    family: text,
    families: flag,
    at: text,
    ohm: text,
    volts: text,
    reference: text,
    'pull-up': text,
    across: text,
    on: text,
    json: flag
  });
  if (values.families) return void process.stdout.write(families());
  const numbers = (name: string): number[] => {
    const given = values[name];
    if (typeof given !== 'string') return [];
    const list = given.split(',').map(Number);
    if (list.some((x) => !Number.isFinite(x)))
      throw new BadInput(`curve: --${name} is “${given}”; expected numbers with commas between`);
    return list;
  };
  const sources = [positionals[0], values.spec, values.family].filter((s) => typeof s === 'string');
  if (sources.length !== 1 || positionals.length > 1)
    throw new BadInput('curve: expected one of a file of points, --spec SPEC, --family ID or --families');
  const spec = typeof values.spec === 'string' ? readSpec(values.spec) : null;
  const form = values.fit ?? 'steinhart-hart';
  if (form !== 'beta' && form !== 'steinhart-hart' && form !== 'table')
    throw new BadInput(`curve: --fit is “${form}”; expected beta, steinhart-hart or table`);
  try {
    const points = positionals[0]
      ? taken(pointsFromText(new TextDecoder().decode(readBytes(positionals[0]))), positionals[0])
      : [];
    const found = positionals[0]
      ? fitted(points, form)
      : { curve: spec ? spec.ect?.curve : familyOf(String(values.family)), residualC: null };
    if (!found.curve)
      throw new BadInput(
        spec
          ? `${values.spec}: the sheet has no sensor curve`
          : `curve: --family is “${values.family}”; --families lists them`
      );
    const referenceV = numbers('reference')[0] ?? limitsOf(spec).referenceV.value;
    const pullUpOhm = numbers('pull-up')[0] ?? spec?.ect?.pullUpOhm ?? null;
    if (values.volts && pullUpOhm === null)
      throw new BadInput('curve: --volts needs the pull-up of the control unit; give --pull-up Ω');
    const ask: CurveAsk = {
      curve: found.curve,
      residualC: found.residualC,
      points,
      circuit: pullUpOhm === null ? null : { referenceV, pullUpOhm },
      at: values.at ? numbers('at') : [-20, 0, 25, 60, 90, 110],
      ohm: numbers('ohm'),
      volts: numbers('volts'),
      across: values.across ? { ohm: numbers('across')[0], onC: numbers('on')[0] ?? 101 } : null
    };
    process.stdout.write(values.json ? `${JSON.stringify(curveAnswers(ask), null, 2)}\n` : curveText(ask));
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`curve: ${error.message}`);
    throw error;
  }
}

export const curveVerb: Verb = {
  usage:
    'curve (POINTS.csv [--fit beta|steinhart-hart|table] | --spec SPEC | --family ID | --families)\n      [--at °C,…] [--ohm Ω,…] [--volts V,…] [--reference V] [--pull-up Ω] [--across Ω --on °C] [--json]',
  run
};
