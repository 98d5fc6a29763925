import { upcastAll } from '../record/upcast';
import { z } from 'zod';
import { recordEventSchema } from '../record/events';
import { good, type Result } from '../base/result';
import { isPlainObject, readFormat, unknownIn, type OpenFormat } from '../base/open-format';

/**
 * Version 1 of the workshop file: everything of a shop but its jobs, which lie beside it as job files. Each list
 * holds whole records, entry by entry.
 */
const workshopFileSchema = z.looseObject({
  format: z.literal('pyrethos.workshop'),
  version: z.literal(1),
  exportedAt: z.iso.datetime({ offset: true }),
  vehicles: z.array(z.array(recordEventSchema)),
  curves: z.array(z.array(recordEventSchema)),
  /** Rates and prices. */
  shop: z.array(recordEventSchema),
  /** Names of the job files that belong to it. */
  jobs: z.array(z.string())
});
export type WorkshopFile = z.infer<typeof workshopFileSchema>;

const FORMAT: OpenFormat = { format: 'pyrethos.workshop', version: 1, what: 'a workshop file' };

/** The file with its entries in the shape of today, whichever version wrote them. */
function today(input: unknown): unknown {
  if (!isPlainObject(input)) return input;
  const records = (list: unknown) => (Array.isArray(list) ? list.map(upcastAll) : list);
  return {
    ...input,
    vehicles: records(input.vehicles),
    curves: records(input.curves),
    shop: upcastAll(input.shop)
  };
}

/** Reads a workshop file from parsed JSON, as {@link readFormat} says. */
export function readWorkshopFile(input: unknown): Result<WorkshopFile> {
  const read = readFormat(FORMAT, workshopFileSchema, today(input));
  return read.ok ? good(read.value, unknownIn(read.value, workshopFileSchema.shape)) : read;
}

export const workshopFileJsonSchema = () =>
  z.toJSONSchema(workshopFileSchema, { io: 'input', unrepresentable: 'any' });
