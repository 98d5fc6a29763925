import { bad, good, type Result } from '../base/result';

export const MAX_LOG_BYTES = 128 * 1024 * 1024;
/** So much of a file tells how it is laid out. */
export const SAMPLE_BYTES = 128 * 1024;

/** Bytes as UTF-8 without a byte-order mark; UTF-16 with a mark is converted. Refuses what is not text. */
export function decoded(bytes: Uint8Array): Result<Uint8Array> {
  if (bytes.length === 0)
    return bad({ message: 'the file is empty; expected a header row and at least one sample' });
  if (bytes.length > MAX_LOG_BYTES)
    return bad({
      message: `the file is ${Math.ceil(bytes.length / 1048576)} MiB; the limit is ${MAX_LOG_BYTES / 1048576} MiB. Cut it into parts`
    });
  if (bytes[0] === 0xff && bytes[1] === 0xfe)
    return good(new TextEncoder().encode(new TextDecoder('utf-16le').decode(bytes)));
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return good(new TextEncoder().encode(new TextDecoder('utf-16be').decode(bytes)));
  const body = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf ? bytes.subarray(3) : bytes;
  const head = body.subarray(0, SAMPLE_BYTES);
  const odd = head.reduce((n, b) => n + (b === 0 || (b < 32 && b !== 9 && b !== 10 && b !== 13) ? 1 : 0), 0);
  if (odd > 0)
    return bad({
      message: 'the file is not text (it holds control bytes); expected a CSV file with a header row'
    });
  return good(body);
}

/** Text of a cell: UTF-8, or where that fails the Windows code page that older loggers write (° is one byte). */
export function decodeCell(part: Uint8Array): string {
  try {
    return UTF8.decode(part);
  } catch {
    return LATIN.decode(part);
  }
}
const UTF8 = new TextDecoder('utf-8', { fatal: true });
const LATIN = new TextDecoder('windows-1252');
