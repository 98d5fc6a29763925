import './zod-words';
import type { z } from 'zod';
import { bad, good, type Problem, type Result } from './result';

/** One of our own JSON formats: its mark, the version this program writes, and what a person calls it. */
export interface OpenFormat {
  readonly format: string;
  readonly version: number;
  /** With its article: `a spec sheet`. */
  readonly what: string;
}

/** Whether parsed JSON is an object, and no list. */
export const isPlainObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Reads parsed JSON as one of our formats. Refuses another format, a newer version naming both numbers, and every
 * field that is wrong, each with what would be right.
 */
export function readFormat<T>(
  { format, version, what }: OpenFormat,
  schema: z.ZodType<T>,
  input: unknown
): Result<T> {
  if (!isPlainObject(input))
    return bad({ message: `${what} is a JSON object, starting with {"format": "${format}", …}` });
  const given = input;
  if (given.format !== format)
    return bad({
      field: 'format',
      message: `is ${JSON.stringify(given.format) ?? 'missing'}; expected "${format}"`
    });
  if (typeof given.version !== 'number' || !Number.isInteger(given.version) || given.version < 1)
    return bad({
      field: 'version',
      message: `is ${JSON.stringify(given.version) ?? 'missing'}; expected ${version}`
    });
  if (given.version > version)
    return bad({
      field: 'version',
      message: `is ${given.version}; this Pyrethos reads up to version ${version}. Update Pyrethos or export it as version ${version}`
    });
  const parsed = schema.safeParse(input);
  if (parsed.success) return good(parsed.data);
  return bad(
    ...parsed.error.issues.map((issue) => ({ field: fieldName(issue.path), message: said(issue, input) }))
  );
}

/** What a schema with messages of its own says of input: by field, in those words. */
export const fieldProblems = (error: z.ZodError): Problem[] =>
  error.issues.map(({ path, message }) => ({ field: fieldName(path), message }));

const fieldName = (path: readonly PropertyKey[]): string => path.map(String).join('.') || 'file';

function said(issue: z.core.$ZodIssue, input: unknown): string {
  const found = issue.path.reduce<unknown>(
    (at, key) => (at as Record<PropertyKey, unknown> | undefined)?.[key],
    input
  );
  const shown = found === undefined ? 'missing' : JSON.stringify(found).slice(0, 40);
  switch (issue.code) {
    case 'too_small':
      return `is ${shown}; expected ${issue.inclusive ? 'at least' : 'more than'} ${issue.minimum}`;
    case 'too_big':
      return `is ${shown}; expected at most ${issue.maximum}`;
    case 'invalid_value':
      return `is ${shown}; expected one of ${issue.values.map((v) => JSON.stringify(v)).join(', ')}`;
    case 'invalid_type':
      return found === undefined
        ? `is missing; expected a ${issue.expected}`
        : `is ${shown}; expected a ${issue.expected}`;
    default:
      return `is ${shown}; ${issue.message}`;
  }
}

/** Fields of an object that its schema does not know: kept, and named so that a misspelling is noticed. */
export const unknownIn = (value: object, shape: z.ZodRawShape, path = ''): Problem[] =>
  Object.keys(value)
    .filter((key) => !(key in shape))
    .map((key) => ({
      field: path ? `${path}.${key}` : key,
      message: 'is not a field Pyrethos knows; kept as it is'
    }));
