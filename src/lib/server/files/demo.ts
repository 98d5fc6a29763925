import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { asText, sniff } from '../../../core/logs/csv-sniff';
import { readSpecSheet } from '../../../core/vehicle/read-sheet';
import { problemText, type Result } from '../../../core/base/result';
import { tableOf } from '../../../core/physics/thermistor/fit';
import { streamOf } from '../../../core/record/events';
import { SHOP_ID } from '../../../core/record/shop';
import { USUAL_COSTS } from '../../../core/record/shop-costs';
import { floorSchema } from '../../../core/record/floor';
import { dayAfter, dayIn, momentOf } from '../../../core/base/zone';
import { DEMO_WHO } from '../../../core/record/derive';
import type { Database } from '../db/database';
import { log } from '../log';
import { append } from '../record/record';
import { shopNow } from '../record/shop';
import { importRun } from '../runs/runs';
import { shopZone } from '../zone';
import { depotTimes } from './depot-hours';

/** What happened on a job, `h` hours after it was opened. Each line is one entry of the record. */
const entrySchema = z.intersection(
  z.object({ h: z.number(), who: z.string().optional() }),
  z.union([
    z.object({ note: z.string() }),
    z.object({ check: z.string(), readings: z.unknown() }),
    z.object({ engine: z.looseObject({ kind: z.string(), agoH: z.number() }) }),
    z.object({ understood: z.array(z.string()) }),
    z.object({ coolant: z.unknown() }),
    z.object({ run: z.string() }),
    z.object({ repaired: z.unknown() }),
    z.object({ closed: z.string(), cause: z.string().optional() })
  ])
);
type Entry = z.infer<typeof entrySchema>;

const workshopSchema = z.object({
  currency: z.string(),
  floor: floorSchema,
  vehicles: z.array(z.object({ fleetNo: z.string(), name: z.string(), note: z.string(), spec: z.string() })),
  curves: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      source: z.string(),
      points: z.array(z.tuple([z.number(), z.number()]))
    })
  ),
  jobs: z.array(
    z.looseObject({
      key: z.string(),
      fleetNo: z.string(),
      who: z.string(),
      openedAgoH: z.number(),
      /** Working days from now, and the time on the wall. */
      promised: z.tuple([z.number(), z.string()]).optional(),
      entries: z.array(entrySchema)
    })
  )
});
type Job = z.infer<typeof workshopSchema>['jobs'][number];

/** The same name gives the same id on every machine, so loading the demo twice adds nothing. */
function demoId(name: string): string {
  const h = createHash('sha256').update(`quillhaven/${name}`).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

const HOUR_MS = 3_600_000;
const EARLY_H = 400 * 24;

/** When entries of the demo were made that its story has so many hours ago, the oldest first. */
type DemoClock = (agoH: readonly number[], now: Date) => readonly Date[];
const asTold: DemoClock = (agoH, now) => agoH.map((h) => new Date(now.getTime() - h * HOUR_MS));
/** As a depot works: by day, on the clock of its wall. */
export const byDay: DemoClock = (agoH, now) => depotTimes(agoH, now, shopZone());

/**
 * Loads the demo workshop from its folder of open-format files. What users entered or undid stays as it is. The hours
 * of its open jobs are as told, at any time of the day, unless a clock moves them.
 */
export async function loadDemo(
  db: Database,
  folder: string,
  now: Date,
  clock: DemoClock = asTold
): Promise<number> {
  const { currency, floor, vehicles, curves, jobs } = workshopSchema.parse(
    JSON.parse(await readFile(join(folder, 'workshop.json'), 'utf8'))
  );
  let added = 0;
  const take = (name: string, result: Result<{ isNew: boolean }>) => {
    if (!result.ok) throw new Error(`demo ${name}: ${result.problems.map((p) => problemText(p)).join('; ')}`);
    if (result.value.isNew) added++;
  };
  const at = (agoH: number) => new Date(now.getTime() - Math.max(0, agoH) * HOUR_MS).toISOString();
  const shop = await shopNow(db);
  const ofShop = { stream: streamOf('shop', SHOP_ID), who: DEMO_WHO, at: at(EARLY_H) };
  if (!shop.currencyKnown) {
    const priced = { kind: 'shop.priced', payload: { ...USUAL_COSTS, currency } };
    take('prices', await append(db, { ...ofShop, id: demoId('shop/priced'), ...priced }));
  }
  if (shop.floor.people.length === 0) {
    const staffed = { kind: 'shop.staffed', payload: floor };
    take('floor', await append(db, { ...ofShop, id: demoId('shop/staffed'), ...staffed }));
  }
  for (const v of vehicles) {
    const sheet = readSpecSheet(JSON.parse(await readFile(join(folder, v.spec), 'utf8')));
    if (!sheet.ok) throw new Error(`${v.spec}: ${sheet.problems.map((p) => problemText(p)).join('; ')}`);
    const event = { stream: `vehicle:${demoId(v.fleetNo)}`, who: DEMO_WHO, at: at(EARLY_H) };
    const { fleetNo, name, note } = v;
    const entered = { kind: 'vehicle.entered', payload: { fleetNo, name, note } };
    take(fleetNo, await append(db, { ...event, id: demoId(`${fleetNo}/entered`), ...entered }));
    const saved = { kind: 'spec.saved', payload: { sheet: sheet.value } };
    take(v.spec, await append(db, { ...event, id: demoId(`${fleetNo}/sheet`), ...saved }));
  }
  for (const { key, title, source, points } of curves) {
    const payload = { title, source, curve: tableOf(points) };
    const event = { id: demoId(`curve/${key}/saved`), who: DEMO_WHO, at: at(EARLY_H) };
    const stream = `curve:${demoId(`curve/${key}`)}`;
    take(key, await append(db, { ...event, stream, kind: 'curve.saved', payload }));
  }
  for (const job of jobs.toSorted((a, b) => b.openedAgoH - a.openedAgoH)) {
    const { key, fleetNo, who, openedAgoH, promised, entries, ...intake } = job;
    const named = entries
      .map((entry, i) => ({ entry, name: nameOf(entry, i) }))
      .sort((a, b) => a.entry.h - b.entry.h);
    const [openedAt, ...times] = clock(
      [0, ...named.map((n) => n.entry.h)].map((h) => openedAgoH - h),
      now
    );
    const event = { stream: `job:${demoId(key)}`, who, at: openedAt.toISOString() };
    const opened = { kind: 'job.opened', payload: { vehicleId: demoId(fleetNo), ...intake } };
    take(key, await append(db, { ...event, id: demoId(`${key}/opened`), ...opened }));
    if (promised) {
      const payload = { at: promisedFor(now, ...promised) };
      take(key, await append(db, { ...event, id: demoId(`${key}/promised`), kind: 'job.promised', payload }));
    }
    for (const [i, { entry, name }] of named.entries()) {
      const at = times[i];
      const before = (h: number) => new Date(at.getTime() - h * HOUR_MS).toISOString();
      const line = { id: demoId(`${key}/${name}`), who: entry.who ?? who, at: at.toISOString() };
      take(
        `${key} ${name}`,
        'run' in entry
          ? await importDemoRun(db, folder, job, entry.run, line)
          : await append(db, { ...event, ...line, ...bodyOf(entry, before) })
      );
    }
  }
  if (added > 0) log.info({ added }, 'demo loaded');
  return added;
}

/** So many working days on, at a time on the wall of the depot. */
function promisedFor(now: Date, workingDays: number, time: string): string {
  const zone = shopZone();
  let day = dayIn(zone, now);
  const isSunday = () => new Date(`${day}T00:00:00Z`).getUTCDay() === 0;
  while (isSunday()) day = dayAfter(day, 1);
  for (let n = 0; n < workingDays; n++)
    do day = dayAfter(day, 1);
    while (isSunday());
  return momentOf(zone, day, time).toISOString();
}

/** Names make ids that are in people's databases already: a job's new entries go to the end of its list. */
function nameOf(entry: Entry, i: number): string {
  if ('run' in entry) return entry.run;
  if ('closed' in entry) return 'closed';
  return `entry${i}`;
}

function bodyOf(entry: Exclude<Entry, { run: string }>, before: (agoH: number) => string) {
  if ('note' in entry) return { kind: 'job.noted', payload: { text: entry.note } };
  if ('check' in entry)
    return { kind: 'check.recorded', payload: { check: entry.check, readings: entry.readings } };
  if ('understood' in entry) return { kind: 'caution.acknowledged', payload: { cautions: entry.understood } };
  if ('coolant' in entry) return { kind: 'coolant.serviced', payload: entry.coolant };
  if ('repaired' in entry) return { kind: 'repair.done', payload: entry.repaired };
  if ('closed' in entry)
    return { kind: 'job.closed', payload: { outcome: entry.closed, cause: entry.cause ?? null } };
  const { agoH, ...fact } = (entry as Extract<Entry, { engine: unknown }>).engine;
  return { kind: 'engine.noted', payload: { ...fact, at: before(agoH) } };
}

async function importDemoRun(
  db: Database,
  folder: string,
  job: Job,
  path: string,
  line: { id: string; who: string; at: string }
): Promise<Result<{ isNew: boolean }>> {
  const file = await readFile(join(folder, path));
  const text = asText(file);
  const layout = text.ok ? sniff(text.value) : text;
  if (!layout.ok) return layout;
  return importRun(db, {
    eventId: line.id,
    runId: demoId(`run/${job.key}/${path}`),
    jobId: demoId(job.key),
    who: line.who,
    at: line.at,
    fileName: path.split('/').pop()!,
    bytes: new Uint8Array(file),
    layout: layout.value,
    options: {}
  });
}
