import { formatQuantity } from './quantity';
import { baseUnit, findUnit, fromBase, UNITS, type QuantityKind, type Unit } from './units';

/**
 * Quantities inside sentences. The core writes them in its own units; a temperature or any other reading stands
 * with a no-break space before its unit, a difference of temperatures with a narrow one. So a whole sentence can
 * be shown in the units a person chose (`inUnits`) without being taken apart, and a file or a log that knows
 * nothing of this reads well too.
 */
const READING = '\u00a0';
const DIFFERENCE = '\u202f';

const plain = (value: number, digits: number) => {
  const text = value.toFixed(digits).replace(/^-(?=0(\.0*)?$)/, '');
  return text.replace('-', '−');
};

/** The fewest decimals that lose nothing at the resolution wanted. */
const trimmed = (value: number, digits: number) =>
  plain(value, Number.isInteger(Number(value.toFixed(digits))) ? 0 : digits);

/** A temperature: `86 °C`, `12.3 °C`. */
export const sayC = (celsius: number, digits = 1): string => `${trimmed(celsius, digits)}${READING}°C`;

/** A difference of two temperatures. */
export const sayDeltaC = (celsius: number, digits = 1): string =>
  `${trimmed(celsius, digits)}${DIFFERENCE}°C`;

/** A difference with its sign: what comes out as 0 has none. */
export const saySignedC = (celsius: number): string =>
  `${Number(celsius.toFixed(1)) > 0 ? '+' : ''}${sayDeltaC(celsius)}`;

/**
 * Any other quantity in the core's unit. One that people choose a unit for is written so finely that what was typed
 * in another unit is found again.
 */
export function say(value: number, kind: QuantityKind, digits?: number): string {
  const fine = digits === undefined && CHOOSABLE.some((k) => k === kind);
  const text = formatQuantity(value, kind, baseUnit(kind), fine ? finest(kind) : digits);
  return (fine ? text.replace(/(\.\d*?)0+(?=\D|$)/, '$1').replace(/\.(?=\D|$)/, '') : text).replace(
    / /g,
    READING
  );
}

/** A sentence with plain spaces, for files and terminals. */
export const plainText = (text: string): string => text.replace(/[\u00a0\u202f]/g, ' ');

/** The unit a person reads each kind of quantity in, by symbol; the core's where none is chosen. */
export type UnitChoice = Partial<Record<QuantityKind, string>>;

/** Kinds for which there is a choice that workshops really make. */
export const CHOOSABLE = [
  'temperature',
  'pressure',
  'speed',
  'distance',
  'length',
  'volume',
  'torque'
] as const satisfies readonly QuantityKind[];

/** The units of a whole workshop at once, by what people call them. */
export const SYSTEMS: Readonly<Record<string, UnitChoice>> = {
  Metric: {},
  US: {
    temperature: '°F',
    pressure: 'psi',
    speed: 'mph',
    distance: 'mi',
    length: 'in',
    volume: 'US qt',
    torque: 'lbf·ft'
  }
};

/** Decimals that a sentence writes a quantity with at most. */
const finest = (kind: QuantityKind): number =>
  kind === 'temperature' || kind === 'difference' ? 1 : baseUnit(kind).digits + 1;

/** A difference of temperatures follows the choice for temperatures. */
export const chosenUnit = (choice: UnitChoice, kind: QuantityKind): Unit =>
  findUnit(kind, choice[kind === 'difference' ? 'temperature' : kind] ?? '') ?? UNITS[kind][0];

/** Reads a choice from outside (a cookie): unknown kinds and units are left out. */
export function readUnitChoice(text: string): UnitChoice {
  const choice: UnitChoice = {};
  for (const pair of text.split(',')) {
    const [kind, symbol] = pair.split('=');
    const known = CHOOSABLE.find((k) => k === kind);
    const unit = known && symbol ? findUnit(known, symbol) : undefined;
    if (known && unit) choice[known] = unit.symbol;
  }
  return choice;
}

export const writeUnitChoice = (choice: UnitChoice): string =>
  Object.entries(choice)
    .map(([kind, symbol]) => `${kind}=${symbol}`)
    .join(',');

const NUMBER = String.raw`([-−]?\d+(?:\.\d+)?)(?:( to )([-−]?\d+(?:\.\d+)?))?`;
const escaped = (symbol: string) => symbol.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A difference of fewer degrees Fahrenheit is told with a decimal; any other, and any temperature, in whole ones. */
const FINE_BELOW_F = 5;

/** Decimals that suit a difference of temperatures (°C) in a unit. */
export const differenceDigits = (celsius: number, unit: Unit): number =>
  unit.symbol === '°F' && Math.abs(celsius / unit.factor) >= FINE_BELOW_F ? 0 : 1;

/**
 * The roundest number that a written one can stand for, and its decimals: 103 kPa is what became of 15 psi, and comes
 * back as that.
 */
function roundest(value: number, most: number, within: number): [number, number] {
  for (let digits = 0; digits < most; digits++)
    if (Math.abs(Number(value.toFixed(digits)) - value) <= within) return [value, digits];
  return [value, Number(value.toFixed(most)) === Math.round(value) ? 0 : most];
}

/** A sentence of the core in a person's units. Without a choice it comes back as it is. */
export function inUnits(text: string, choice: UnitChoice): string {
  let shown = text;
  for (const kind of CHOOSABLE) {
    const to = chosenUnit(choice, kind);
    const base: Unit = UNITS[kind][0];
    if (to === base) continue;
    for (const space of kind === 'temperature' ? [READING, DIFFERENCE] : [READING]) {
      const offset = space === DIFFERENCE ? 0 : to.offset;
      const convert = (digits: string) => {
        const value = Number(digits.replace('−', '-'));
        const converted = fromBase(value, { ...to, offset });
        const decimals = digits.split('.')[1]?.length ?? 0;
        if (kind === 'temperature' && to.symbol === '°F')
          return trimmed(converted, space === DIFFERENCE ? differenceDigits(value, to) : 0);
        const most =
          kind === 'temperature' ? Math.max(1, decimals) : decimals + (to.factor > 1.5 * base.factor ? 1 : 0);
        return plain(
          ...roundest(converted, most, 0.5 * 10 ** -(decimals || finest(kind)) * (base.factor / to.factor))
        );
      };
      shown = shown.replace(
        new RegExp(`${NUMBER}${space}${escaped(base.symbol)}`, 'g'),
        (_, first: string, between?: string, second?: string) =>
          `${convert(first)}${between ? `${between}${convert(second!)}` : ''}${space}${to.symbol}`
      );
    }
  }
  return shown;
}
