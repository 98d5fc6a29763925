declare const of: unique symbol;
/** What a page is given, as one JSON text. */
export type Packed<T> = string & { readonly [of]?: T };

/**
 * A large view travels as one JSON text: the server writes a page of it in a third of the time that it takes to write
 * out every object of it as a script. Plain JSON only: no dates, no NaN.
 */
export const packed = <T>(view: T): Packed<T> => JSON.stringify(view) as Packed<T>;
export const unpacked = <T>(text: Packed<T>): T => JSON.parse(text) as T;
