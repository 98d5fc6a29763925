import type { Result } from '../base/result';
import { isCapture, readCapture } from './capture';
import { readLog, type ImportedLog, type ImportOptions } from './csv-import';

/** A kind of log file: how it is told by its content, and not by its name, and how it is read. */
interface Dialect {
  readonly title: string;
  readonly recognises: (file: Uint8Array) => boolean;
  readonly read: (file: Uint8Array, options: ImportOptions) => Result<ImportedLog>;
}

/** Every kind of log that Pyrethos knows. The first that recognises a file reads it; the last takes what is left. */
export const DIALECTS = [
  {
    title: 'a capture of the bus, a frame a line',
    recognises: isCapture,
    read: (file) => readCapture(new TextDecoder().decode(file))
  },
  { title: 'a table of text with a header', recognises: () => true, read: readLog }
] as const satisfies readonly Dialect[];

/** Reads a log of any kind Pyrethos knows. */
export const readAnyLog = (file: Uint8Array, options: ImportOptions = {}): Result<ImportedLog> =>
  (DIALECTS as readonly Dialect[]).find((d) => d.recognises(file))!.read(file, options);
