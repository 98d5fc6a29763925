import { toast } from 'svelte-sonner';
import type { z } from 'zod';
import { streamOf, type EventInput } from '$core/record/events';
import { SHOP_ID } from '$core/record/shop';
import type { Problem } from '$core/base/result';
import { record } from '$lib/ui/outbox/record.svelte';

const STREAM = streamOf('shop', SHOP_ID);

/**
 * Keeps what the shop says of itself, where its schema has nothing against it, and offers to take it back. What is
 * wrong comes back by field; nothing where it is kept.
 */
export async function keep<Kind extends 'shop.priced' | 'shop.equipped' | 'shop.staffed'>(
  kind: Kind,
  schema: z.ZodType,
  said: unknown,
  kept: string
): Promise<readonly Problem[]> {
  const read = schema.safeParse(said);
  if (!read.success)
    return read.error.issues.map((i) => ({ field: i.path.map(String).join('.'), message: i.message }));
  const id = crypto.randomUUID();
  const answer = await record(STREAM, { kind, payload: read.data } as EventInput, id);
  if (!answer.ok) return answer.problems;
  toast(kept, {
    action: { label: 'Undo', onClick: () => void record(STREAM, { kind: 'undo', payload: { of: id } }) }
  });
  return [];
}
