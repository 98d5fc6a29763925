import { readFileSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { analysisFile } from '../core/handover/analysis-file';
import { writeLog } from '../core/logs/csv-export';
import { readAnyLog } from '../core/logs/any-log';
import { readJobFile } from '../core/handover/job-file';
import { brokenIn } from '../core/handover/integrity';
import { readWorkshopFile } from '../core/handover/workshop-file';
import { readSpecSheet, type SpecSheet } from '../core/vehicle/spec-sheet';
import { DRIVES } from '../core/physics/plant/drive';
import { PLANT_FAULTS } from '../core/physics/plant/faults';
import { isFaultId } from '../core/vehicle/faults';
import { logFrom } from '../core/physics/plant/log-from';
import { problemText, type Problem, type Result } from '../core/base/result';
import { analyse } from '../core/runs/analyse';
import { fitted } from '../core/physics/thermistor/fit';
import { pointsFromText } from '../core/physics/thermistor/rows';
import { curveAnswers, curveText, families, familyOf, type CurveAsk } from './curve';
import { analysisText } from './text';

const USAGE = `pyrethos: reads an engine's warm-up against what it should do

  pyrethos analyse LOG --spec SPEC [--json] [--skip-broken-rows]
  pyrethos simulate --spec SPEC [--fault ID] [--severity 0..1] [--variant NAME] [--drive ${Object.keys(DRIVES).join('|')}]
                    [--ambient °C] [--start °C] [--seed N] [--columns all|scan|bare] [--out LOG]
  pyrethos validate FILE...
  pyrethos curve (POINTS.csv [--fit beta|steinhart-hart|table] | --spec SPEC | --family ID | --families)
                 [--at °C,…] [--ohm Ω,…] [--volts V,…] [--reference V] [--pull-up Ω] [--across Ω --on °C] [--json]
`;

/** Input that cannot be read or a call that makes no sense: one line on standard error, exit status 2. */
class BadInput extends Error {}

const refuse = (problems: readonly Problem[], file: string): never => {
  throw new BadInput(problems.map((p) => problemText(p, file)).join('; '));
};

function readBytes(file: string): Uint8Array {
  try {
    return readFileSync(file);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new BadInput(
      `${file}: ${code === 'ENOENT' ? 'no such file' : code === 'EISDIR' ? 'is a folder; expected a file' : 'cannot be read'}`
    );
  }
}

function readJson(file: string, what: string): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(readBytes(file)));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(`${file}: not JSON (${(error as Error).message}); expected ${what}`);
  }
}

/** The value, or the refusal; warnings go to standard error. */
function taken<T>(result: Result<T>, file: string): T {
  if (!result.ok) return refuse(result.problems, file);
  for (const warning of result.warnings) process.stderr.write(`${problemText(warning, file)}\n`);
  return result.value;
}

const readSpec = (file: string): SpecSheet => taken(readSpecSheet(readJson(file, 'a spec sheet')), file);

function runAnalyse(args: string[]): void {
  const { values, positionals } = parse(args, {
    spec: { type: 'string' },
    json: { type: 'boolean' },
    'skip-broken-rows': { type: 'boolean' }
  });
  const [file] = positionals;
  if (positionals.length !== 1 || typeof values.spec !== 'string')
    throw new BadInput('analyse: expected one LOG and --spec SPEC');
  const spec = readSpec(values.spec);
  const result = readAnyLog(readBytes(file), { skipBrokenRows: values['skip-broken-rows'] === true });
  if (!result.ok) return refuse(result.problems, file);
  const warnings = result.warnings.map((w) => problemText(w));
  const analysis = analyse(result.value.log, spec);
  process.stdout.write(
    values.json
      ? `${JSON.stringify(analysisFile(analysis, warnings), null, 2)}\n`
      : analysisText(analysis, spec, basename(file), warnings)
  );
}

function runSimulate(args: string[]): void {
  const text = { type: 'string' } as const;
  const { values } = parse(args, {
    spec: text,
    fault: text,
    severity: text,
    variant: text,
    drive: text,
    ambient: text,
    start: text,
    seed: text,
    columns: text,
    out: text
  });
  if (typeof values.spec !== 'string') throw new BadInput('simulate: expected --spec SPEC');
  const number = (name: string, fallback: number, min: number, max: number): number => {
    const given = values[name];
    if (typeof given !== 'string') return fallback;
    const value = Number(given);
    if (!Number.isFinite(value) || value < min || value > max)
      throw new BadInput(`simulate: --${name} is “${given}”; expected a number from ${min} to ${max}`);
    return value;
  };
  const one = <T extends string>(name: string, allowed: readonly T[], fallback: T): T => {
    const given = values[name] ?? fallback;
    if (!allowed.includes(given as T))
      throw new BadInput(`simulate: --${name} is “${given}”; expected one of ${allowed.join(', ')}`);
    return given as T;
  };
  const fault = values.fault ?? 'none';
  if (typeof fault !== 'string' || !isFaultId(fault))
    throw new BadInput(
      `simulate: --fault is “${fault}”; expected one of ${PLANT_FAULTS.map((f) => f.id).join(', ')}`
    );
  const ambientC = number('ambient', 12, -40, 50);
  try {
    const log = logFrom({
      spec: readSpec(values.spec),
      fault,
      severity: number('severity', 0.7, 0, 1),
      variant: typeof values.variant === 'string' ? values.variant : undefined,
      legs: DRIVES[one('drive', Object.keys(DRIVES) as (keyof typeof DRIVES)[], 'mixed')],
      ambientC,
      startC: number('start', ambientC, -40, 120),
      columns: one('columns', ['all', 'scan', 'bare'], 'all'),
      seed: number('seed', 1, 0, 2 ** 31)
    });
    if (typeof values.out === 'string') writeFileSync(values.out, writeLog(log));
    else process.stdout.write(writeLog(log));
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`simulate: ${error.message}`);
    throw error;
  }
}

function runValidate(args: string[]): void {
  const { positionals } = parse(args, {});
  if (positionals.length === 0) throw new BadInput('validate: expected one or more files');
  for (const file of positionals) {
    if (/\.json$/i.test(file)) {
      process.stdout.write(
        `${file}: ${jsonWords(readJson(file, 'a spec sheet, a job file or a workshop file'), file)}\n`
      );
      continue;
    }
    const { log, report } = taken(readAnyLog(readBytes(file)), file);
    process.stdout.write(
      `${file}: a log of ${report.rows} samples over ${Math.round(log.t[log.t.length - 1])} s with ${Object.keys(log.channels).join(', ')}\n`
    );
  }
}

function jsonWords(json: unknown, file: string): string {
  const { format } = (json ?? {}) as { format?: unknown };
  if (format === 'pyrethos.workshop') {
    const { vehicles, jobs } = taken(readWorkshopFile(json), file);
    return `a workshop with ${vehicles.length} vehicles and ${jobs.length} jobs`;
  }
  if (format !== 'pyrethos.job') return `a spec sheet for ${taken(readSpecSheet(json), file).name}`;
  const job = taken(readJobFile(json), file);
  const broken = brokenIn(job);
  if (broken.length > 0) refuse(broken, file);
  const { number, vehicle, checks, runs, photos } = job;
  return `job ${number} of ${vehicle.fleetNo} with ${checks.length} checks, ${runs.length} runs, ${photos.length} photos`;
}

function runCurve(args: string[]): void {
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
    const referenceV = numbers('reference')[0] ?? spec?.ect?.referenceV ?? 5;
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

type Options = NonNullable<Parameters<typeof parseArgs>[0]>['options'];

function parse(
  args: string[],
  options: Options
): { values: Record<string, string | boolean | undefined>; positionals: string[] } {
  try {
    const { values, positionals } = parseArgs({ args, options, allowPositionals: true });
    return { values: values as Record<string, string | boolean | undefined>, positionals };
  } catch (error) {
    throw new BadInput((error as Error).message.split('\n')[0]);
  }
}

const VERBS: Readonly<Record<string, (args: string[]) => void>> = {
  analyse: runAnalyse,
  simulate: runSimulate,
  validate: runValidate,
  curve: runCurve
};

function main(): void {
  const [verb, ...args] = process.argv.slice(2);
  if (verb === undefined || verb === '--help' || verb === 'help') {
    process.stdout.write(USAGE);
    return;
  }
  const run = VERBS[verb];
  try {
    if (!run) throw new BadInput(`no verb “${verb}”; expected ${Object.keys(VERBS).join(', ')}`);
    run(args);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    process.stderr.write(`${error.message.replace(/\s*\n\s*/g, ' ')}\n`);
    process.exitCode = 2;
  }
}

main();
