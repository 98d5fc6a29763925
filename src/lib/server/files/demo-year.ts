import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { zoneOffsetMs } from '../../../core/base/zone';
import { readJobFile, type JobFile } from '../../../core/handover/job-file';
import { problemText } from '../../../core/base/result';
import { bringIn } from './bring-in';
import type { Database } from '../db/database';
import { log } from '../log';
import { shopZone } from '../zone';

const DAY_MS = 86_400_000;
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;
const DATE = /^\d{4}-\d\d-\d\d$/;

/** Moves every moment and date in a file by whole days, so that a year that was made once ends today. */
function moved<T>(value: T, byMs: number): T {
  if (typeof value === 'string') {
    if (MOMENT.test(value)) return new Date(Date.parse(value) + byMs).toISOString() as T;
    if (DATE.test(value)) return new Date(Date.parse(value) + byMs).toISOString().slice(0, 10) as T;
    return value;
  }
  if (Array.isArray(value)) return value.map((v: unknown) => moved(v, byMs)) as T;
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, moved(v as unknown, byMs)])) as T;
  return value;
}

/** A year of the depot from its job files (demo/year.ts made them). Jobs that are here already stay as they are. */
export async function loadYear(db: Database, folder: string, now: Date): Promise<number> {
  const names = (await readdir(folder)).filter((n) => n.endsWith('.job.json')).sort();
  const files: JobFile[] = [];
  const offset = zoneOffsetMs(shopZone(), now);
  for (const name of names) {
    const json = JSON.parse(await readFile(join(folder, name), 'utf8')) as { exportedAt: string };
    // By whole weeks, so that a working day stays one; its hours are those on the wall.
    const days = 7 * Math.floor((now.getTime() + offset - Date.parse(json.exportedAt)) / (7 * DAY_MS));
    const read = readJobFile(moved(json, days * DAY_MS - offset));
    if (!read.ok) throw new Error(`demo ${name}: ${problemText(read.problems[0])}`);
    files.push(read.value);
  }
  const openings = files.map((f) => f.events[0].id);
  const here = await db.events.findAll({ where: { id: openings }, attributes: ['id'] });
  const known = new Set(here.map((e) => e.id));
  const fresh = files.filter((f) => !known.has(f.events[0].id));
  if (fresh.length === 0) return 0;
  const brought = await bringIn(db, { jobs: fresh, trusted: true });
  if (!brought.ok) throw new Error(`demo year: ${problemText(brought.problems[0])}`);
  log.info({ jobs: fresh.length, entries: brought.value.entries }, 'the demo year loaded');
  return fresh.length;
}
