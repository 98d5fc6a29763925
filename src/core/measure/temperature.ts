import { z } from 'zod';
import { hottestLiquidC } from '../physics/coolant/boiling';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { Problem } from '../base/result';
import { sayC } from '../units/say';

/** The coldest a vehicle stands anywhere; below it a reading is of nothing. */
const COLDEST_C = -60;
/** The range the diagnostic standard can send for a coolant temperature. */
const SCAN_C = { from: -40, to: 215 };

const between = (from: number, to: number, what: string) =>
  z
    .number(`${what} is missing: type a temperature`)
    .min(from, `${what} below ${sayC(from)} cannot be; type ${from} to ${to}`)
    .max(to, `${what} above ${sayC(to)} cannot be; type ${from} to ${to}`);

/** A temperature of air, as ambient or intake air. */
export const airC = between(COLDEST_C, 80, 'Air');
/** Air that has come through a radiator. */
export const hotAirC = between(COLDEST_C, 130, 'Air behind a radiator');
/** A temperature a scan tool gives. */
export const scanC = between(SCAN_C.from, SCAN_C.to, 'A scan value');
/** A temperature of coolant or of the metal around it. */
export const coolantC = between(COLDEST_C, Math.floor(hottestLiquidC(null)), 'Coolant in a sealed system');

/** Refuses coolant hotter than this vehicle's cap lets it get. */
export function refuseHotter(
  field: string,
  celsius: number | null,
  sheet: SpecSheet | null
): Problem | undefined {
  const limit = hottestLiquidC(sheet?.cap?.kPa);
  if (celsius === null || celsius <= limit) return undefined;
  return {
    field,
    message: `${sayC(celsius)} is hotter than this sealed system can hold: with its cap the strongest mixture boils at ${sayC(limit, 0)}`
  };
}

/** Air that a workshop would look twice at. */
export const unusualAir = (name: string, celsius: number | null): string[] =>
  celsius !== null && (celsius < -30 || celsius > 42)
    ? [`${name} of ${sayC(celsius)} is outside what a yard usually sees`]
    : [];
