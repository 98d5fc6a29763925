import type { Problem } from '../base/result';
import { findUnit, fromBase } from '../units/units';
import { channel, type Channel } from './channels';
import type { RowReader } from './csv-rows';
import type { Column } from './csv-columns';

const BLANK_WORDS = /^(-+|n\/?a|#n\/a|nan|null|none|no ?data|\?+|\.+|inf|-inf)$/i;
const SWITCH_WORDS: Readonly<Record<string, number>> = {
  on: 1,
  true: 1,
  yes: 1,
  active: 1,
  off: 0,
  false: 0,
  no: 0,
  inactive: 0
};

/** One mapped column of a file while it is read. */
export interface Target {
  readonly cell: number;
  readonly channel: Channel;
  readonly header: string;
  readonly factor: number;
  readonly offset: number;
  readonly unit: string;
  readonly unitKnown: boolean;
  values: Float32Array;
}

/** The columns of a layout that hold a channel, with room for `capacity` samples each. */
export function targetsOf(columns: readonly Column[], capacity: number): Target[] {
  return columns.flatMap((column, cell) => {
    if (column.use.kind !== 'channel') return [];
    const wanted = channel(column.use.channel);
    const unit = findUnit(wanted.kind, column.use.unit)!;
    return [
      {
        cell,
        channel: wanted,
        header: column.header,
        factor: unit.factor,
        offset: unit.offset,
        unit: unit.symbol,
        unitKnown: /%|pct|percent/i.test(column.header),
        values: new Float32Array(capacity)
      }
    ];
  });
}

/** The problem of a row that has not as many cells as the header; surplus blank cells are let pass. */
export function wrongWidth(reader: RowReader, width: number): Problem | undefined {
  if (reader.width === width) return undefined;
  const surplusBlank =
    reader.width > width &&
    Array.from({ length: reader.width - width }, (_, i) => reader.text(width + i)).every((c) => c === '');
  if (surplusBlank) return undefined;
  return {
    line: reader.line,
    message: `has ${reader.width} cell${reader.width === 1 ? '' : 's'}; expected ${width} as in the header`
  };
}

/** Reads the mapped cells of a row into the next place of each column; returns the first cell that is no reading. */
export function readCells(
  reader: RowReader,
  targets: readonly Target[],
  count: { rows: number; blank: number }
): Problem | undefined {
  for (const target of targets) {
    let value = reader.number(target.cell);
    if (value === undefined) {
      const text = reader.text(target.cell);
      value = SWITCH_WORDS[text.toLowerCase()] ?? (BLANK_WORDS.test(text) ? NaN : undefined);
      if (value === undefined)
        return {
          line: reader.line,
          field: target.header,
          message: `“${text.slice(0, 30)}” is not a reading; expected a number in ${target.unit || 'plain figures'}, or nothing`
        };
    }
    if (Number.isNaN(value)) count.blank++;
    const base = value * target.factor + target.offset;
    if (base < target.channel.min || base > target.channel.max) return outOfRange(reader.line, target, value);
    target.values[count.rows] = base;
  }
  return undefined;
}

function outOfRange(line: number, target: Target, value: number): Problem {
  const { min, max, kind } = target.channel;
  const unit = findUnit(kind, target.unit)!;
  const limit = (x: number) => Number(fromBase(x, unit).toFixed(0));
  return {
    line,
    field: target.header,
    message: `${value} ${target.unit} is outside ${limit(min)} … ${limit(max)} ${target.unit}; another unit, or another column?`
  };
}

/** A share without a % sign that never passes 1 is a ratio or a switch: shown in percent like the others. */
export function asShare(target: Target, values: Float32Array, warnings: Problem[]): Float32Array {
  if (target.channel.kind !== 'share' || target.unitKnown || target.factor !== 1) return values;
  const canonical = target.header === target.channel.key;
  if (canonical || values.some((v) => v > 1)) return values;
  if (values.some((v) => v > 0))
    warnings.push({
      field: target.header,
      message: 'never passes 1, so it was read as a switch or a ratio: 1 is 100 %'
    });
  return values.map((v) => v * 100);
}
