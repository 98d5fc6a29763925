import { invalidateAll } from '$app/navigation';
import { page } from '$app/state';
import type { DateForm } from '$core/base/dates';
import { formatQuantity } from '$core/units/quantity';
import { chosenUnit, differenceDigits, inUnits, writeUnitChoice, type UnitChoice } from '$core/units/say';
import { ticksInUnit } from '$core/units/ticks';
import { fromBase, type QuantityKind, type Unit } from '$core/units/units';

/** The units this person reads in. Everything shown goes through here; the core and the record never change. */
const unitChoice = (): UnitChoice => (page.data.units as UnitChoice | undefined) ?? {};
export const unitOf = (kind: QuantityKind): Unit => chosenUnit(unitChoice(), kind);

/** A value of the core in the person's unit. */
export const shown = (value: number | null | undefined, kind: QuantityKind, digits?: number): string =>
  formatQuantity(value, kind, unitOf(kind), digits ?? unitOf(kind).digits);

/** A sentence of the core in the person's units. */
export const inReaderUnits = (sentence: string): string => inUnits(sentence, unitChoice());

/** A difference of temperatures in the person's unit, without the zero point. */
export const shownDifference = (celsius: number | null | undefined, digits?: number): string =>
  shown(celsius, 'difference', digits ?? differenceDigits(celsius ?? 0, unitOf('difference')));

/** A plain number in the person's unit, for scales. */
export const inUnit = (value: number, kind: QuantityKind): number => fromBase(value, unitOf(kind));

/** Ticks that are round in the person's unit; values of the core. */
export const ticksShown = (from: number, to: number, most: number, kind: QuantityKind): number[] =>
  ticksInUnit(from, to, most, unitOf(kind));

/** What is given for a degree Celsius, for a degree of the person's. */
export const perDegree = (perCelsius: number): number => perCelsius * unitOf('difference').factor;

async function keepChoice(cookie: string, value: string): Promise<void> {
  document.cookie = `${cookie}=${encodeURIComponent(value)}; path=/; max-age=31536000; samesite=lax`;
  await invalidateAll();
}
export const chooseUnits = (choice: UnitChoice): Promise<void> =>
  keepChoice('units', writeUnitChoice(choice));
export const chooseUnit = (kind: QuantityKind, symbol: string): Promise<void> =>
  chooseUnits({ ...unitChoice(), [kind]: symbol });
export const chooseDates = (form: DateForm): Promise<void> => keepChoice('dates', form);
