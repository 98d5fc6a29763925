/** One CAN frame: an 11 or 29 bit identifier and up to 8 bytes. */
export interface Frame {
  readonly id: number;
  readonly data: Uint8Array;
}

/** A frame with the clock of what took it, in s. */
export interface StampedFrame extends Frame {
  readonly t: number;
}

const LINE = /^\((\d+(?:\.\d{1,9})?)\)\s+(\S+)\s+([0-9A-F]{3}|[0-9A-F]{8})#([0-9A-F]{0,16})(?:\s+[TR])?$/i;

/** Reads `(seconds.micros) interface ID#DATA`. Null where a line is none, as remote or CAN FD frames are. */
export function readFrame(line: string): StampedFrame | null {
  const found = LINE.exec(line);
  if (!found || found[4].length % 2 === 1) return null;
  const data = Uint8Array.from({ length: found[4].length / 2 }, (_, i) =>
    parseInt(found[4].slice(2 * i, 2 * i + 2), 16)
  );
  return { t: Number(found[1]), id: parseInt(found[3], 16), data };
}

const hex = (value: number, digits: number) => value.toString(16).toUpperCase().padStart(digits, '0');

/** Writes a frame as {@link readFrame} reads it. */
export const writeFrame = ({ t, id, data }: StampedFrame, port = 'can0'): string =>
  `(${t.toFixed(6)}) ${port} ${hex(id, id > 0x7ff ? 8 : 3)}#${[...data].map((b) => hex(b, 2)).join('')}`;

/** Asks every control unit, and asks the one that answers with {@link ANSWER_ID} (ISO 15765-4, 11 bit). */
export const REQUEST_ALL = 0x7df;
export const REQUEST_ID = 0x7e0;
export const ANSWER_ID = 0x7e8;

/** Whether an identifier is that of a diagnostic answer: 7E8 to 7EF, or 18DAF1xx with 29 bits. */
export const isAnswer = (id: number): boolean =>
  (id >= 0x7e8 && id <= 0x7ef) || (id & 0x1fffff00) === 0x18daf100;
