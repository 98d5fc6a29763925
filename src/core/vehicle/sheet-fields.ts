import { fieldsOf, unwrapped, valueAt, withValue, type Field } from '../units/field';
import { formatQuantity } from '../units/quantity';
import { plainText } from '../units/say';
import { baseUnit } from '../units/units';
import { specSheetSchema, type SpecSheet } from './spec-sheet';

/** The parts of a spec sheet as forms and pages lay them out, each with the fields of these parts of the record. */
const PARTS = {
  Engine: ['name', 'engine', 'cap'],
  Thermostat: ['thermostat'],
  Limits: ['regulating', 'limits'],
  Fan: ['fan', 'clutch'],
  'Coolant sensor': ['ect'],
  Gauge: ['gauge'],
  'Learned from its good runs': ['learned'],
  'Work on it': ['torqueNm', 'clutchNut', 'bleedPoints', 'coolantChange', 'variants']
} as const;

const FIELDS = fieldsOf(specSheetSchema);
const partOf = (path: string): string => path.split('.')[0];

/** Every field of the spec sheet, part by part: what form, page, comparison and docs walk over. */
export const SHEET_PARTS: readonly { readonly title: string; readonly fields: readonly Field[] }[] =
  Object.entries(PARTS).map(([title, of]) => ({
    title,
    fields: of.flatMap((part) => FIELDS.filter((f) => partOf(f.path) === part))
  }));

/** The fields of a sheet: of what comes in kinds, those of the kind it is. */
const ofItsKind = (sheet: unknown, fields: readonly Field[]): Field[] =>
  fields.flatMap((field) => {
    if (field.kind !== 'one-of') return [field];
    const kind = valueAt(sheet, `${field.path}.${field.by}`);
    return [field, ...(field.options.find((o) => o.value === kind)?.fields ?? [])];
  });

/** The fields that are asked for as a sheet stands: those of its kinds, and of what is there. */
export const askedOn = (sheet: unknown, fields: readonly Field[]): Field[] =>
  ofItsKind(sheet, fields).filter(({ path, when }) => {
    const part = valueAt(sheet, path.split('.').slice(0, -1).join('.')) ?? {};
    return !when || when(part as Record<string, unknown>);
  });

/** A field of the sheet as the form names it, by its path: `Fan: Stages, row 2, On at`. What the form does not know stays. */
export function fieldName(path: string): string {
  for (const { title, fields } of SHEET_PARTS)
    for (const field of fields.flatMap((f) =>
      f.kind === 'one-of' ? [f, ...f.options.flatMap((o) => o.fields)] : [f]
    )) {
      const name = nameWithin(field, path);
      if (name) return `${title}: ${name}`;
    }
  return path;
}

function nameWithin(field: Field, path: string): string | null {
  if (path === field.path) return field.label;
  const inside = path.startsWith(`${field.path}.`) ? path.slice(field.path.length + 1).split('.') : null;
  if (!inside || !/^\d+$/.test(inside[0])) return null;
  const inner = field.kind === 'rows' && field.fields.find((f) => f.path === inside[1]);
  return `${field.label}, row ${Number(inside[0]) + 1}${inner ? `, ${inner.label}` : ''}`;
}

const blank = (value: unknown): boolean =>
  value === null || value === undefined || value === '' || (Array.isArray(value) && value.every(blank));

/**
 * A sheet as it was typed, ready to be read: blank rows are left out, a part of which nothing is known is null, and a
 * fan that is not there has no stages. What the form does not know is kept.
 */
export function cleanSheet(typed: Readonly<Record<string, unknown>>): Record<string, unknown> {
  let sheet: Record<string, unknown> = { ...typed, format: 'pyrethos.spec-sheet', version: 1 };
  for (const field of ofItsKind(sheet, FIELDS)) {
    const value = valueAt(sheet, field.path);
    if (field.kind === 'one-of' && blank(valueAt(value, field.by)))
      sheet = withValue(sheet, field.path, null);
    if ((field.kind === 'table' || field.kind === 'rows') && Array.isArray(value)) {
      const rows = value.filter((row: unknown) => !Object.values(row as object).every(blank));
      sheet = withValue(sheet, field.path, rows.length > 0 || field.kind === 'rows' ? rows : null);
    }
  }
  for (const [key, type] of Object.entries(specSheetSchema.shape)) {
    const part = sheet[key];
    if (unwrapped(type).needed || blank(part) || typeof part !== 'object') continue;
    if (Object.values(part as object).every(blank)) sheet[key] = null;
  }
  if (valueAt(sheet, 'fan.drive') === 'none' && !blank(valueAt(sheet, 'fan.stages')))
    sheet = withValue(sheet, 'fan.stages', []);
  if (valueAt(sheet, 'ect.switchedPullUp') && blank(valueAt(sheet, 'ect.switchedPullUp.pullUpOhm')))
    sheet = withValue(sheet, 'ect.switchedPullUp', null);
  return sheet;
}

/** Writes a quantity: in the core's unit, or as a reader wants it. */
export type WriteQuantity = (value: number, kind: NonNullable<Field['quantity']>) => string;
const inBaseUnit: WriteQuantity = (value, kind) => formatQuantity(value, kind, baseUnit(kind));

/** The value of a field in words; null where none is given. */
export function fieldText(field: Field, value: unknown, write: WriteQuantity = inBaseUnit): string | null {
  if (blank(value)) return null;
  const number = (v: unknown, kind: Field['quantity']) =>
    kind && kind !== 'number' ? write(v as number, kind) : String(v);
  switch (field.kind) {
    case 'quantity':
      return field.keptIn ? `${value as number} ${field.keptIn}` : number(value, field.quantity);
    case 'choice':
      return field.choices?.[value as string] ?? String(value);
    case 'one-of': {
      const kind = String(valueAt(value, field.by));
      return field.choices?.[kind] ?? kind;
    }
    case 'flag':
      return value ? 'yes' : 'no';
    case 'text':
      return String(value);
    case 'table':
      return (value as number[][])
        .map((row) => row.map((v, i) => number(v, field.columns?.[i]?.quantity)).join(' → '))
        .join('; ');
    case 'list':
      return (value as number[]).map((v) => number(v, field.quantity)).join(', ');
    case 'reading':
      return number(valueAt(value, 'celsius'), 'temperature');
    case 'instrument':
      return String(valueAt(value, 'kind'));
    case 'part':
      return field.fields
        .map((f) => fieldText(f, valueAt(value, f.path.slice(field.path.length + 1)), write))
        .join(', ');
    case 'amounts':
      return Object.entries(value as Record<string, number>)
        .map(([key, v]) => `${field.keys?.[key] ?? key} ${number(v, field.quantity)}`)
        .join('; ');
    case 'rows':
      return (value as object[])
        .map((row) =>
          field.fields
            .flatMap((f, i) => {
              const text = fieldText(f, valueAt(row, f.path), write);
              return text === null ? [] : [i === 0 ? text : `${f.label.toLowerCase()} ${text}`];
            })
            .join(', ')
        )
        .join('; ');
  }
}

/** What a sheet says differently from the one before, field by field. */
export interface SheetChange {
  readonly field: Field;
  readonly part: string;
  readonly before: string | null;
  readonly after: string | null;
}

export function changesOf(before: SpecSheet | null, after: unknown, write?: WriteQuantity): SheetChange[] {
  return SHEET_PARTS.flatMap(({ title: part, fields }) => {
    const asked = [...askedOn(before, fields), ...askedOn(after, fields)];
    return asked
      .filter((f, i) => asked.findIndex((o) => o.path === f.path) === i)
      .flatMap((field) => {
        const [was, is] = [valueAt(before, field.path), valueAt(after, field.path)].map((v) =>
          fieldText(field, v, write)
        );
        return was === is ? [] : [{ field, part, before: was, after: is }];
      });
  });
}

const RANGE = ({ min, max }: { min: number; max: number }) =>
  [min > -Infinity && min !== 0 ? `from ${min}` : '', max < Number.MAX_SAFE_INTEGER ? `to ${max}` : '']
    .filter(Boolean)
    .join(' ');

function rowsOf(field: Field, part: string): string[] {
  const unit = field.keptIn ?? (field.quantity ? baseUnit(field.quantity).symbol : '');
  const says = {
    quantity: field.kind === 'quantity' ? RANGE(field) : '',
    choice: Object.keys(field.choices ?? {}).join(', '),
    flag: 'true, false',
    text: 'text',
    table: (field.columns ?? [])
      .map((c) => `${c.label.toLowerCase()} ${baseUnit(c.quantity).symbol}`.trim())
      .join(' → '),
    amounts: `by name: ${Object.keys(field.keys ?? {}).join(', ')} …`,
    rows: 'a list',
    list: 'a list of numbers',
    reading: 'a temperature and its instrument',
    instrument: 'an instrument',
    part: 'a part',
    'one-of': Object.keys(field.choices ?? {}).join(', ')
  }[field.kind];
  const path = field.kind === 'one-of' ? `${field.path}.${field.by}` : field.path;
  const own = `| \`${path}\` | ${part} | ${field.label}${field.hint ? ` (${plainText(field.hint)})` : ''} | ${unit} | ${says}${field.needed ? '; needed' : ''} |`;
  if (field.kind === 'rows')
    return [own, ...field.fields.flatMap((f) => rowsOf({ ...f, path: `${field.path}[].${f.path}` }, part))];
  if (field.kind === 'one-of')
    return [own, ...field.options.flatMap((o) => o.fields.flatMap((f) => rowsOf(f, `${part}, ${o.value}`)))];
  return [own];
}

/** The fields as the Markdown table of docs/spec-sheet.md. */
export const sheetTable = (): string =>
  [
    '# The spec sheet, field by field',
    '',
    'Written by `npm run docs` from `src/core/vehicle/spec-sheet.ts`, where each field is said once for the schema, the form, the vehicle page, what a change says, and this table. Everything but the name may be missing; what is not given is typical for such an engine, and marked so.',
    '',
    '| field | part | what it is | unit | range |',
    '|---|---|---|---|---|',
    ...SHEET_PARTS.flatMap(({ title, fields }) => fields.flatMap((f) => rowsOf(f, title))),
    ''
  ].join('\n');
