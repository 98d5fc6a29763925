/** A thermistor's resistance law, as a sheet gives it. Temperatures in °C, resistance in Ω. */
export type Curve =
  | { readonly kind: 'beta'; readonly r25Ohm: number; readonly betaK: number }
  | { readonly kind: 'steinhart-hart'; readonly a: number; readonly b: number; readonly c: number }
  | { readonly kind: 'table'; readonly points: readonly (readonly [number, number])[] };

/** Where a reader has no curve of its own: a common family, good only for the shape of a sensor's error. */
export const GENERIC_CURVE: Curve = { kind: 'beta', r25Ohm: 2300, betaK: 3500 };
