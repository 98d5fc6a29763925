import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readLog } from '../../../core/logs/csv-import';
import { analyse } from '../../../core/runs/analyse';
import { projectLines } from '../cases/lines';
import { eventsOf } from '../record/events';
import { jobLines } from '../views/lists';
import { migrate, MIGRATION_NAMES } from './migrate';
import { testDatabase } from './test-database';

const sheet = JSON.parse(readFileSync('demo/specs/qh-03-curlew.spec.json', 'utf8'));
const read = readLog(readFileSync('demo/runs/qh-03-proof.csv'));
if (!read.ok) throw new Error('the demo run cannot be read');
const analysis = analyse(read.value.log, sheet);
const AT = '2026-03-02T08:00:00.000Z';

describe('migrations', () => {
  it('are run once, in order', async () => {
    const { db, drop } = await testDatabase('0001-ground');
    expect(await migrate(db)).toEqual(MIGRATION_NAMES.slice(1));
    expect(await migrate(db)).toEqual([]);
    await drop();
  });

  it('to versions and cases keep the record, bring it up to date where it is read, and sum up jobs and runs', async () => {
    const { db, drop } = await testDatabase('0006-endings');
    const [vehicle, job, run, sheetId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
    const sql = (text: string, bind: unknown[]) => db.sequelize.query(text, { bind });
    const event = (stream: string, kind: string, payload: object, id: string = randomUUID()) =>
      sql('INSERT INTO events (id, stream, kind, payload, who, at) VALUES ($1, $2, $3, $4, $5, $6)', [
        id,
        stream,
        kind,
        JSON.stringify(payload),
        'Tobin Skarre',
        AT
      ]);
    await event(`vehicle:${vehicle}`, 'vehicle.entered', { fleetNo: 'M-03', name: 'Curlew', note: '' });
    await event(`vehicle:${vehicle}`, 'spec.saved', { sheet }, sheetId);
    await event(`job:${job}`, 'job.opened', { vehicleId: vehicle, complaint: 'No fan' });
    await event(`job:${job}`, 'check.recorded', {
      check: 'relay-socket',
      readings: { judged: 'fail', found: 'No feed at 30' },
      confirmed: [],
      replaces: null
    });
    await event(`job:${job}`, 'run.imported', {
      runId: run,
      fileName: 'a.csv',
      sizeBytes: 1,
      columns: [],
      skippedRows: 0
    });
    await sql("INSERT INTO vehicles (id, fleet_no, name, note) VALUES ($1, 'M-03', 'Curlew', '')", [vehicle]);
    await sql('INSERT INTO spec_sheets (id, vehicle_id, sheet) VALUES ($1, $2, $3)', [
      sheetId,
      vehicle,
      JSON.stringify(sheet)
    ]);
    await sql('UPDATE vehicles SET spec_sheet_id = $2 WHERE id = $1', [vehicle, sheetId]);
    await sql(
      "INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at) VALUES ($1, $2, 'No fan', 'open', $3, $3)",
      [job, vehicle, AT]
    );
    await sql(
      `INSERT INTO runs (id, job_id, spec_sheet_id, file_name, imported_at, duration_s, sample_count, channels, marks, report, import_warnings, analysis, preview, standing)
       VALUES ($1, $2, $3, 'a.csv', $4, 1800, 2, '{ect_c}', '[]', '{}', '[]', $5, '{"t": [0, 1800], "ect": [5, 91]}', true)`,
      [run, job, sheetId, AT, JSON.stringify(analysis)]
    );

    expect(await migrate(db)).toEqual(MIGRATION_NAMES.slice(MIGRATION_NAMES.indexOf('0007-versions')));

    const events = await eventsOf(db, `job:${job}`);
    expect(events.map((e) => e.version)).toEqual([2, 2, 2]);
    const stored = await db.events.findAll({ attributes: ['version'], raw: true });
    expect(new Set(stored.map((e) => e.version))).toEqual(new Set([1]));
    const row = await db.runs.findByPk(run, { rejectOnEmpty: true });
    expect(row.summary).toMatchObject({ at: AT, verdict: 'none', heat: { endC: 91, endedAt: null } });
    expect(row.fingerprint).toMatchObject({ runId: run });
    expect(await projectLines(db)).toBe(1);
    const [line] = await jobLines(db);
    expect(line.results).toEqual([{ check: 'relay-socket', result: 'fail' }]);
    expect(line.lastRun!.title).toBe('Works as designed');
    await drop();
  });

  it('to endings find the recordings that were ended and never became a run', async () => {
    const { db, drop } = await testDatabase('0010-demo');
    const sql = (text: string, bind: unknown[]) => db.sequelize.query(text, { bind });
    const [vehicle, lost, cancelled] = [randomUUID(), randomUUID(), randomUUID()];
    await sql("INSERT INTO vehicles (id, fleet_no, name, note) VALUES ($1, 'M-04', 'Curlew', '')", [vehicle]);
    for (const [run, undone] of [
      [lost, false],
      [cancelled, true]
    ] as const) {
      const [job, started] = [randomUUID(), randomUUID()];
      const event = (id: string, kind: string, payload: object) =>
        sql("INSERT INTO events (id, stream, kind, payload, who, at) VALUES ($1, $2, $3, $4, 'X', $5)", [
          id,
          `job:${job}`,
          kind,
          JSON.stringify(payload),
          AT
        ]);
      await sql(
        "INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at) VALUES ($1, $2, 'Hot', 'open', $3, $3)",
        [job, vehicle, AT]
      );
      await event(started, 'run.started', { runId: run });
      if (undone) await event(randomUUID(), 'undo', { of: started });
      await sql(
        'INSERT INTO recordings (run_id, job_id, vehicle_id, started_at, ended_at) VALUES ($1, $2, $3, $4, $4)',
        [run, job, vehicle, AT]
      );
    }
    expect(await migrate(db)).toContain('0011-ending');
    const [rows] = await db.sequelize.query('SELECT run_id FROM recordings WHERE ending IS NOT NULL');
    expect(rows).toEqual([{ run_id: lost }]);
    await drop();
  });

  it('to photos give each the record it belongs to', async () => {
    const { db, drop } = await testDatabase('0011-ending');
    const sql = (text: string, bind: unknown[]) => db.sequelize.query(text, { bind });
    const [vehicle, job, photo] = [randomUUID(), randomUUID(), randomUUID()];
    await sql("INSERT INTO vehicles (id, fleet_no, name, note) VALUES ($1, 'M-05', 'Curlew', '')", [vehicle]);
    await sql(
      "INSERT INTO jobs (id, vehicle_id, complaint, state, opened_at, last_at) VALUES ($1, $2, 'Hot', 'open', $3, $3)",
      [job, vehicle, AT]
    );
    await sql("INSERT INTO photos (id, job_id, mime, data) VALUES ($1, $2, 'image/png', 'x')", [photo, job]);
    expect((await migrate(db))[0]).toBe('0012-photos');
    expect((await db.photos.findByPk(photo, { rejectOnEmpty: true })).stream).toBe(`job:${job}`);
    await drop();
  });
});
