import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { QueryTypes } from 'sequelize';
import { append } from '../record/record';
import { eventsOf } from '../record/events';
import { samplesOf } from '../runs/runs';
import { tellBench } from './bench';
import { liveStream } from './stream';
import { unsavedRuns } from './unsaved';
import { saveSamples, startRecorder } from './recorder';
import { liveBench, now, type LiveBench } from '../../../../tests/support/live-bench';

/** How much faster than the wall's the bench's clock runs. */
const FACTOR = 60;

let there: LiveBench;
beforeAll(async () => void (there = await liveBench()));
afterAll(() => there.close());

describe('a recording', () => {
  it('goes on where another server process left it, loses nothing, and becomes a judged run', async () => {
    await there.plug({ fault: 'thermostat-stuck-open', severity: 0.6, codes: ['P0128'] });
    const [jobId, runId] = [await there.job('L-01'), randomUUID()];
    expect((await there.start(jobId, runId)).ok).toBe(true);
    const first = startRecorder(there.db);
    await there.until(async () => (await there.timesOf(runId)).length > 20);
    const seen = await there.timesOf(runId);
    await first();
    const second = startRecorder(there.db);
    await there.until(async () => (await there.timesOf(runId)).at(-1)! > 400);
    const all = await there.timesOf(runId);
    expect(all.slice(0, seen.length)).toEqual(seen);
    expect(all.every((t, i) => i === 0 || t > all[i - 1])).toBe(true);
    await append(there.db, {
      id: randomUUID(),
      stream: `job:${jobId}`,
      who: 'Maren Oake',
      at: now(),
      kind: 'run.marked',
      payload: { runId, t: 420, mark: 'hose', text: '' }
    });
    const ending = randomUUID();
    const ended = await there.end(jobId, ending);
    expect(ended.ok && ended.value.runId).toBe(runId);
    const run = (await there.db.runs.findByPk(runId))!;
    expect(run.analysis.features.maxC).toBeLessThan(80);
    // Asked once when it began, not again by the process that took it over.
    expect(run.importWarnings).toEqual([
      expect.stringMatching(/own tests since codes were cleared: 7 of 7 complete; lamp on, 1 code$/),
      expect.stringMatching(/^when P0128 was set/)
    ]);
    expect(run.marks).toEqual([{ t: 420, text: 'Hose hot' }]);
    const kept = [...(await samplesOf(there.db, run)).t];
    expect(kept.slice(0, all.length)).toEqual(all);
    expect((await there.end(jobId, ending)).ok).toBe(true);
    expect((await eventsOf(there.db, `job:${jobId}`)).filter((e) => e.kind === 'run.ended')).toHaveLength(1);
    await second();
  });

  it('that another process holds takes nothing from one that slept', async () => {
    await there.plug({ fault: 'none', severity: 0 });
    const [jobId, runId] = [await there.job('L-12'), randomUUID()];
    expect((await there.start(jobId, runId)).ok).toBe(true);
    const first = startRecorder(there.db);
    await there.until(async () => (await there.timesOf(runId)).length > 5);
    const epoch = async () =>
      (
        await there.db.sequelize.query<{ lease_epoch: string }>(
          'SELECT lease_epoch FROM recordings WHERE run_id = $1',
          { bind: [runId], type: QueryTypes.SELECT }
        )
      )[0]!.lease_epoch;
    const before = await epoch();
    // As if it had been frozen until another one took over.
    await there.db.sequelize.query(
      "UPDATE recordings SET lease_by = 'another', lease_until = now() + interval '4 seconds', lease_epoch = lease_epoch + 1 WHERE run_id = $1",
      { bind: [runId] }
    );
    const held = (await there.timesOf(runId)).length;
    expect(await saveSamples(there.db, runId, [{ t: 9999, values: { ect_c: 20 } }], before)).toBe(false);
    // The other one went away: it is taken up again, by a new count.
    await there.until(async () => (await there.timesOf(runId)).length > held + 20);
    expect(BigInt(await epoch())).toBe(BigInt(before) + 2n);
    const all = await there.timesOf(runId);
    expect(all.every((t, i) => i === 0 || t > all[i - 1])).toBe(true);
    await there.end(jobId, randomUUID());
    await first();
  });

  it('says loudly that the database takes no more, and keeps every reading until it does', async () => {
    await there.plug({ fault: 'none', severity: 0 });
    const [jobId, runId] = [await there.job('L-13'), randomUUID()];
    expect((await there.start(jobId, runId)).ok).toBe(true);
    const recorder = startRecorder(there.db);
    const states: string[] = [];
    const reader = liveStream(there.db, runId, 0).getReader();
    const watching = (async () => {
      for (;;) {
        const { done, value } = await reader.read();
        if (done) return;
        for (const [, state] of new TextDecoder().decode(value).matchAll(/"state":"([^"]+)"/g))
          states.push(state!);
      }
    })();
    await there.until(async () => (await there.timesOf(runId)).length > 5);
    // What PostgreSQL says where the disk is full.
    await there.db.sequelize.query(`CREATE FUNCTION full_disk() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN RAISE EXCEPTION 'could not extend file: No space left on device' USING ERRCODE = '53100'; END $$`);
    await there.db.sequelize.query(
      'CREATE TRIGGER full_disk BEFORE INSERT ON live_samples FOR EACH STATEMENT EXECUTE FUNCTION full_disk()'
    );
    const refusedFrom = performance.now();
    await there.until(async () => states.at(-1) === 'not-kept');
    expect(unsavedRuns()).toBe(1);
    const kept = (await there.timesOf(runId)).at(-1)!;
    // The engine runs on for a minute and a half of its clock while nothing is taken.
    await there.until(async () => ((performance.now() - refusedFrom) / 1000) * FACTOR > 90);
    const refusedTo = performance.now();
    await there.db.sequelize.query('DROP TRIGGER full_disk ON live_samples');
    await there.until(async () => states.at(-1) === 'recording');
    expect(unsavedRuns()).toBe(0);
    await there.until(async () => (await there.timesOf(runId)).at(-1)! > kept + 5);
    const all = await there.timesOf(runId);
    // Readings of the time in which nothing was taken are there: had they been dropped, the first would come after it.
    const refusedS = (refusedTo - refusedFrom) / 1000;
    expect(all.filter((t) => t > kept && t < kept + 0.8 * refusedS * FACTOR).length).toBeGreaterThan(0);
    await there.end(jobId, randomUUID());
    await recorder();
    await reader.cancel();
    await watching;
  });

  it('tells that the adapter was pulled out, and goes on when it is back', async () => {
    await there.plug();
    const [jobId, runId] = [await there.job('L-02'), randomUUID()];
    await there.start(jobId, runId);
    const stop = startRecorder(there.db);
    const state = async () => {
      const [rows] = await there.db.sequelize.query('SELECT state FROM recordings WHERE run_id = $1', {
        bind: [runId]
      });
      return (rows as { state: string }[])[0].state;
    };
    await there.until(async () => (await state()) === 'recording');
    await tellBench(there.address, { do: 'pull' });
    await there.until(async () => ['adapter-gone', 'no-answer'].includes(await state()));
    const before = (await there.timesOf(runId)).length;
    await tellBench(there.address, { do: 'insert' });
    await there.until(
      async () => (await state()) === 'recording' && (await there.timesOf(runId)).length > before + 5
    );
    const result = await there.end(jobId);
    expect(result.ok).toBe(true);
    expect((await there.db.runs.findByPk(runId))!.report.gaps.length).toBeGreaterThan(0);
    await stop();
  });
});
