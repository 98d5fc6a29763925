import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { moment } from '$core/record/moment';
import { DRIVES, type DriveName } from '$core/physics/plant/drive';
import { FAULT_IDS } from '$core/vehicle/faults';
import { sourceSchema } from '$core/record/live';
import { sheetOf } from '$lib/server/cases/load-case';
import { saidBy } from '$lib/server/access/actor';
import { refusalStatus } from '$lib/server/answers';
import { database } from '$lib/server/db/database';
import { knownAdapters } from '$lib/server/live/adapters';
import { tellBench } from '$lib/server/live/bench';
import { startLive } from '$lib/server/live/runs';

const requestSchema = z.object({
  eventId: z.uuid(),
  runId: z.uuid(),
  at: moment,
  who: z.string().trim().max(60).optional(),
  source: sourceSchema,
  /** What to plug into the simulated bench before the key is turned. */
  simulate: z
    .object({
      fault: z.enum(FAULT_IDS),
      severity: z.number().min(0).max(1),
      ambientC: z.number().min(-40).max(50),
      drive: z.enum(Object.keys(DRIVES) as [DriveName, ...DriveName[]]),
      factor: z.number().min(1).max(60)
    })
    .nullable()
});

/** Begins a recording on a job. */
export async function POST({ request, params, locals }) {
  const read = requestSchema.safeParse(await request.json().catch(() => null));
  if (!read.success || !z.uuid().safeParse(params.id).success)
    return json(
      {
        ok: false,
        problems: read.error?.issues.map((i) => ({ field: i.path.join('.'), message: i.message })) ?? []
      },
      { status: 422 }
    );
  const { source, simulate, who, ...ids } = read.data;
  const refuse = (message: string) => json({ ok: false, problems: [{ message }] }, { status: 422 });
  if (source.kind === 'adapter') {
    const adapter = knownAdapters().find((a) => a.address === source.address);
    if (!adapter) return refuse(`${source.address} is not one of this workshop’s adapters`);
    if (adapter.simulated) {
      const plugged = await plugIn(adapter.address, params.id, simulate);
      if (!plugged.ok) return json(plugged, { status: 422 });
    }
  }
  const result = await startLive(database(), { ...ids, jobId: params.id, who: saidBy(locals, who), source });
  return json(result.ok ? { ok: true, runId: result.value.runId } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}

async function plugIn(
  address: string,
  jobId: string,
  simulate: z.infer<typeof requestSchema>['simulate']
): Promise<Awaited<ReturnType<typeof tellBench>>> {
  const db = database();
  const job = await db.jobs.findByPk(jobId);
  const sheet = job && (await sheetOf(db, job.vehicleId));
  if (!sheet)
    return { ok: false, problems: [{ message: 'a simulated vehicle needs a spec sheet; write it first' }] };
  return tellBench(address, { do: 'plug', spec: sheet, running: true, ...simulate });
}
