import { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  string: 'text',
  boolean: 'yes or no',
  array: 'a list',
  object: 'an entry'
};

/** So many choices are named; of more the first. */
const NAMED = 8;
const oneOf = (values: readonly unknown[]): string =>
  values.length === 1
    ? String(values[0])
    : `one of ${values.slice(0, NAMED).map(String).join(', ')}${values.length > NAMED ? ' …' : ''}`;

/** What is said of a value of the wrong kind where its schema has no words of its own: what would be right. */
z.config({
  customError: (issue) => {
    const right =
      issue.code === 'invalid_type'
        ? (KINDS[issue.expected] ?? issue.expected)
        : issue.code === 'invalid_value'
          ? oneOf(issue.values)
          : null;
    if (right === null) return undefined;
    return issue.input === null || issue.input === undefined
      ? `Missing: ${right} belongs here`
      : `Not ${right}, which belongs here`;
  }
});
