import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { WIGGLED, type Wiggled } from '$core/checks/wiggle';
import { knownAdapters } from '$lib/server/live/adapters';
import { tellBench } from '$lib/server/live/bench';

/** A hand that moves the loom somewhere, so that a bad contact of the simulated vehicle can answer. */
const handSchema = z.object({ hand: z.enum(Object.keys(WIGGLED) as [Wiggled]).nullable() });
const readingSchema = z.object({
  instrument: z.enum(['multimeter', 'infrared', 'probe', 'tachometer']),
  place: z.enum(['outlet', 'upper-hose', 'lower-hose', 'sensor', 'fan', 'engine'])
});

/** Holds an instrument of the simulated bench to its vehicle and gives what it shows. */
export async function POST({ request }) {
  const said: unknown = await request.json().catch(() => null);
  const hand = handSchema.safeParse(said);
  const read = readingSchema.safeParse(said);
  const bench = knownAdapters().find((a) => a.simulated);
  const refuse = (message: string) => json({ ok: false, problems: [{ message }] }, { status: 422 });
  if (hand.success && bench)
    return json(await tellBench(bench.address, { do: 'hand', place: hand.data.hand }));
  if (!read.success) return refuse('say which instrument is held where');
  if (!bench) return refuse('this server runs no simulated bench');
  const answer = await tellBench(bench.address, { do: 'read', ...read.data });
  if (!answer.ok) return json(answer, { status: 422 });
  const { value } = answer.value;
  return typeof value === 'number'
    ? json({ ok: true, value })
    : refuse(`a ${read.data.instrument} shows nothing at the ${read.data.place.replace('-', ' ')}`);
}
