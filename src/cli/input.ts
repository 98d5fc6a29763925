import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { problemText, type Problem, type Result } from '../core/base/result';
import { plainText } from '../core/units/say';
import { readSpecSheet } from '../core/vehicle/read-sheet';
import type { SpecSheet } from '../core/vehicle/spec-sheet';

/** Input that cannot be read or a call that makes no sense: one line on standard error, exit status 2. */
export class BadInput extends Error {}

export const refuse = (problems: readonly Problem[], file: string): never => {
  throw new BadInput(plainText(problems.map((p) => problemText(p, file)).join('; ')));
};

export function readBytes(file: string): Uint8Array {
  try {
    return readFileSync(file);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code;
    throw new BadInput(
      `${file}: ${code === 'ENOENT' ? 'no such file' : code === 'EISDIR' ? 'is a folder; expected a file' : 'cannot be read'}`
    );
  }
}

export function readJson(file: string, what: string): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(readBytes(file)));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    throw new BadInput(`${file}: not JSON (${(error as Error).message}); expected ${what}`);
  }
}

/** The value, or the refusal; warnings go to standard error. */
export function taken<T>(result: Result<T>, file: string): T {
  if (!result.ok) return refuse(result.problems, file);
  for (const warning of result.warnings) process.stderr.write(plainText(`${problemText(warning, file)}\n`));
  return result.value;
}

export const readSpec = (file: string): SpecSheet =>
  taken(readSpecSheet(readJson(file, 'a spec sheet')), file);

/** The spec sheet that --spec names; null without it. */
export const specOf = (values: Values): SpecSheet | null =>
  typeof values.spec === 'string' ? readSpec(values.spec) : null;

type Options = NonNullable<Parameters<typeof parseArgs>[0]>['options'];
export type Values = Readonly<Record<string, string | boolean | undefined>>;

/** What a verb was called with. Options of another name are refused, naming them. */
export function parse(
  args: string[],
  options: Options
): { readonly values: Values; readonly positionals: readonly string[] } {
  try {
    const { values, positionals } = parseArgs({ args, options, allowPositionals: true });
    return { values: values as Values, positionals };
  } catch (error) {
    throw new BadInput((error as Error).message.split('\n')[0]);
  }
}

/** A number that an option gives, within its range, or what stands for it. */
export function numberOf<T>(
  verb: string,
  values: Values,
  name: string,
  fallback: T,
  min: number,
  max: number
): number | T {
  const given = values[name];
  if (typeof given !== 'string') return fallback;
  const value = Number(given);
  if (!Number.isFinite(value) || value < min || value > max)
    throw new BadInput(`${verb}: --${name} is “${given}”; expected a number from ${min} to ${max}`);
  return value;
}

export const printJson = (value: unknown): void =>
  void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);
