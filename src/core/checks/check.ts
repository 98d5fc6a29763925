import '../base/zod-words';
import { z } from 'zod';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { FaultId } from '../vehicle/faults';
import type { RepairId } from '../vehicle/repairs';
import type { Problem } from '../base/result';
import { cannotHave } from '../faults/registry';
import type { CoolingOf, ThermalFact, ThermalState } from '../physics/heat/state';
import type { LibraryCurve } from '../physics/thermistor/library';
import type { CautionId } from '../measure/cautions';
import type { Instrument } from '../measure/instruments';
import type { Tool } from '../measure/tools';
import { fieldsOf, type Field } from '../units/field';
import type { Hands } from './hands';
import type { Shares, Strength } from './strength';

/** Where on the heat line a check can be done: cold-soaked, warming, regulating, hot and stopped, any time, bench. */
export type CheckPhase = 'C' | 'W' | 'R' | 'H' | 'X' | 'B';

export type CheckResult = 'pass' | 'fail' | 'unclear' | 'void';

/** What a finding says about a suspect. */
interface Point {
  readonly fault: FaultId;
  readonly way: 'for' | 'against';
  /** The named result that says so. */
  readonly by: string;
}

/** What a check makes of its readings: always with the numbers and the limit they were held against. */
export interface Outcome {
  readonly result: CheckResult;
  /** One sentence: what was found, against which limit. Units as `say.ts` writes them. */
  readonly says: string;
  /** The numbers, each with its limit where there is one. */
  readonly numbers: readonly { readonly name: string; readonly value: string; readonly limit?: string }[];
  /** The named results it has: what it speaks for and against follows from them. */
  readonly found: readonly string[];
  /** Held against a limit that nobody gave: unusual at most, and of a third of the weight. */
  readonly typical: boolean;
  /** Fields of the sheet that would decide it, or make it plainer, and are not given. */
  readonly asks: readonly string[];
  readonly points: readonly Point[];
  /** Contradictions with what else the record says. Pointed out, never blocking. */
  readonly doubts: readonly string[];
  /** Why it carries no weight, where it is void, and from when it would (ISO 8601) where that is known. */
  readonly voidBecause: string | null;
  /** The same in two or three words, for a plan full of checks. */
  readonly voidShort: string | null;
  readonly countsFrom: string | null;
}

/** A result that a check can have: what would be seen, and what it speaks for and against. */
export interface NamedResult {
  /** After “if”, where the plan looks ahead to it: `it rushes hot too early`. */
  readonly seen?: string;
  readonly for?: readonly FaultId[];
  readonly against?: readonly FaultId[];
  /** How often it is seen, where that is not as the check's other results are. */
  readonly strength?: Shares & { readonly because: string };
  /** What it leans on, where that is not what the check's other results lean on. */
  readonly leansOn?: Strength['leansOn'];
  /** Seen without the sensor's own reading: it counts beside what all readings of the sensor say together. */
  readonly besideSensor?: boolean;
}

/** What a check makes of its readings, with the results it found by their names. */
export type Judged<Name extends string> = Omit<Outcome, 'found' | 'points' | 'typical' | 'asks'> & {
  readonly typical?: boolean;
  readonly asks?: readonly string[];
  readonly found: readonly Name[];
  /** Not settled: it speaks for what fits best, and against nothing yet. */
  readonly open?: boolean;
};

/** What the sensor read beside what was true, at one place and moment. */
export interface SensorReading {
  readonly readsC: number;
  readonly trueC: number;
  /** Of the thermometer that tells what was true, one standard deviation. */
  readonly sdC: number;
  /** The thermometer was at the sensor's own metal, or elsewhere on the engine. */
  readonly at: 'sensor' | 'engine';
  /** Sensor and circuit as they are, the sensor by itself with its plug off, or its circuit with a good one in its place. */
  readonly of: 'both' | 'sensor' | 'circuit';
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
  /** How far it is believed. */
  readonly strength: Strength;
  /** The repairs that fit another of the part it measures by itself: what was read of the old one is out with it. */
  readonly measures?: readonly RepairId[];
  /** Part of every job, whatever the complaint. */
  readonly always?: boolean;
  /** An engine is not run before it is done: it comes first while the engine is cold, whatever it is worth. */
  readonly beforeRunning?: boolean;
  /** Counts only on a soaked engine. */
  readonly needsSoak?: boolean;
  /** Why this vehicle cannot have it; null where it can. Without a sheet every check suits. */
  readonly lacks?: (sheet: SpecSheet) => string | null;
}

interface CheckRule<R, Name extends string> {
  /** Makes the schema of the readings as they are kept and exported: field names carry their unit. */
  readonly readings: () => z.ZodType<R>;
  /** Every result it can have, by name; `sound`, where it has one, is all it can clear found at once. */
  readonly results: Readonly<Record<Name, NamedResult>>;
  judge(readings: R, context: CheckContext): Judged<NoInfer<Name>>;
  /** Readings that cannot be: refused, each naming its field and the limit. */
  refuse?(readings: R, sheet: SpecSheet | null): Problem[];
  /** Readings that are possible and unlikely: asked about once, kept if confirmed. */
  unlikely?(readings: R, context: CheckContext): string[];
  /** What the readings tell about the engine's heat. */
  facts?(readings: R, at: string): ThermalFact[];
  /**
   * How much likelier the readings are under a fault than without one, natural logarithms: they weigh in place of what
   * its named results do, where numbers tell more than a name.
   */
  likelihoods?(
    readings: R,
    known: { readonly sheet: SpecSheet | null; readonly found: readonly Name[] }
  ): Partial<Record<FaultId, number>>;
  /** What was read of the coolant sensor beside what was true: weighed together with every other such reading. */
  sensorReadings?(readings: R, sheet: SpecSheet | null): SensorReading[];
  /** The readings as a technician would take them on a simulated vehicle; null where it cannot be done there. */
  simulate(hands: Hands): NoInfer<R> | null;
  /** The readings in a line of the history. */
  words(readings: R): string;
  /** What its form begins with, where that is not nothing. */
  begins?(known: KnownBefore): Partial<R>;
  /** What the first row of its list begins with. */
  beginsRow?(known: KnownBefore): Readonly<Record<string, unknown>>;
}

/** What other checks read of the coolant sensor. */
export interface SensorKnown {
  /** How far it was off where it was last held against a thermometer, °C; null where it was not. */
  readonly offC: number | null;
  /** The air it lay in where another was put in its place; null where none was. */
  readonly air: { readonly celsius: number; readonly instrument: Instrument } | null;
}

/** What is known before a check is begun: what other checks asked is not asked again. */
interface KnownBefore {
  readonly heat: ThermalState;
  readonly sheet: SpecSheet | null;
  /** ISO 8601. */
  readonly now: string;
  readonly sensor: SensorKnown;
}

/** A check of the registry, whatever its readings are. */
export type Check = CheckWords &
  Required<Omit<CheckRule<unknown, string>, 'judge' | 'readings'>> & {
    /** Made when it is first asked for: most pages ask for no check's, or for one's. */
    readonly readings: z.ZodType;
    judge(readings: unknown, context: CheckContext): Outcome;
    /** Suspects it can speak for or against: the complaint's suspects bring it onto the plan. */
    readonly speaksTo: readonly FaultId[];
    /** The fields its form is drawn from; none where the form is a component of its own. */
    readonly fields: readonly Field[];
  };

/** A check whose readings are known: what a picture of them is held to. */
export type CheckOf<R> = Check & { readonly readingsOf?: R };

/**
 * Makes a check of its words and its rule. Readings are parsed once, by the check's own schema, where they come in
 * (a form, a file, the record); from there on they are what the schema made of them.
 */
export function defineCheck<R, Name extends string>(check: CheckWords & CheckRule<R, Name>): CheckOf<R> {
  const results: Readonly<Record<string, NamedResult>> = check.results;
  let schema: z.ZodType<R> | undefined;
  let fields: readonly Field[] | undefined;
  return {
    ...check,
    get readings() {
      return (schema ??= check.readings());
    },
    get fields() {
      return (fields ??= this.readings instanceof z.ZodObject ? fieldsOf(this.readings) : []);
    },
    speaksTo: [...new Set(Object.values(results).flatMap((r) => [...(r.for ?? []), ...(r.against ?? [])]))],
    begins: (known) => check.begins?.(known) ?? {},
    beginsRow: (known) => check.beginsRow?.(known) ?? {},
    judge: (readings, context) =>
      spoken(results, withSoak(check, check.judge(readings as R, context), context), context.sheet),
    refuse: (readings, sheet) => check.refuse?.(readings as R, sheet) ?? [],
    unlikely: (readings, context) => check.unlikely?.(readings as R, context) ?? [],
    facts: (readings, at) => check.facts?.(readings as R, at) ?? [],
    likelihoods: (readings, known) =>
      check.likelihoods?.(readings as R, known as { sheet: SpecSheet | null; found: readonly Name[] }) ?? {},
    sensorReadings: (readings, sheet) => check.sensorReadings?.(readings as R, sheet) ?? [],
    simulate: (hands) => check.simulate(hands),
    words: (readings) => check.words(readings as R)
  };
}

/**
 * A judgement with what its results speak for and against, of what this vehicle can have. What anything speaks for,
 * nothing else clears.
 */
export function spoken(
  results: Readonly<Record<string, NamedResult>>,
  { open, ...judged }: Judged<string>,
  sheet: SpecSheet | null
): Outcome {
  const said = (way: Point['way']) =>
    judged.found.flatMap((by) =>
      (results[by][way] ?? [])
        .filter((fault) => cannotHave(fault, sheet) === null)
        .map((fault): Point => ({ fault, way, by }))
    );
  const fors = said('for');
  const against = open ? [] : said('against').filter((p) => !fors.some((f) => f.fault === p.fault));
  const once = (points: Point[]) =>
    points.filter((p, i) => points.findIndex((q) => q.fault === p.fault) === i);
  return {
    ...judged,
    typical: judged.typical ?? false,
    asks: (judged.asks ?? []).filter(Boolean),
    points: [...once(fors), ...once(against)]
  };
}

/** A cold check done on an engine that was not cold is kept and carries no weight. */
function withSoak<Name extends string>(
  check: CheckWords,
  outcome: Judged<Name>,
  { thermal }: CheckContext
): Judged<Name> {
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
): Pick<Judged<never>, 'result' | 'found' | 'voidBecause' | 'voidShort' | 'countsFrom'> => ({
  result: 'void',
  found: [],
  voidBecause,
  voidShort,
  countsFrom
});

export const outcome = <Name extends string = never>(
  result: Exclude<CheckResult, 'void'>,
  says: string,
  more: Partial<Omit<Judged<Name>, 'result' | 'says'>> = {}
): Judged<Name> => ({
  result,
  says,
  numbers: [],
  found: [],
  doubts: [],
  voidBecause: null,
  voidShort: null,
  countsFrom: null,
  ...more
});

/**
 * A judgement against a limit that nobody gave: a finding becomes unusual, with the value of the sheet that would
 * decide, and everything it says weighs less.
 */
export const unusual = <Name extends string>(
  judged: Judged<Name>,
  wouldDecide: string,
  ...asks: readonly string[]
): Judged<Name> => ({
  ...judged,
  typical: true,
  asks,
  ...(judged.result === 'fail'
    ? {
        result: 'unclear',
        says: `${judged.says}. Unusual for such an engine, and no more: the sheet’s ${wouldDecide} would decide`
      }
    : {})
});

/** The results of a check that weighs every suspect by itself: one that speaks for it, one that clears it. */
export const eachOf = <F extends FaultId>(faults: readonly F[]) =>
  Object.fromEntries(
    faults.flatMap((fault) => [
      [fault, { for: [fault] }],
      [`not ${fault}`, { against: [fault] }]
    ])
  ) as Readonly<Record<F | `not ${F}`, NamedResult>>;
