import '../base/zod-words';
import { z } from 'zod';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import type { Problem } from '../base/result';
import type { CoolingOf, ThermalFact, ThermalState } from '../physics/heat/state';
import type { LibraryCurve } from '../physics/thermistor/library';
import type { CautionId } from '../measure/cautions';
import type { Tool } from '../measure/tools';
import { fieldsOf, type Field } from '../units/field';
import type { CheckOutcome, Strength } from './strength';

/** Where on the heat line a check can be done: cold-soaked, warming, regulating, hot and stopped, any time, bench. */
export type CheckPhase = 'C' | 'W' | 'R' | 'H' | 'X' | 'B';

export type CheckResult = 'pass' | 'fail' | 'unclear' | 'void';

/** What a finding says about a suspect. */
export interface Point {
  readonly fault: FaultId;
  readonly way: 'for' | 'against';
}

/** What a check makes of its readings: always with the numbers and the limit they were held against. */
export interface Outcome {
  readonly result: CheckResult;
  /** One sentence: what was found, against which limit. Units as `say.ts` writes them. */
  readonly says: string;
  /** The numbers, each with its limit where there is one. */
  readonly numbers: readonly { readonly name: string; readonly value: string; readonly limit?: string }[];
  readonly points: readonly Point[];
  /** Contradictions with what else the record says. Pointed out, never blocking. */
  readonly doubts: readonly string[];
  /** Why it carries no weight, where it is void, and from when it would (ISO 8601) where that is known. */
  readonly voidBecause: string | null;
  /** The same in two or three words, for a plan full of checks. */
  readonly voidShort: string | null;
  readonly countsFrom: string | null;
}

/** What was known when the readings were taken. */
export interface CheckContext {
  /** ISO 8601. */
  readonly at: string;
  readonly sheet: SpecSheet | null;
  readonly thermal: ThermalState;
  readonly cooling: CoolingOf;
  /** Earlier readings of the same check in this job that stand, oldest first. */
  readonly earlier: readonly { readonly at: string; readonly readings: unknown }[];
  /** Sensor curves to tell a wrong part by: our families and the shop's own. */
  readonly curves: readonly LibraryCurve[];
}

/** What must be true of the engine before hands or instruments go in. */
export type Gate = 'none' | 'stopped' | 'cap-cool';

/** What a check says of itself. */
export interface CheckWords {
  readonly title: string;
  readonly phases: readonly CheckPhase[];
  /** Hands-on minutes, a default. */
  readonly minutes: number;
  /** Minutes to take the part out for it, where it is done on a bench; a usual one where it is not said. */
  readonly takeOutMin?: number;
  /** What the result decides, in a sentence. */
  readonly decides: string;
  readonly tools: readonly Tool[];
  readonly cautions: readonly CautionId[];
  readonly gate: Gate;
  /** Suspects it can speak for or against: the complaint's suspects bring it onto the plan. */
  readonly speaksTo: readonly FaultId[];
  /** How far it is believed. */
  readonly strength: Strength;
  /**
   * How it can come out where a result speaks for several suspects at once; without it, it finds each of its suspects
   * by itself. Only for looking ahead: what a result says once it is there, {@link CheckRule.judge} says.
   */
  readonly results?: readonly CheckOutcome[];
  /** What it clears where it finds nothing; all of its suspects where it is not said. */
  readonly clears?: readonly FaultId[];
  /** Part of every job, whatever the complaint. */
  readonly always?: boolean;
  /** An engine is not run before it is done: it comes first while the engine is cold, whatever it is worth. */
  readonly beforeRunning?: boolean;
  /** Counts only on a soaked engine. */
  readonly needsSoak?: boolean;
  /** Why this vehicle cannot have it; null where it can. Without a sheet every check suits. */
  readonly lacks?: (sheet: SpecSheet) => string | null;
}

interface CheckRule<R> {
  /** The readings, as they are kept and exported: field names carry their unit. */
  readonly readings: z.ZodType<R>;
  judge(readings: R, context: CheckContext): Outcome;
  /** Readings that cannot be: refused, each naming its field and the limit. */
  refuse?(readings: R, sheet: SpecSheet | null): Problem[];
  /** Readings that are possible and unlikely: asked about once, kept if confirmed. */
  unlikely?(readings: R, context: CheckContext): string[];
  /** What the readings tell about the engine's heat. */
  facts?(readings: R, at: string): ThermalFact[];
  /** The readings in a line of the history. */
  words(readings: R): string;
  /** What its form begins with, where that is not nothing. */
  begins?(known: { readonly heat: ThermalState; readonly sheet: SpecSheet | null }): Partial<R>;
}

/** A check of the registry, whatever its readings are. */
export type Check = CheckWords &
  Required<CheckRule<unknown>> & {
    /** The fields its form is drawn from; none where the form is a component of its own. */
    readonly fields: readonly Field[];
  };

/** A check whose readings are known: what a picture of them is held to. */
export type CheckOf<R> = Check & { readonly readingsOf?: R };

/**
 * Makes a check of its words and its rule. Readings are parsed once, by the check's own schema, where they come in
 * (a form, a file, the record); from there on they are what the schema made of them.
 */
export function defineCheck<R>(check: CheckWords & CheckRule<R>): CheckOf<R> {
  return {
    ...check,
    fields: check.readings instanceof z.ZodObject ? fieldsOf(check.readings) : [],
    begins: (known) => check.begins?.(known) ?? {},
    judge: (readings, context) => withSoak(check, check.judge(readings as R, context), context),
    refuse: (readings, sheet) => check.refuse?.(readings as R, sheet) ?? [],
    unlikely: (readings, context) => check.unlikely?.(readings as R, context) ?? [],
    facts: (readings, at) => check.facts?.(readings as R, at) ?? [],
    words: (readings) => check.words(readings as R)
  };
}

/** A cold check done on an engine that was not cold is kept and carries no weight. */
function withSoak(check: CheckWords, outcome: Outcome, { thermal }: CheckContext): Outcome {
  if (!check.needsSoak || outcome.result === 'void' || thermal.soaked === true) return outcome;
  const [because, short] = notSoaked(thermal);
  return { ...outcome, ...voidOutcome(because, short, thermal.soakedFrom) };
}

function notSoaked({ running, soaked }: ThermalState): readonly [string, string] {
  if (running) return ['The engine was running; this counts on a soaked engine only', 'engine ran'];
  if (soaked === null)
    return [
      'It is not known when the engine last ran; record the soak and it is judged again',
      'soak not known'
    ];
  return ['The engine had not stood long enough: by the cooling law it was still above ambient', 'too warm'];
}

export const voidOutcome = (
  voidBecause: string,
  voidShort: string,
  countsFrom: string | null
): Pick<Outcome, 'result' | 'points' | 'voidBecause' | 'voidShort' | 'countsFrom'> => ({
  result: 'void',
  points: [],
  voidBecause,
  voidShort,
  countsFrom
});

export const outcome = (
  result: Exclude<CheckResult, 'void'>,
  says: string,
  more: Partial<Omit<Outcome, 'result' | 'says'>> = {}
): Outcome => ({
  result,
  says,
  numbers: [],
  doubts: [],
  voidBecause: null,
  voidShort: null,
  countsFrom: null,
  ...more,
  points: once(more.points ?? [])
});

/** Each suspect once each way, however many readings speak to it. */
const once = (points: readonly Point[]): Point[] =>
  points.filter((p, i) => points.findIndex((q) => q.fault === p.fault && q.way === p.way) === i);

export const speaksFor = (...faults: FaultId[]): Point[] => faults.map((fault) => ({ fault, way: 'for' }));
export const speaksAgainst = (...faults: FaultId[]): Point[] =>
  faults.map((fault) => ({ fault, way: 'against' }));
