import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { jsonIn } from '$core/base/json-in';
import { CHANNELS } from '$core/logs/channels';
import type { Layout } from '$core/logs/csv-sniff';
import { MAX_LOG_BYTES } from '$core/logs/csv-text';
import { TIME_FORMATS, type TimeFormat } from '$core/logs/csv-time';
import { findUnit } from '$core/units/units';
import { dayOf, moment } from '$core/record/moment';
import { refusalStatus } from '$lib/server/answers';
import { database } from '$lib/server/db/database';
import { importRun } from '$lib/server/runs/runs';

const channelKeys = CHANNELS.map((c) => c.key);
const useSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('time'),
    format: z.enum(Object.keys(TIME_FORMATS) as [TimeFormat, ...TimeFormat[]])
  }),
  z
    .object({ kind: z.literal('channel'), channel: z.enum(channelKeys), unit: z.string() })
    .refine(
      (u) => findUnit(CHANNELS.find((c) => c.key === u.channel)!.kind, u.unit),
      'the unit does not fit the quantity'
    ),
  z.object({ kind: z.literal('started') }),
  z.object({ kind: z.literal('event') }),
  z.object({ kind: z.literal('ignore') })
]);
const requestSchema = z.object({
  eventId: z.uuid(),
  runId: z.uuid(),
  at: moment,
  skipBrokenRows: z.boolean(),
  asItIs: z.boolean(),
  layout: z
    .object({
      delimiter: z.enum([',', ';', '\t', '|']),
      decimal: z.enum(['.', ',']),
      headerLine: z.number().int().min(0),
      dataLine: z.number().int().min(1),
      recorded: z
        .object({ date: dayOf('A day looks like 2026-12-24').optional(), clock: z.iso.time().optional() })
        .nullable(),
      columns: z
        .array(
          z.object({ header: z.string().max(500), use: useSchema, why: z.string(), doubtful: z.boolean() })
        )
        .max(500)
    })
    .nullable()
});

/** A log file with the columns as the user confirmed them; judged and saved, or refused with every problem named. */
export async function POST({ request, params, locals }) {
  const refuse = (status: number, message: string) =>
    json({ ok: false, problems: [{ message }] }, { status });
  if (Number(request.headers.get('content-length') ?? 0) > MAX_LOG_BYTES + 1_000_000)
    return refuse(413, `the file is over the limit of ${MAX_LOG_BYTES / 1048576} MiB; cut it into parts`);
  if (!z.uuid().safeParse(params.id).success) return refuse(404, 'no such job');
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    return refuse(400, 'the upload was cut off; send the file again');
  }
  const file = form.get('file');
  if (!(file instanceof File)) return refuse(400, 'no file came with the request');
  const meta = requestSchema.safeParse(parsed(form.get('meta')));
  if (!meta.success)
    return json(
      {
        ok: false,
        problems: meta.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message }))
      },
      { status: 422 }
    );
  const { layout, skipBrokenRows, asItIs, ...ids } = meta.data;
  const result = await importRun(database(), {
    ...ids,
    jobId: params.id,
    who: locals.who,
    fileName: file.name.replaceAll('\0', '').toWellFormed().slice(0, 255),
    bytes: new Uint8Array(await file.arrayBuffer()),
    layout: layout && ({ ...layout, preview: [] } satisfies Layout),
    options: { skipBrokenRows, asItIs }
  });
  return json(result.ok ? { ok: true, runId: result.value.runId, warnings: result.warnings } : result, {
    status: result.ok ? 200 : refusalStatus(result.problems)
  });
}

function parsed(text: FormDataEntryValue | null): unknown {
  try {
    return jsonIn(String(text));
  } catch {
    return null;
  }
}
