/** One complaint about input: where it is and what would be right. `line` counts from 1, as an editor does. */
export interface Problem {
  readonly field?: string;
  readonly line?: number;
  readonly message: string;
  /** It is asked, and may be so: whoever knows may have it taken as it is. */
  readonly ask?: boolean;
  /** It is here already, with other contents. */
  readonly conflict?: boolean;
}

/** What a reader of outside input returns: the value with its warnings, or every problem found. */
export type Result<T> =
  | { readonly ok: true; readonly value: T; readonly warnings: readonly Problem[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export const good = <T>(value: T, warnings: readonly Problem[] = []): Result<T> => ({
  ok: true,
  value,
  warnings
});
export const bad = <T = never>(...problems: Problem[]): Result<T> => ({ ok: false, problems });

/** A problem in one line, as the command line and the interface both show it. */
export function problemText(problem: Problem, file?: string): string {
  const place = [file, problem.line ? `line ${problem.line}` : undefined, problem.field]
    .filter(Boolean)
    .join(', ');
  return place ? `${place}: ${problem.message}` : problem.message;
}
