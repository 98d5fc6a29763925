import { invalidateAll } from '$app/navigation';
import { page } from '$app/state';
import { formatQuantity } from '$core/units/quantity';
import { chosenUnit, inUnits, writeUnitChoice, type UnitChoice } from '$core/units/say';
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
export const shownDifference = (celsius: number | null | undefined, digits = 1): string =>
  shown(celsius, 'difference', digits);

/** A plain number in the person's unit, for scales. */
export const inUnit = (value: number, kind: QuantityKind): number => fromBase(value, unitOf(kind));

export async function chooseUnit(kind: QuantityKind, symbol: string): Promise<void> {
  const choice = writeUnitChoice({ ...unitChoice(), [kind]: symbol });
  document.cookie = `units=${encodeURIComponent(choice)}; path=/; max-age=31536000; samesite=lax`;
  await invalidateAll();
}
