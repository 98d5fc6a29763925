import type { ChannelKey } from '../channels';

/**
 * Broadcast traffic of heavy vehicles (SAE J1939-71): what control units tell without being asked. A parameter group is
 * named by the middle of a 29-bit identifier, its sender by the last byte.
 */
interface Parameter {
  readonly channel: ChannelKey;
  /** First byte, from 0, and how many; the low byte comes first. */
  readonly at: number;
  readonly bytes: 1 | 2;
  readonly factor: number;
  readonly offset: number;
}

const parameter = (channel: ChannelKey, at: number, bytes: 1 | 2, factor: number, offset = 0): Parameter => ({
  channel,
  at,
  bytes,
  factor,
  offset
});

/** By parameter group: its number in the standard, and what of it a log of the cooling needs. */
const GROUPS: Readonly<Record<number, readonly Parameter[]>> = {
  61_443: [parameter('load_pct', 2, 1, 1)],
  61_444: [parameter('rpm', 3, 2, 0.125)],
  65_213: [parameter('fan_pct', 0, 1, 0.4), parameter('fan_rpm', 2, 2, 0.125)],
  65_262: [parameter('ect_c', 0, 1, 1, -40)],
  65_265: [parameter('speed_kmh', 1, 2, 1 / 256)],
  65_269: [parameter('ambient_c', 3, 2, 0.03125, -273), parameter('iat_c', 5, 1, 1, -40)]
};

/** From so much on the value is an error or not there, by its highest byte. */
const NOT_THERE = 0xfb;

/** The parameter group of an identifier, and its sender; null for 11 bits. */
export function groupOf(id: number): { readonly group: number; readonly sender: number } | null {
  if (id <= 0x7ff) return null;
  const format = (id >> 16) & 0xff;
  // Below 240 the next byte is an address and no part of the number.
  const low = format < 240 ? 0 : (id >> 8) & 0xff;
  return { group: (((id >> 24) & 0x3) << 16) | (format << 8) | low, sender: id & 0xff };
}

/** What a frame of broadcast traffic tells, in the core's units; nothing where it is of another group or has no value. */
export function readBroadcast(
  id: number,
  data: Uint8Array
): readonly { readonly channel: ChannelKey; readonly value: number }[] {
  const found = groupOf(id);
  return ((found && GROUPS[found.group]) ?? []).flatMap(({ channel, at, bytes, factor, offset }) => {
    if (at + bytes > data.length || data[at + bytes - 1] >= NOT_THERE) return [];
    const raw = bytes === 1 ? data[at] : data[at] + 256 * data[at + 1];
    return [{ channel, value: raw * factor + offset }];
  });
}
