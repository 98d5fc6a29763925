import { z } from 'zod';
import type { Outcome } from '../checks/check';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import { plainText } from '../units/say';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** An outcome as files tell it: what was found, each number with its limit, and what it speaks for and against. */
export const outcomeRow = (outcome: Outcome) => ({
  result: outcome.result,
  says: plainText(outcome.says),
  limits: outcome.numbers.map((n) => ({
    name: n.name,
    value: plainText(n.value),
    ...(n.limit === undefined ? {} : { limit: plainText(n.limit) })
  })),
  found: outcome.found,
  for: outcome.points.filter((p) => p.way === 'for').map((p) => p.fault),
  against: outcome.points.filter((p) => p.way === 'against').map((p) => p.fault),
  doubts: outcome.doubts.map(plainText),
  voidBecause: outcome.voidBecause && plainText(outcome.voidBecause),
  countsFrom: outcome.countsFrom
});

/** Version 1 of one judged check, as `bin/pyrethos judge --json` prints it. */
export const judgedFile = (check: CheckId, outcome: Outcome, unlikely: readonly string[]) => ({
  format: 'pyrethos.check' as const,
  version: 1 as const,
  check,
  ...outcomeRow(outcome),
  /** Readings that are possible and unlikely: a person would be asked once whether they are right. */
  unlikely: unlikely.map(plainText)
});

/**
 * Version 1 of the list of checks, as `bin/pyrethos checks --json` prints it: those a vehicle can have, each with the
 * JSON Schema (draft 2020-12) of its readings; and those it lacks, with the reason. Without a sheet none is lacking.
 */
export function checksFile(sheet: SpecSheet | null) {
  const lacks = (id: CheckId) => (sheet ? (checkOf(id).lacks?.(sheet) ?? null) : null);
  return {
    format: 'pyrethos.checks' as const,
    version: 1 as const,
    checks: CHECK_IDS.filter((id) => lacks(id) === null).map((id) => {
      const c = checkOf(id);
      return {
        check: id,
        title: c.title,
        decides: c.decides,
        phases: c.phases,
        minutes: c.minutes,
        tools: c.tools,
        cautions: c.cautions,
        gate: c.gate,
        needsSoak: c.needsSoak ?? false,
        speaksTo: c.speaksTo,
        results: c.results,
        readings: z.toJSONSchema(c.readings, { io: 'input', unrepresentable: 'any' })
      };
    }),
    lacking: CHECK_IDS.flatMap((id) => {
      const because = lacks(id);
      return because === null ? [] : [{ check: id, title: checkOf(id).title, because }];
    })
  };
}
