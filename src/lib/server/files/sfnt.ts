import { inflateSync } from 'node:zlib';

const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;
const aligned = (n: number) => (n + 3) & ~3;

/**
 * A WOFF font as the plain font (sfnt) it is packed from: its tables unpacked once, where the PDF library would unpack
 * them in script for every letter it looks up. WOFF File Format 1.0, W3C.
 */
export function sfntOf(woff: Buffer): Buffer {
  const tables = woff.readUInt16BE(12);
  const entries = Array.from({ length: tables }, (_, i) => {
    const at = WOFF_HEADER + i * WOFF_ENTRY;
    const [offset, packed, size] = [4, 8, 12].map((field) => woff.readUInt32BE(at + field));
    const data = woff.subarray(offset, offset + packed);
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.subarray(at + 16, at + 20),
      data: packed < size ? inflateSync(data) : data
    };
  });
  const size = entries.reduce((sum, e) => sum + aligned(e.data.length), SFNT_HEADER + tables * SFNT_ENTRY);
  const sfnt = Buffer.alloc(size);
  woff.copy(sfnt, 0, 4, 8);
  sfnt.writeUInt16BE(tables, 4);
  // What a reader may use for a binary search of the tables.
  const power = Math.floor(Math.log2(tables));
  sfnt.writeUInt16BE(16 * 2 ** power, 6);
  sfnt.writeUInt16BE(power, 8);
  sfnt.writeUInt16BE(16 * (tables - 2 ** power), 10);
  let offset = SFNT_HEADER + tables * SFNT_ENTRY;
  entries.forEach(({ tag, checksum, data }, i) => {
    const at = SFNT_HEADER + i * SFNT_ENTRY;
    tag.copy(sfnt, at);
    checksum.copy(sfnt, at + 4);
    sfnt.writeUInt32BE(offset, at + 8);
    sfnt.writeUInt32BE(data.length, at + 12);
    data.copy(sfnt, offset);
    offset += aligned(data.length);
  });
  return sfnt;
}
