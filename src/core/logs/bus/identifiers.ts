import type { ChannelKey } from '../channels';

/** One parameter of service 01: its bytes and what they mean (ISO 15031-5 / SAE J1979). */
export interface Identifier {
  readonly id: number;
  readonly title: string;
  readonly bytes: number;
  readonly channel: ChannelKey | null;
  /** The value in the core's unit; null where the answer says that it is not there. */
  decode(data: Uint8Array): number | null;
  encode(value: number): number[];
}

const byte = (x: number) => Math.min(255, Math.max(0, Math.round(x)));
const word = (x: number) => {
  const whole = Math.min(65_535, Math.max(0, Math.round(x)));
  return [whole >> 8, whole & 0xff];
};
const row = (
  id: number,
  title: string,
  channel: ChannelKey | null,
  bytes: 1 | 2,
  factor: number,
  offset = 0
): Identifier => ({
  id,
  title,
  bytes,
  channel,
  decode: (d) => (bytes === 1 ? d[0] : d[0] * 256 + d[1]) * factor + offset,
  encode: (value) => (bytes === 1 ? [byte((value - offset) / factor)] : word((value - offset) / factor))
});

export const IDENTIFIERS: readonly Identifier[] = [
  row(0x04, 'Calculated load', 'load_pct', 1, 100 / 255),
  row(0x05, 'Coolant temperature', 'ect_c', 1, 1, -40),
  row(0x0b, 'Manifold pressure', null, 1, 1),
  row(0x0c, 'Engine speed', 'rpm', 2, 0.25),
  row(0x0d, 'Vehicle speed', 'speed_kmh', 1, 1),
  row(0x0f, 'Intake air temperature', 'iat_c', 1, 1, -40),
  row(0x1f, 'Time since engine start', null, 2, 1),
  row(0x33, 'Barometric pressure', null, 1, 1),
  row(0x42, 'Control unit voltage', null, 2, 0.001),
  row(0x46, 'Ambient temperature', 'ambient_c', 1, 1, -40),
  row(0x5c, 'Oil temperature', null, 1, 1, -40),
  {
    // Two sensors behind a byte that says which are there; the first stands where 05 is missing.
    id: 0x67,
    title: 'Coolant temperature, sensors 1 and 2',
    bytes: 3,
    channel: 'ect_c',
    decode: (d) => (d[0] & 1 ? d[1] - 40 : null),
    encode: (value) => [1, byte(value + 40), 0]
  }
];

export const identifierOf = (id: number): Identifier | undefined => IDENTIFIERS.find((i) => i.id === id);

/** Which identifiers a control unit has, in groups of 32: their answers are four bytes of flags. */
const isGroup = (id: number) => id % 0x20 === 0;

export interface Answered {
  readonly identifier: Identifier;
  readonly value: number;
}

/**
 * Values of one answer to service 01 (without its first byte, 41). It may hold several identifiers one after the
 * other; at one that is not known, whose length is thus not known either, reading ends.
 */
export function readAnswer(body: Uint8Array): Answered[] {
  const found: Answered[] = [];
  for (let at = 0; at < body.length;) {
    const id = body[at++];
    const identifier = identifierOf(id);
    const bytes = identifier?.bytes ?? (isGroup(id) ? 4 : null);
    if (bytes === null || at + bytes > body.length) break;
    const value = identifier?.decode(body.subarray(at, at + bytes)) ?? null;
    if (identifier && value !== null) found.push({ identifier, value });
    at += bytes;
  }
  return found;
}

/** The four bytes that tell which of `from + 1 … from + 32` are supported. */
export function supportFlags(from: number, has: readonly number[]): number[] {
  let flags = 0;
  for (const id of has) if (id > from && id <= from + 32) flags |= 1 << (32 - (id - from));
  return [flags >>> 24, (flags >>> 16) & 0xff, (flags >>> 8) & 0xff, flags & 0xff];
}
