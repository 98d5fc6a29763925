import { bad, good, type Result } from '../base/result';
import { baseUnit, findUnit, fromBase, toBase, UNITS, type QuantityKind, type Unit } from './units';

export interface Quantity {
  /** In the core's unit of the kind. */
  readonly value: number;
  /** The unit it was typed in. */
  readonly unit: Unit;
}

const PREFIX: Readonly<Record<string, number>> = {
  M: 1e6,
  k: 1e3,
  K: 1e3,
  m: 1e-3,
  µ: 1e-6,
  μ: 1e-6,
  u: 1e-6
};

/**
 * Reads a number with either decimal sign: `12.5`, `12,5`, `1,234.5`, `1.234,5`, `−3`. A lone comma before
 * exactly three digits (`2,300`) can mean two things a factor 1000 apart and is refused rather than guessed.
 * Returns a message where the text is not one number.
 */
export function readNumber(text: string): number | { readonly problem: string } {
  const clean = text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/(?<=\d)[\u00a0\u202f '](?=\d{3})/g, '');
  const comma = clean.lastIndexOf(',');
  const dot = clean.lastIndexOf('.');
  let plain = clean;
  if (comma >= 0 && dot >= 0)
    plain = comma > dot ? clean.replace(/\./g, '').replace(',', '.') : clean.replace(/,/g, '');
  else if (/^[-+]?[1-9]\d{0,2},\d{3}$/.test(clean)) {
    return {
      problem: `${clean} could mean ${clean.replace(',', '.')} or ${clean.replace(',', '')}; type it without the comma`
    };
  } else if (comma >= 0) plain = clean.replace(',', '.');
  if (!/^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain))
    return { problem: `“${text.trim()}” is not a number` };
  return Number(plain);
}

/** Nine figures: more than anyone measures, enough to come back as typed, and no 90.55555555555557 in a file. */
const inBase = (value: number, unit: Unit): number => Number(toBase(value, unit).toPrecision(9));

/**
 * Reads a quantity as typed at the bench: `5.2k`, `4k7`, `187F`, `0.35 V`, `350mV`, `12,5`. A bare number is
 * taken in `assume` (default: the core's unit). The result is in the core's unit of `kind`.
 */
export function parseQuantity(
  text: string,
  kind: QuantityKind,
  assume: Unit = baseUnit(kind)
): Result<Quantity> {
  const typed = text.trim();
  const example = UNITS[kind]
    .map((u: Unit) => u.symbol)
    .filter(Boolean)
    .join(', ');
  if (typed === '') return bad({ message: 'Type a value' });

  const inner = /^([-+−–]?\d+)([kKM])(\d+)(.*)$/.exec(typed);
  const body = inner ? `${inner[1]}.${inner[3]}${inner[2]}${inner[4]}` : typed;
  const split = /^([-+−–]?[\d.,\u00a0\u202f ']*\d[.,]?(?:e[-+]?\d+)?)\s*(.*)$/i.exec(body);
  if (!split) return bad({ message: `“${typed}” does not start with a number` });

  const number = readNumber(split[1]);
  if (typeof number === 'object') return bad({ message: number.problem });
  const tail = split[2].trim();
  if (tail === '') return good({ value: inBase(number, assume), unit: assume });

  const whole = findUnit(kind, tail);
  if (whole) return good({ value: inBase(number, whole), unit: whole });
  const prefix = PREFIX[tail[0]];
  if (prefix !== undefined) {
    const rest = tail.slice(1);
    const scaled = rest === '' ? baseUnit(kind) : findUnit(kind, rest);
    if (scaled?.prefixes) return good({ value: inBase(number * prefix, scaled), unit: scaled });
  }
  return bad({ message: `“${tail}” is not a unit of ${kind}${example ? `; use ${example}` : ''}` });
}

/** Writes a value of the core in a unit, with the decimals that suit it. Missing values become an en dash. */
export function formatQuantity(
  value: number | null | undefined,
  kind: QuantityKind,
  to: Unit = baseUnit(kind),
  digits = to.digits
): string {
  if (value == null || !Number.isFinite(value)) return '–';
  let shown = fromBase(value, to);
  let symbol = to.symbol;
  if (to.prefixes && Math.abs(shown) >= 1000) {
    const mega = Math.abs(shown) >= 1e6;
    shown /= mega ? 1e6 : 1000;
    symbol = `${mega ? 'M' : 'k'}${symbol}`;
    digits = 2;
  }
  const text = shown
    .toFixed(digits)
    .replace(/^-(?=0(\.0*)?$)/, '')
    .replace('-', '−');
  return symbol ? `${text} ${symbol}` : text;
}
