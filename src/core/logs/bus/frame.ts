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

/** `(seconds) interface ID [length] DA TA`, and `seconds channel ID Rx d length DA TA` with an x behind 29 bits. */
const SPACED =
  /^\((\d+(?:\.\d{1,9})?)\)\s+\S+\s+([0-9A-F]{3}|[0-9A-F]{8})\s+\[(\d)\]((?:\s+[0-9A-F]{2})*)\s*$/i;
const TRACE = /^(\d+\.\d{1,9})\s+\d+\s+([0-9A-F]{1,8})(x?)\s+[RT]x\s+d\s+(\d)((?:\s+[0-9A-F]{2})*)/i;

/**
 * Reads a frame in any of the ways in which text captures write one (docs/formats.md). Null where a line is none, as
 * remote or CAN FD frames are. Its time is what the line says: of some captures the time since the frame before.
 */
export function readFrame(line: string): StampedFrame | null {
  const dense = LINE.exec(line);
  if (dense) return stamped(dense[1], dense[3], dense[4]);
  const spaced = SPACED.exec(line) ?? null;
  if (spaced) return stamped(spaced[1], spaced[2], spaced[4].replace(/\s/g, ''), Number(spaced[3]));
  const trace = TRACE.exec(line);
  return (
    trace &&
    stamped(trace[1], trace[2], trace[5].replace(/\s/g, '').slice(0, 2 * Number(trace[4])), Number(trace[4]))
  );
}

function stamped(t: string, id: string, hexes: string, length = hexes.length / 2): StampedFrame | null {
  if (hexes.length % 2 === 1 || hexes.length !== 2 * length) return null;
  const data = Uint8Array.from({ length }, (_, i) => parseInt(hexes.slice(2 * i, 2 * i + 2), 16));
  return { t: Number(t), id: parseInt(id, 16), data };
}

/** What stands at the head of a trace and is no frame: its date, how it counts its times, and how it counts at all. */
const HEADING = /^(date\s|base\s+hex|internal events|begin|end|\/\/|;|#|no internal|start of|version)/i;
export const isHeading = (line: string): boolean => HEADING.test(line);

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
