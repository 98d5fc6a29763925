import type { ImportReport } from '../logs/csv-import';
import type { Instrument } from '../measure/instruments';

/** How a run came in: what its import did to the file, and what a person read the coolant with. */
export interface RunReport extends ImportReport {
  /** Only where a person read it: a logger's own error is part of the model. */
  readonly instrument?: Instrument;
}
