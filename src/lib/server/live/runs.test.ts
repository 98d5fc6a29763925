import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readJobFile } from '../../../core/handover/job-file';
import { testDatabase } from '../db/test-database';
import { bringIn } from '../files/bring-in';
import { exportJob } from '../files/job-export';
import { eventsOf } from '../record/events';
import { endWhatWasLeft } from './runs';
import { startRecorder } from './recorder';
import { liveBench, now, type LiveBench } from '../../../../tests/support/live-bench';

let there: LiveBench;
beforeAll(async () => void (there = await liveBench()));
afterAll(() => there.close());

describe('a recorded run', () => {
  it('is one for each vehicle at a time', async () => {
    const jobId = await there.job('L-03');
    expect((await there.start(jobId)).ok).toBe(true);
    const other = await there.start(await there.job('L-33'));
    expect(!other.ok && other.problems[0].message).toContain('adapter is recording another vehicle');
    const twice = await there.start(jobId);
    expect(!twice.ok && twice.problems[0].message).toContain('being recorded already');
    expect((await there.end(jobId)).ok).toBe(true);
    expect((await there.start(jobId)).ok).toBe(true);
    await there.end(jobId);
  });

  it('of a vehicle without a sheet is kept, and judged as a typical engine’s', async () => {
    await there.plug();
    const [jobId, runId] = [await there.job('L-09', false), randomUUID()];
    expect((await there.start(jobId, runId)).ok).toBe(true);
    const stop = startRecorder(there.db);
    await there.until(async () => (await there.timesOf(runId)).length > 20);
    expect(await there.end(jobId)).toMatchObject({ ok: true, value: { runId } });
    await stop();
    const run = (await there.db.runs.findByPk(runId))!;
    expect(run.sampleCount).toBeGreaterThan(20);
    expect((await there.db.specSheets.findByPk(run.specSheetId))!.sheet).toEqual({
      format: 'pyrethos.spec-sheet',
      version: 1,
      name: 'Tarrock Curlew 1.6'
    });
  });

  it('that caught nothing leaves no run, and says what it was', async () => {
    const jobId = await there.job('L-04');
    await there.start(jobId);
    const ended = await there.end(jobId);
    expect(ended.ok && ended.value.runId).toBeNull();
    expect(await there.db.runs.count({ where: { jobId } })).toBe(0);
    const nothing = await there.end(jobId);
    expect(!nothing.ok && nothing.problems[0].message).toContain('nothing is being recorded');
  });

  it('may be typed: readings of a thermometer make a run', async () => {
    const [jobId, runId] = [await there.job('L-05'), randomUUID()];
    await there.typedRun(jobId, runId);
    const ended = await there.end(jobId);
    expect(ended.ok && ended.value.runId).toBe(runId);
    const run = (await there.db.runs.findByPk(runId))!;
    expect([run.sampleCount, run.durationS, run.channels]).toEqual([41, 1200, ['ect_c']]);
  });

  it('whose server is killed while it ends is ended by another one, once, in the name of who ended it', async () => {
    const [jobId, runId, endId] = [await there.job('L-06'), randomUUID(), randomUUID()];
    await there.typedRun(jobId, runId);
    // What a server has written when it is killed in the middle of judging.
    await there.db.sequelize.query(
      `UPDATE recordings SET ended_at = now(), ending = $2, ending_until = now() - interval '1 second' WHERE run_id = $1`,
      { bind: [runId, JSON.stringify({ eventId: endId, who: 'Ysolt Brandy', at: now() })] }
    );
    await Promise.all([endWhatWasLeft(there.db), endWhatWasLeft(there.db)]);
    expect(await there.db.runs.count({ where: { jobId } })).toBe(1);
    expect((await eventsOf(there.db, `job:${jobId}`)).filter((e) => e.kind === 'run.ended')).toMatchObject([
      { id: endId, who: 'Ysolt Brandy' }
    ]);
    await endWhatWasLeft(there.db);
    expect(await there.db.runs.count({ where: { jobId } })).toBe(1);
  });

  it('that goes on is left out of an export, which comes in elsewhere; ended, it goes along', async () => {
    const [jobId, runId] = [await there.job('L-08'), randomUUID()];
    await there.typedRun(jobId, runId);
    const other = await testDatabase();
    const bring = async () => {
      const read = readJobFile(JSON.parse(JSON.stringify(await exportJob(there.db, jobId))));
      return read.ok ? bringIn(other.db, { jobs: [read.value] }) : read;
    };
    expect(await bring()).toMatchObject({ ok: true });
    expect(await other.db.runs.count()).toBe(0);
    await there.end(jobId);
    expect(await bring()).toMatchObject({ ok: true });
    expect(await other.db.runs.count()).toBe(1);
    await other.drop();
  });

  it('that is ended twice at once is one run, and whoever was late is told', async () => {
    const [jobId, runId] = [await there.job('L-07'), randomUUID()];
    await there.typedRun(jobId, runId);
    const answers = await Promise.all([there.end(jobId), there.end(jobId)]);
    expect(answers.some((a) => a.ok)).toBe(true);
    expect(await there.db.runs.count({ where: { jobId } })).toBe(1);
    // A run's id is taken: started again under it, the entry is a conflict.
    expect(await there.start(jobId, runId)).toMatchObject({ ok: false, problems: [{ conflict: true }] });
  });
});
