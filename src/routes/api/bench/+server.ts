import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { WIGGLED, type Wiggled } from '$core/checks/sensor/wiggle';
import { knownAdapters } from '$lib/server/live/adapters';
import { tellBench } from '$lib/server/live/bench';

const word = z.string().regex(/^[\w-]{1,30}$/);

/** What can be asked of the simulated bench, and how it is told. */
const asked = z.union([
  z
    .object({ instrument: z.enum(['multimeter', 'infrared', 'probe', 'tachometer']), place: word })
    .transform((r) => ({ do: 'read', ...r })),
  /** A hand that moves the loom somewhere, so that a bad contact of the vehicle can answer. */
  z
    .object({ hand: z.enum(Object.keys(WIGGLED) as [Wiggled]).nullable() })
    .transform((r) => ({ do: 'hand', place: r.hand })),
  z.object({ circuit: word, state: word, at: word }).transform((r) => ({ do: 'circuit', ...r })),
  z
    .object({ radiator: z.array(z.number().int().min(1).max(8)).min(1).max(8) })
    .transform((r) => ({ do: 'radiator', shape: r.radiator })),
  z
    .object({ part: word, min: z.number().min(0).max(1000).default(0) })
    .transform((r) => ({ do: 'part', ...r })),
  z.object({ bath: z.enum(['start', 'read']) }).transform((r) => ({ do: `bath-${r.bath}` }))
]);

/** Holds an instrument of the simulated bench to its vehicle and gives what it shows. */
export async function POST({ request }) {
  const read = asked.safeParse(await request.json().catch(() => null));
  const bench = knownAdapters().find((a) => a.simulated);
  const refuse = (message: string) => json({ ok: false, problems: [{ message }] }, { status: 422 });
  if (!read.success) return refuse('say which instrument is held where');
  if (!bench) return refuse('this server runs no simulated bench');
  const answer = await tellBench(bench.address, read.data);
  if (!answer.ok) return json(answer, { status: 422 });
  if (answer.value.value === null) return refuse('it shows nothing at that place');
  return json({ ...answer.value, ok: true });
}
