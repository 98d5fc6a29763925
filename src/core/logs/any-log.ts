import type { Result } from '../base/result';
import { isCapture, readCapture } from './capture';
import { readLog, type ImportedLog, type ImportOptions } from './csv-import';

/** Reads a log of any kind Pyrethos knows, by its content and not by its name: a bus capture, else a CSV. */
export const readAnyLog = (file: Uint8Array, options: ImportOptions = {}): Result<ImportedLog> =>
  isCapture(file) ? readCapture(new TextDecoder().decode(file)) : readLog(file, options);
