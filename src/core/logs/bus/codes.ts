const SYSTEMS = 'PCBU';

/** A trouble code from its two bytes (SAE J2012): two bits of system, then four digits, the first of two bits. */
export const codeOf = (high: number, low: number): string =>
  `${SYSTEMS[high >> 6]}${(high >> 4) & 3}${(high & 0xf).toString(16)}${(low >> 4).toString(16)}${(low & 0xf).toString(16)}`.toUpperCase();

/** The two bytes of a code. Throws RangeError for what is none. */
export function bytesOfCode(code: string): [number, number] {
  const found = /^([PCBU])([0-3])([0-9A-F]{3})$/.exec(code);
  if (!found) throw new RangeError(`“${code}” is no trouble code; it looks like P0118`);
  const rest = parseInt(found[3], 16);
  return [(SYSTEMS.indexOf(found[1]) << 6) | (Number(found[2]) << 4) | (rest >> 8), rest & 0xff];
}

/** Codes of an answer to service 03 or 07 on CAN (without its first byte): a count, then two bytes a code. */
export function readCodes(body: Uint8Array): string[] {
  const codes: string[] = [];
  for (let at = 1; at + 1 < body.length && codes.length < body[0]; at += 2)
    if (body[at] !== 0 || body[at + 1] !== 0) codes.push(codeOf(body[at], body[at + 1]));
  return codes;
}
