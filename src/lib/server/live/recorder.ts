import { randomUUID } from 'node:crypto';
import { hostname } from 'node:os';
import { QueryTypes } from 'sequelize';
import type { ChannelKey } from '../../../core/logs/channels';
import type { Database } from '../db/database';
import { log } from '../log';
import { AdapterLost, socketAdapter, type ScanAdapter } from './adapter';
import { poll, type Sample } from './poll';
import { endWhatWasLeft } from './runs';
import { unitSays } from './unit-says';
import { setUnsaved } from './unsaved';

/** What a recording is doing, as viewers are told. */
type RecorderState = 'waiting' | 'recording' | 'no-answer' | 'adapter-gone';

/** A run is taken over within a lease and a look: under four seconds, with the adapter's greeting. */
const LEASE_S = 2;
const LOOK_MS = 500;
const SAMPLE_MS = 100;
const FLUSH_MS = 400;
const RECONNECT_MS = 1000;
/** Requests without an answer in a row before viewers are told. */
const UNANSWERED = 4;

interface Row {
  readonly run_id: string;
  readonly address: string;
  readonly first_stamp: number | null;
  /** Counts the holders: what is saved says which one it comes from. */
  readonly lease_epoch: string;
}

/**
 * Records every run that is open and that no other server process records. A recording is held by a lease of a few
 * seconds: when a process dies, another one, or the same started again, goes on with it. Samples are in the
 * database before any viewer sees them.
 */
export function startRecorder(db: Database): () => Promise<void> {
  const me = `${hostname()}/${process.pid}/${randomUUID().slice(0, 8)}`;
  const mine = new Map<string, Recording>();
  let stopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  async function look(): Promise<void> {
    const rows = await db.sequelize.query<Row>(
      `UPDATE recordings SET lease_by = $1, lease_until = now() + interval '${LEASE_S} seconds',
         lease_epoch = lease_epoch + CASE WHEN lease_by = $1 THEN 0 ELSE 1 END
       WHERE ended_at IS NULL AND address IS NOT NULL AND (lease_by = $1 OR lease_until < now())
       RETURNING run_id, address, first_stamp, lease_epoch`,
      { bind: [me], type: QueryTypes.SELECT }
    );
    // Held again after another one held it is another recording: its clock and its last sample are others.
    const keyOf = (r: Row) => `${r.run_id} ${r.lease_epoch}`;
    const held = new Set(rows.map(keyOf));
    for (const [key, recording] of mine)
      if (!held.has(key)) {
        mine.delete(key);
        void recording.stop();
      }
    for (const row of rows) if (!mine.has(keyOf(row))) mine.set(keyOf(row), record(db, row));
  }

  const round = async () => {
    await endWhatWasLeft(db).catch((error: Error) =>
      log.warn({ error: error.message }, 'endings that were left cannot be done')
    );
    await look().catch((error: Error) => log.warn({ error: error.message }, 'recorder cannot look'));
    if (!stopped) timer = setTimeout(() => void round(), LOOK_MS);
  };
  void round();

  return async () => {
    stopped = true;
    clearTimeout(timer);
    await Promise.all([...mine.values()].map((r) => r.stop()));
    // Whoever comes next need not wait for the lease to run out.
    await db.sequelize
      .query("UPDATE recordings SET lease_until = now() - interval '1 second' WHERE lease_by = $1", {
        bind: [me]
      })
      .catch(() => undefined);
  };
}

interface Recording {
  stop(): Promise<void>;
}

function record(db: Database, { run_id: runId, address, first_stamp, lease_epoch: epoch }: Row): Recording {
  let stopped = false;
  let first = first_stamp;
  let state: RecorderState | null = null;
  let buffer: { t: number; values: Sample['values'] }[] = [];
  let lastT = -1;
  let said = first_stamp !== null;
  let flushing: Promise<void> = Promise.resolve();

  async function tell(next: RecorderState): Promise<void> {
    if (next === state) return;
    state = next;
    await db.sequelize.query('UPDATE recordings SET state = $2 WHERE run_id = $1', { bind: [runId, next] });
    await db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [`live:${runId}`] });
  }

  async function flush(): Promise<void> {
    const samples = buffer;
    buffer = [];
    if (samples.length === 0) return;
    try {
      const kept = await saveSamples(db, runId, samples, epoch);
      setUnsaved(runId, false);
      if (kept) return;
      // This process slept, and another one recorded the same meanwhile.
      stopped = true;
      log.warn({ runId }, 'another process holds this run; samples of before are dropped');
    } catch (error) {
      // The database is away or takes no more: the samples wait here until it does.
      buffer = [...samples, ...buffer];
      setUnsaved(runId, true);
      log.warn({ runId, error: (error as Error).message }, 'samples wait for the database');
    }
  }

  /** Times are those of the adapter's clock; one that began anew is set to go on where it left off. */
  async function timeOf(stamp: number): Promise<number> {
    if (first === null) {
      first = stamp;
      await db.sequelize.query('UPDATE recordings SET first_stamp = $2 WHERE run_id = $1', {
        bind: [runId, first]
      });
    }
    if (lastT >= 0 && stamp - first < lastT) first = stamp - lastT - SAMPLE_MS / 1000;
    return stamp - first;
  }

  /** Asked once for each run, before its first sample. */
  async function askUnit(adapter: ScanAdapter): Promise<void> {
    if (said) return;
    said = true;
    await db.sequelize.query(
      'UPDATE recordings SET unit_says = $2::text[] WHERE run_id = $1 AND unit_says IS NULL',
      { bind: [runId, await unitSays(adapter)] }
    );
  }

  async function session(adapter: ScanAdapter): Promise<void> {
    await askUnit(adapter);
    let missed = 0;
    while (!stopped) {
      const began = Date.now();
      const sample = await poll(adapter);
      if (sample) {
        missed = 0;
        const t = await timeOf(sample.stamp);
        if (t > lastT) buffer.push({ t, values: sample.values });
        lastT = Math.max(lastT, t);
        await tell('recording');
      } else if (++missed >= UNANSWERED) await tell('no-answer');
      await sleep(Math.max(5, SAMPLE_MS - (Date.now() - began)));
    }
  }

  const ticking = setInterval(() => (flushing = flushing.then(flush)), FLUSH_MS);
  const done = (async () => {
    lastT = await lastTimeOf(db, runId);
    while (!stopped) {
      let adapter: ScanAdapter | undefined;
      try {
        adapter = await socketAdapter(address);
        await session(adapter);
      } catch (error) {
        if (!(error instanceof AdapterLost))
          log.warn({ runId, error: (error as Error).message }, 'recording faltered');
        await tell('adapter-gone').catch(() => undefined);
        await sleep(RECONNECT_MS);
      } finally {
        adapter?.close();
      }
    }
  })();

  return {
    async stop() {
      stopped = true;
      await done;
      clearInterval(ticking);
      await flushing;
      await flush();
      setUnsaved(runId, false);
    }
  };
}

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function lastTimeOf(db: Database, runId: string): Promise<number> {
  const [row] = await db.sequelize.query<{ t: number | null }>(
    'SELECT t[array_length(t, 1)] AS t FROM live_samples WHERE run_id = $1 ORDER BY seq DESC LIMIT 1',
    { bind: [runId], type: QueryTypes.SELECT }
  );
  return row?.t ?? -1;
}

/**
 * Keeps samples of a run and tells viewers, in one transaction. False, and nothing kept, where the run has had another
 * holder since `epoch`.
 */
export async function saveSamples(
  db: Database,
  runId: string,
  samples: readonly { readonly t: number; readonly values: Sample['values'] }[],
  epoch: string
): Promise<boolean> {
  const keys = [...new Set(samples.flatMap((s) => Object.keys(s.values)))] as ChannelKey[];
  const channels = Object.fromEntries(keys.map((key) => [key, samples.map((s) => s.values[key] ?? null)]));
  return db.sequelize.transaction(async (transaction) => {
    const [kept] = await db.sequelize.query(
      `WITH held AS (SELECT run_id FROM recordings WHERE run_id = $1 AND lease_epoch = $4 FOR SHARE)
       INSERT INTO live_samples (run_id, t, channels) SELECT run_id, $2, $3 FROM held RETURNING seq`,
      {
        bind: [runId, samples.map((s) => s.t), JSON.stringify(channels), epoch],
        transaction
      }
    );
    if (kept.length === 0) return false;
    await db.sequelize.query("SELECT pg_notify('pyrethos', $1)", { bind: [`live:${runId}`], transaction });
    return true;
  });
}
