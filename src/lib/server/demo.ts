import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { asText, sniff } from '../../core/formats/csv-sniff';
import { readSpecSheet } from '../../core/formats/spec-sheet';
import { problemText, type Result } from '../../core/result';
import type { Database } from './database';
import { log } from './log';
import { append } from './record';
import { importRun } from './runs';

const workshopSchema = z.object({
  vehicles: z.array(z.object({ fleetNo: z.string(), name: z.string(), note: z.string(), spec: z.string() })),
  jobs: z.array(
    z.object({
      key: z.string(),
      fleetNo: z.string(),
      who: z.string(),
      complaint: z.string(),
      daysAgo: z.number(),
      notes: z.array(z.string()).default([]),
      runs: z.array(z.object({ file: z.string(), hoursLater: z.number() })).default([]),
      closed: z.object({ outcome: z.string(), hoursLater: z.number() }).optional()
    })
  )
});

export type Workshop = z.infer<typeof workshopSchema>;

/** The same name gives the same id on every machine, so loading the demo twice adds nothing. */
function demoId(name: string): string {
  const h = createHash('sha256').update(`quillhaven/${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** Loads the demo workshop from its folder of open-format files. What users entered or undid stays as it is. */
export async function loadDemo(db: Database, folder: string, now: Date): Promise<number> {
  const workshop = workshopSchema.parse(JSON.parse(await readFile(join(folder, 'workshop.json'), 'utf8')));
  let added = 0;
  const count = (name: string, result: Result<{ isNew: boolean }>) => {
    if (!result.ok) throw new Error(`demo ${name}: ${result.problems.map((p) => problemText(p)).join('; ')}`);
    if (result.value.isNew) added++;
  };
  const early = new Date(now.getTime() - 400 * 86_400_000).toISOString();
  for (const v of workshop.vehicles) {
    const stream = `vehicle:${demoId(v.fleetNo)}`;
    const sheet = readSpecSheet(JSON.parse(await readFile(join(folder, v.spec), 'utf8')));
    if (!sheet.ok) throw new Error(`${v.spec}: ${sheet.problems.map((p) => problemText(p)).join('; ')}`);
    count(
      v.fleetNo,
      await append(db, {
        id: demoId(`${v.fleetNo}/entered`),
        stream,
        who: 'Demo',
        at: early,
        kind: 'vehicle.entered',
        payload: { fleetNo: v.fleetNo, name: v.name, note: v.note }
      })
    );
    count(
      v.spec,
      await append(db, {
        id: demoId(`${v.fleetNo}/sheet`),
        stream,
        who: 'Demo',
        at: early,
        kind: 'spec.saved',
        payload: { sheet: sheet.value }
      })
    );
  }
  for (const job of workshop.jobs.toSorted((a, b) => b.daysAgo - a.daysAgo)) {
    const jobId = demoId(job.key);
    const stream = `job:${jobId}`;
    const opened = now.getTime() - job.daysAgo * 86_400_000;
    const later = (hours: number) =>
      new Date(Math.min(now.getTime(), opened + hours * 3_600_000)).toISOString();
    count(
      job.key,
      await append(db, {
        id: demoId(`${job.key}/opened`),
        stream,
        who: job.who,
        at: later(0),
        kind: 'job.opened',
        payload: { vehicleId: demoId(job.fleetNo), complaint: job.complaint }
      })
    );
    for (const [i, text] of job.notes.entries())
      count(
        job.key,
        await append(db, {
          id: demoId(`${job.key}/note${i}`),
          stream,
          who: job.who,
          at: later(0.2 + i),
          kind: 'job.noted',
          payload: { text }
        })
      );
    for (const run of job.runs) {
      const file = await readFile(join(folder, run.file));
      const text = asText(file);
      const layout = text.ok ? sniff(text.value) : text;
      if (!layout.ok)
        throw new Error(`${run.file}: ${layout.problems.map((p) => problemText(p)).join('; ')}`);
      count(
        run.file,
        await importRun(db, {
          eventId: demoId(`${job.key}/${run.file}`),
          runId: demoId(`run/${job.key}/${run.file}`),
          jobId,
          who: job.who,
          at: later(run.hoursLater),
          fileName: run.file.split('/').pop()!,
          bytes: new Uint8Array(file),
          layout: layout.value,
          options: {}
        })
      );
    }
    if (job.closed)
      count(
        job.key,
        await append(db, {
          id: demoId(`${job.key}/closed`),
          stream,
          who: job.who,
          at: later(job.closed.hoursLater),
          kind: 'job.closed',
          payload: { outcome: job.closed.outcome }
        })
      );
  }
  if (added > 0) log.info({ added }, 'demo loaded');
  return added;
}
