import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { counts, recordBench } from '../../../../tests/support/record-bench';
import { append } from '../record/record';
import { holdDatabase } from './hold';
import { MIGRATION_NAMES } from './migrate';
import { testDatabase } from './test-database';

const run = promisify(execFile);
let away: Awaited<ReturnType<typeof testDatabase>>;
let jobId: string;

beforeAll(async () => {
  away = await testDatabase();
  for (const fleetNo of ['B-01', 'B-02'])
    ({ jobId } = await recordBench(() => away.db).vehicleWithJob(fleetNo));
});
afterAll(() => away.drop());

describe('bin/backup and bin/restore', () => {
  it('bring back what was there, and refuse what is no backup', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'backup-'));
    const made = join(folder, 'a.backup');
    const env = { ...process.env, DATABASE_URL: away.url };
    await run('bin/backup', [made], { env });
    const before = await counts(away.db);
    const note = {
      stream: `job:${jobId}`,
      who: 'X',
      at: new Date().toISOString(),
      kind: 'job.noted',
      payload: { text: 'Lost again' }
    };
    await append(away.db, { id: randomUUID(), ...note });
    expect(await counts(away.db)).not.toEqual(before);
    await away.db.sequelize.query('SELECT 1');
    await run('bin/restore', [made], { env });
    expect(await counts(away.db)).toEqual(before);
    // The record still refuses to be changed.
    await expect(away.db.sequelize.query("UPDATE events SET who = 'X'")).rejects.toThrow();
    writeFileSync(join(folder, 'b.backup'), 'nothing');
    await expect(run('bin/restore', [join(folder, 'b.backup')], { env })).rejects.toThrow(/is no backup/);
    await expect(run('bin/backup', [made], { env })).rejects.toThrow(/is there already/);
    expect(readFileSync(made).length).toBeGreaterThan(1000);
    // Nobody else on the machine reads it.
    expect(statSync(made).mode & 0o077).toBe(0);
  }, 120_000);

  it('bring an older backup in, with what came since left out, and to the version of this program', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'backup-'));
    const made = join(folder, 'old.backup');
    const old = await testDatabase('0008-cases');
    const now = await testDatabase();
    const note = {
      id: randomUUID(),
      stream: `vehicle:${randomUUID()}`,
      who: 'X',
      at: new Date().toISOString()
    };
    await old.db.sequelize.query(
      'INSERT INTO events (id, stream, kind, payload, who, at, version) VALUES ($1, $2, $3, $4, $5, $6, 2)',
      {
        bind: [
          note.id,
          note.stream,
          'vehicle.entered',
          JSON.stringify({ fleetNo: 'O-1', name: 'Curlew', note: '' }),
          note.who,
          note.at
        ]
      }
    );
    await run('bin/backup', [made], { env: { ...process.env, DATABASE_URL: old.url } });
    await now.db.sequelize.query('CREATE TABLE left_over (id int)');
    const env = { ...process.env, DATABASE_URL: now.url };

    // Not under a server that works on it, whatever its address.
    const letGo = await holdDatabase(now.url);
    await expect(run('bin/restore', [made], { env })).rejects.toThrow(/is running on this database; stop it/);
    await letGo();
    await run('bin/restore', [made], { env });
    const [tables] = await now.db.sequelize.query("SELECT to_regclass('left_over') AS there");
    expect(tables).toEqual([{ there: null }]);
    const [done] = await now.db.sequelize.query('SELECT name FROM migrations ORDER BY name');
    expect(done).toHaveLength(MIGRATION_NAMES.length);
    expect((await now.db.events.findAll()).map((e) => e.id)).toEqual([note.id]);
    await old.drop();
    await now.drop();
  }, 120_000);

  it('lock a backup with a passphrase: without it nothing is restored, and nothing is changed', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'backup-'));
    const made = join(folder, 'locked.backup');
    const key = (PYRETHOS_BACKUP_KEY: string) => ({
      env: { ...process.env, DATABASE_URL: away.url, PYRETHOS_BACKUP_KEY }
    });
    await expect(run('bin/backup', ['--encrypt', made], key('short'))).rejects.toThrow(/twelve characters/);
    await run('bin/backup', ['--encrypt', made], key('a long passphrase'));
    expect(readFileSync(made).subarray(0, 12).toString()).toBe('PYRETHOS-GCM');
    const before = await counts(away.db);
    await expect(run('bin/restore', [made], key('another passphrase'))).rejects.toThrow(/does not open/);
    await run('bin/restore', [made], key('a long passphrase'));
    expect(await counts(away.db)).toEqual(before);
  }, 120_000);

  it('keep the newest of seven days and of five weeks', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'backups-'));
    const day = (n: number) => new Date(Date.UTC(2026, 10, 28) - n * 86_400_000).toISOString().slice(0, 10);
    for (let n = 0; n < 60; n++)
      for (const hour of ['0600', '1800'])
        writeFileSync(join(folder, `pyrethos-${day(n)}-${hour}.backup`), '');
    await run('bash', ['-c', '. bin/lib.sh; keep_backups "$1"', 'bash', folder]);
    const kept = readdirSync(folder).sort();
    expect(kept.every((f) => f.endsWith('-1800.backup'))).toBe(true);
    expect(kept.slice(-7)).toEqual([6, 5, 4, 3, 2, 1, 0].map((n) => `pyrethos-${day(n)}-1800.backup`));
    // Beside the seven days the last day of each of the weeks before.
    expect(kept.length).toBe(7 + 3);
  });
});
