import { z } from 'zod';
import type { QuantityKind } from './units';

/** An instrument of the simulated bench at a place, or a part of it that is measured. */
type BenchPlace =
  | { readonly instrument: 'multimeter' | 'infrared' | 'probe' | 'tachometer'; readonly place: string }
  /** `everyMin`: so many minutes later at each look at it. */
  | { readonly part: string; readonly everyMin?: number };

/** What a field is called, and how a person gives it: said beside its type, once for form, page, comparison and docs. */
export interface FieldWords {
  readonly label: string;
  /** The kind of quantity it is in; a plain number where none is said. */
  readonly quantity?: QuantityKind;
  readonly hint?: string;
  /** The unit it is kept in, by symbol, where that is not the core's: minutes of a time. */
  readonly keptIn?: string;
  /** A watch that measures it: what its button says before it runs, and while it does. */
  readonly watch?: { readonly start: string; readonly stop: string };
  /** Values that are tapped instead of typed. */
  readonly taps?: readonly number[];
  /** Values that may be tapped, by what they are called; any other is typed. */
  readonly presets?: Readonly<Record<string, number>>;
  /** It is set on a slider, whose ends are called so. */
  readonly slider?: { readonly low: string; readonly high: string };
  /** It stands for the moment of its row where nothing is typed. */
  readonly stamped?: boolean;
  /** What adds a value to a list, or a row to rows, is called so. */
  readonly add?: string;
  /** The rows are there already, each called by this field of its own: only what is in them is typed. */
  readonly rowName?: string;
  /** The instruments a reading can be taken with, the usual one first, and the place whose last one is remembered. */
  readonly takenWith?: { readonly place: string; readonly choices: readonly string[] };
  /** A text of more than one line. */
  readonly lines?: boolean;
  /** Choices that are bad news. */
  readonly bad?: readonly string[];
  /** Where a simulated bench reads it. */
  readonly bench?: BenchPlace;
  /** Words of its choices, in the order they are offered. */
  readonly choices?: Readonly<Record<string, string>>;
  /** What is said where nothing is chosen; `not known` where it is not said. */
  readonly blank?: string;
  /** Columns of a table. */
  readonly columns?: readonly { readonly label: string; readonly quantity: QuantityKind }[];
  /** Words of the usual keys of a list by name. */
  readonly keys?: Readonly<Record<string, string>>;
  /** Whether it is asked for, by the part of the record it stands in. */
  readonly when?: (part: Readonly<Record<string, unknown>>) => boolean;
}

const WORDS = z.registry<FieldWords>();

/** Says everything of a field in one place: its type with its range, and its words. */
export function defineField<T extends z.ZodType>(type: T, words: FieldWords): T {
  const own = type.clone() as T;
  WORDS.add(own, words);
  return own;
}

interface Leaf extends FieldWords {
  /** Where it stands in the record: `thermostat.startOpenC`. */
  readonly path: string;
  /** The record is not complete without it, as soon as its part is given. */
  readonly needed: boolean;
}

/** A field as forms and pages walk over it. */
export type Field = Leaf &
  (
    | { readonly kind: 'quantity'; readonly min: number; readonly max: number }
    | { readonly kind: 'choice' | 'flag' | 'text' | 'table' | 'amounts' }
    /** Several numbers of one kind. */
    | { readonly kind: 'list' }
    /** A temperature with what it was taken by, and an instrument alone. */
    | { readonly kind: 'reading' | 'instrument' }
    /** Fields that are given together or not at all; their paths are within the whole record. */
    | { readonly kind: 'part'; readonly fields: readonly Field[] }
    /** A list of rows, each with the same fields; their paths are within the row. */
    | { readonly kind: 'rows'; readonly fields: readonly Field[]; readonly row: z.ZodObject }
    /** One of several kinds, each with fields of its own; their paths are within the whole record. */
    | {
        readonly kind: 'one-of';
        readonly by: string;
        readonly options: readonly { readonly value: string; readonly fields: readonly Field[] }[];
      }
  );

/** What is inside optional, nullable and default, and whether it was none. */
export function unwrapped(type: z.ZodType): { type: z.ZodType; needed: boolean } {
  let [inner, needed] = [type, true];
  while (inner instanceof z.ZodOptional || inner instanceof z.ZodNullable || inner instanceof z.ZodDefault) {
    inner = inner.unwrap() as z.ZodType;
    needed = false;
  }
  return { type: inner, needed };
}

/** Every field of a record that has words, in the order in which its schema names them. */
export function fieldsOf(schema: z.ZodObject, within = ''): Field[] {
  return Object.entries(schema.shape).flatMap(([key, of]): Field[] => {
    const path = within ? `${within}.${key}` : key;
    const { type, needed } = unwrapped(of as z.ZodType);
    const words = WORDS.get(type);
    if (words) return [{ ...words, path, needed, ...shapeOf(type, path, words) }];
    return type instanceof z.ZodObject ? fieldsOf(type, path) : [];
  });
}

type Shape = Field extends infer F ? (F extends Field ? Omit<F, keyof Leaf> : never) : never;

function shapeOf(type: z.ZodType, path: string, words: FieldWords): Shape {
  if (type instanceof z.ZodNumber)
    return { kind: 'quantity', min: type.minValue ?? -Infinity, max: type.maxValue ?? Infinity };
  if (type instanceof z.ZodEnum) return { kind: 'choice' };
  if (type instanceof z.ZodBoolean) return { kind: 'flag' };
  if (type instanceof z.ZodString) return { kind: 'text' };
  if (type instanceof z.ZodRecord) return { kind: 'amounts' };
  if (type instanceof z.ZodArray) {
    const row = type.element as z.ZodType;
    if (row instanceof z.ZodObject) return { kind: 'rows', fields: fieldsOf(row), row };
    return { kind: row instanceof z.ZodNumber ? 'list' : 'table' };
  }
  if (type instanceof z.ZodObject) {
    if (words.takenWith) return { kind: 'celsius' in type.shape ? 'reading' : 'instrument' };
    return { kind: 'part', fields: fieldsOf(type, path) };
  }
  if (type instanceof z.ZodDiscriminatedUnion) {
    const by = type.def.discriminator;
    return {
      kind: 'one-of',
      by,
      options: (type.options as z.ZodObject[]).map((option) => ({
        value: String((option.shape[by] as z.ZodLiteral).value),
        fields: fieldsOf(option, path)
      }))
    };
  }
  throw new TypeError(`${path}: no form is known for a field of type ${type.def.type}`);
}

/** A record before anything is typed: nothing measured, chosen or ticked. */
export const emptyOf = (fields: readonly Field[]): Record<string, unknown> =>
  Object.fromEntries(
    fields.map((f) => [
      f.path,
      f.kind === 'flag' && f.needed
        ? false
        : f.kind === 'text'
          ? ''
          : f.kind === 'table' || f.kind === 'rows' || f.kind === 'list'
            ? []
            : null
    ])
  );

/** The value of a record at a path; undefined where its part is missing. */
export const valueAt = (record: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], record);

/** A record with another value at a path; parts that are missing are made. */
export function withValue<T extends object>(record: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.');
  const part = (record as Record<string, unknown>)[key];
  return {
    ...record,
    [key]: rest.length === 0 ? value : withValue((part ?? {}) as object, rest.join('.'), value)
  };
}
