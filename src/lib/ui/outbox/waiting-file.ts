import { z } from 'zod';
import { readFormat, type OpenFormat } from '$core/base/open-format';
import type { Result } from '$core/base/result';
import { recordEventSchema } from '$core/record/events';
import type { Waiting } from './outbox-store';

const entrySchema = z.object({
  id: z.uuid(),
  order: z.number(),
  /** Only where an entry can go: nobody sends a browser elsewhere by a file. */
  url: z.string().regex(/^\/api\/(events|(?:jobs|vehicles)\/[0-9a-f-]{36}\/photos)(\?[^#]*)?$/),
  type: z.string().max(100),
  label: z.string().max(500),
  by: z.uuid().nullable().default(null),
  event: recordEventSchema.nullable(),
  text: z.string().optional(),
  base64: z.base64().optional()
});
const fileSchema = z.looseObject({
  format: z.literal('pyrethos.waiting'),
  version: z.literal(1),
  savedAt: z.iso.datetime({ offset: true }),
  entries: z.array(entrySchema).max(10_000)
});
const FORMAT: OpenFormat = { format: 'pyrethos.waiting', version: 1, what: 'a file of waiting entries' };

const base64Of = async (blob: Blob): Promise<string> => {
  let text = '';
  for (const byte of new Uint8Array(await blob.arrayBuffer())) text += String.fromCharCode(byte);
  return btoa(text);
};

/** Everything that waits as one file: it can be carried to another browser of the shop and sent from there. */
export async function waitingFile(items: readonly Waiting[], savedAt: string): Promise<string> {
  const entries = await Promise.all(
    items.map(async ({ id, order, url, type, label, by, event, body }) => ({
      id,
      order,
      url,
      type,
      label,
      by,
      event,
      ...(typeof body === 'string' ? { text: body } : { base64: await base64Of(body) })
    }))
  );
  return JSON.stringify({ format: 'pyrethos.waiting', version: 1, savedAt, entries });
}

/** Reads such a file: its entries in their order, or what is wrong with it. */
export function readWaitingFile(json: unknown): Result<Waiting[]> {
  const read = readFormat(FORMAT, fileSchema, json);
  if (!read.ok) return read;
  const value = read.value.entries.map(({ text, base64, ...entry }) => ({
    ...entry,
    body:
      text ?? new Blob([Uint8Array.from(atob(base64 ?? ''), (c) => c.charCodeAt(0))], { type: entry.type }),
    refused: null
  }));
  return { ...read, value };
}
