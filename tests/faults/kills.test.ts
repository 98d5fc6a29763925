import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { createServer, connect as dial, type AddressInfo, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { seeded } from '../../src/core/base/random';
import { connect, type Database } from '../../src/lib/server/db/database';
import { migrate } from '../../src/lib/server/db/migrate';
import { loadDemo } from '../../src/lib/server/files/demo';
import { blocksAfter } from '../../src/lib/server/live/samples';
import { testServer, type TestServer } from '../browser/server';
import { ownCluster, type OwnCluster } from './own-cluster';

/** How often something is killed; `PYRETHOS_KILLS=100 bin/test faults kills` by hand. */
const KILLS = Number(process.env.PYRETHOS_KILLS ?? 3);
/** Half a minute of waiting each: by hand alone. */
const byHand = it.runIf(process.env.PYRETHOS_KILLS);
const random = seeded(Number(process.env.PYRETHOS_KILLS_SEED ?? 7));
const LONG_MS = 60_000;

let cluster: OwnCluster;
let db: Database;
let server: TestServer;
beforeAll(async () => {
  cluster = ownCluster();
  db = connect(cluster.url);
  // A connection that dies with its database ends no test.
  process.on('uncaughtException', () => undefined);
  await migrate(db);
  await loadDemo(db, 'demo', new Date());
  server = await testServer(shared());
}, LONG_MS * 2);
afterAll(async () => {
  await server?.end();
  await db?.sequelize.close();
  cluster?.end();
});

/** The database of this file, which no server drops. */
const shared = () => ({ db, url: cluster.url, drop: async () => undefined });

const json = () => ({ 'Content-Type': 'application/json', Origin: server.address });
const post = async (path: string, body: object, at: TestServer = server): Promise<boolean> => {
  try {
    const answer = await fetch(at.address + path, {
      method: 'POST',
      headers: { ...json(), Origin: at.address },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(8000)
    });
    const text = await answer.text();
    if (answer.status === 422 || answer.status === 429) console.warn(answer.status, text);
    return answer.ok;
  } catch {
    return false;
  }
};
const note = (job: string, id: string) => ({
  id,
  stream: `job:${job}`,
  at: new Date().toISOString(),
  who: 'Maren Oake',
  kind: 'job.noted',
  payload: { text: `Note ${id}` }
});

/** A new job on a vehicle of the demo, with a recording on the simulated bench. */
async function recording(fleetNo: string, on = server): Promise<{ job: string; run: string }> {
  const vehicle = await on.db.vehicles.findOne({ where: { fleetNo }, rejectOnEmpty: true });
  const [job, run] = [randomUUID(), randomUUID()];
  const opened = { vehicleId: vehicle.id, complaint: 'Hot in the queue', symptoms: [] };
  const at = new Date().toISOString();
  await post(
    '/api/events',
    {
      id: randomUUID(),
      stream: `job:${job}`,
      at,
      who: 'Maren Oake',
      kind: 'job.opened',
      payload: opened
    },
    on
  );
  const began = await post(
    `/api/jobs/${job}/live`,
    {
      eventId: randomUUID(),
      runId: run,
      at,
      source: { kind: 'adapter', address: `127.0.0.1:${on.bench.port}`, name: 'Bench' },
      simulate: { fault: 'none', severity: 0, ambientC: 12, drive: 'mixed', factor: 2 }
    },
    on
  );
  expect(began).toBe(true);
  return { job, run };
}
const timesOf = async (run: string) => (await blocksAfter(db, run, 0)).flatMap((b) => b.t);
const until = (what: () => Promise<boolean>) =>
  vi.waitFor(async () => expect(await what().catch(() => false)).toBe(true), {
    timeout: LONG_MS,
    interval: 50
  });
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('what was acknowledged', () => {
  it('is there once, however often server and database are killed while people type and an engine is recorded', async () => {
    const { job, run } = await recording('QH-03');
    const acknowledged = new Set<string>();
    let waiting: ReturnType<typeof note>[] = [];
    let typing = true;
    // As the outbox does: an entry without an answer is sent again, as it was.
    const typist = (async () => {
      while (typing) {
        waiting.push(note(job, randomUUID()));
        for (const entry of [...waiting])
          if (await post('/api/events', entry)) {
            acknowledged.add(entry.id);
            waiting = waiting.filter((w) => w.id !== entry.id);
          } else break;
        await pause(15);
      }
    })();
    const gaps: number[] = [];
    let seen: number[] = [];
    for (let kill = 0; kill < KILLS; kill++) {
      await until(async () => (await timesOf(run)).length > seen.length + 8);
      await pause(random() * 400);
      seen = await timesOf(run);
      if (kill % 3 === 2) {
        cluster.kill();
        cluster.start();
      } else {
        await server.kill();
        await server.start();
      }
      const up = performance.now();
      await until(async () => (await timesOf(run)).length > seen.length);
      gaps.push(performance.now() - up);
      // Whatever anybody saw before is there still, as it was.
      expect((await timesOf(run)).slice(0, seen.length)).toEqual(seen);
    }
    typing = false;
    await typist;
    for (const entry of waiting) await until(() => post('/api/events', entry));
    const texts = (await db.events.findAll({ where: { stream: `job:${job}`, kind: 'job.noted' } })).map(
      (e) => e.id
    );
    expect([...acknowledged].filter((id) => !texts.includes(id))).toEqual([]);
    expect(new Set(texts).size).toBe(texts.length);
    const all = await timesOf(run);
    expect(all.every((t, i) => i === 0 || t > all[i - 1]!)).toBe(true);
    await until(() =>
      post(`/api/jobs/${job}/live/end`, { eventId: randomUUID(), at: new Date().toISOString() })
    );
    expect((await db.runs.findByPk(run))!.sampleCount).toBeGreaterThanOrEqual(seen.length);
    const worst = Math.max(...gaps);
    console.info(
      `${KILLS} kills, ${acknowledged.size} entries and ${all.length} samples kept, nothing lost; recorded again after ${Math.round(gaps.reduce((a, b) => a + b, 0) / gaps.length)} ms, at worst ${Math.round(worst)} ms`
    );
  });

  byHand('ends as one run, though its server is killed while it ends', async () => {
    const { job, run } = await recording('QH-05');
    await until(async () => (await timesOf(run)).length > 20);
    const ending = post(`/api/jobs/${job}/live/end`, { eventId: randomUUID(), at: new Date().toISOString() });
    await pause(random() * 120);
    await server.kill();
    await ending;
    await server.start();
    const rowOf = async () => db.runs.findByPk(run);
    const ended = async () =>
      (
        (
          await db.sequelize.query('SELECT ended_at FROM recordings WHERE run_id = $1', { bind: [run] })
        )[0] as {
          ended_at: Date | null;
        }[]
      )[0]!.ended_at !== null;
    // Killed before the server heard of it, it goes on and is ended again.
    if (!(await ended()))
      await until(() =>
        post(`/api/jobs/${job}/live/end`, { eventId: randomUUID(), at: new Date().toISOString() })
      );
    await until(async () => (await rowOf()) !== null);
    expect(await db.events.count({ where: { stream: `job:${job}`, kind: 'run.ended' } })).toBe(1);
  });
});

describe('a file that comes in', () => {
  byHand('is here whole or not at all, whenever the server is killed while it reads', async () => {
    const source = await db.jobs.findOne({ where: { number: 1 }, rejectOnEmpty: true });
    const file = await (await fetch(`${server.address}/api/jobs/${source.id}/job.json`)).text();
    // Another vehicle's and another job's of the same shape: nothing of it is here yet.
    const strange = (round: number) =>
      file
        .replace(
          /[\da-f]{8}-[\da-f]{4}-[\da-f]{4}-[\da-f]{4}-[\da-f]{12}/g,
          (id) => id.slice(0, 24) + (round + 0x1000).toString(16) + id.slice(28)
        )
        .replaceAll('QH-03', `ZZ-${round}`);
    const counts = async () => [await db.events.count(), await db.runs.count(), await db.photos.count()];
    const send = (round: number) =>
      fetch(`${server.address}/api/files`, {
        method: 'POST',
        headers: { Origin: server.address, 'Content-Type': 'application/octet-stream' },
        body: strange(round)
      }).then(
        async (answer) => (await answer.text(), answer.ok),
        () => false
      );
    const before = await counts();
    expect(await send(0)).toBe(true);
    const whole = (await counts()).map((n, i) => n - before[i]!);
    expect(whole[0]).toBeGreaterThan(0);
    let killedAmid = 0;
    for (let round = 1; round <= 6; round++) {
      const then = await counts();
      const sending = send(round);
      await pause(random() * 1500);
      await server.kill();
      const answered = await sending;
      await server.start();
      const came = (await counts()).map((n, i) => n - then[i]!);
      expect([[0, 0, 0], whole]).toContainEqual(came);
      if (answered) expect(came).toEqual(whole);
      else killedAmid++;
      // Sent again it is here, once.
      expect(await send(round)).toBe(true);
      expect((await counts()).map((n, i) => n - then[i]!)).toEqual(whole);
    }
    console.info(`six imports, ${killedAmid} killed before their answer: each whole or not at all`);
  });
});

describe('a disk that is full', () => {
  it.runIf(process.env.PYRETHOS_KILLS && process.getuid?.() === 0)(
    'is told on the page and to whoever watches, and what waited meanwhile is kept when there is room',
    async () => {
      const small = ownCluster(260);
      const own = connect(small.url);
      let full: TestServer | undefined;
      try {
        await migrate(own);
        await loadDemo(own, 'demo', new Date());
        full = await testServer({ db: own, url: small.url, drop: async () => undefined });
        const { job, run } = await recording('QH-03', full);
        const times = async () => (await blocksAfter(own, run, 0)).flatMap((b) => b.t);
        await until(async () => (await times()).length > 20);
        const before = await times();
        const health = async () => (await fetch(`${full!.address}/health`)).status;
        expect(await health()).toBe(200);
        execFileSync('bash', ['-c', 'cat /dev/zero >"$1/filler" 2>/dev/null; true', 'fill', small.folder]);
        const began = performance.now();
        // Segments of the log that are there already take entries for a while.
        let refusedWith = 0;
        await until(async () => {
          const answer = await fetch(`${full!.address}/api/events`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Origin: full!.address },
            body: JSON.stringify({ ...note(job, randomUUID()), payload: { text: 'x'.repeat(1900) } })
          });
          refusedWith = answer.ok ? 0 : answer.status;
          return !answer.ok && answer.status !== 429;
        });
        // Nothing is wrong with the entry: it waits and is sent again.
        expect(refusedWith).toBe(503);
        await until(async () => (await health()) === 503);
        console.info(`a full disk was told after ${Math.round((performance.now() - began) / 1000)} s`);
        rmSync(`${small.folder}/filler`);
        await until(async () => {
          if ((await health()) === 200) return true;
          // A database that could not write its log has ended; whoever made room starts it again.
          small.start();
          return false;
        });
        await until(async () => (await times()).length > before.length + 20);
        const all = await times();
        expect(all.slice(0, before.length)).toEqual(before);
        const gaps = all.slice(1).map((t, i) => t - all[i]!);
        console.info(`longest gap in the recording: ${Math.max(...gaps).toFixed(1)} s of the engine's time`);
      } finally {
        await full?.end();
        await own.sequelize.close();
        small.end();
      }
    }
  );
});

describe('two servers', () => {
  it('take a run over from one that is frozen within four seconds, and what it held when it wakes is dropped', async () => {
    const second = await testServer(shared());
    try {
      const { job, run } = await recording('QH-11');
      await until(async () => (await timesOf(run)).length > 10);
      const holder = async () =>
        (
          (
            await db.sequelize.query('SELECT lease_by FROM recordings WHERE run_id = $1', { bind: [run] })
          )[0] as {
            lease_by: string;
          }[]
        )[0]!.lease_by;
      const by = await holder();
      const frozen = [server, second].find((s) => by.includes(`/${s.pid()}/`))!;
      const awake = frozen === server ? second : server;
      process.kill(frozen.pid()!, 'SIGSTOP');
      const began = performance.now();
      const before = await timesOf(run);
      await until(async () => (await holder()) !== by && (await timesOf(run)).length > before.length + 3);
      const gapMs = performance.now() - began;
      process.kill(frozen.pid()!, 'SIGCONT');
      const then = (await timesOf(run)).length;
      await until(async () => (await timesOf(run)).length > then + 20);
      const all = await timesOf(run);
      expect(all.every((t, i) => i === 0 || t > all[i - 1]!)).toBe(true);
      expect(await holder()).not.toBe(by);
      console.info(`a frozen server was replaced after ${Math.round(gapMs)} ms`);
      await until(() =>
        post(`/api/jobs/${job}/live/end`, { eventId: randomUUID(), at: new Date().toISOString() }, awake)
      );
      expect((await db.runs.findByPk(run))!.sampleCount).toBe((await timesOf(run)).length);
    } finally {
      await second.end();
    }
  });

  it('take each entry once, whichever it is sent to', async () => {
    const second = await testServer(shared());
    try {
      const job = (await db.jobs.findOne({ where: { state: 'open' }, rejectOnEmpty: true })).id;
      const entries = Array.from({ length: 20 }, () => note(job, randomUUID()));
      const answers = await Promise.all(
        entries.flatMap((entry) => [server, second].map((s) => post('/api/events', entry, s)))
      );
      expect(answers.every(Boolean)).toBe(true);
      expect(await db.events.count({ where: { id: entries.map((e) => e.id) } })).toBe(entries.length);
    } finally {
      await second.end();
    }
  });
});

describe('a database that is cut off', () => {
  byHand('is told within seconds, holds nothing for ever, and is used again when it is back', async () => {
    const sockets = new Set<Socket>();
    let cut = false;
    const target = new URL(cluster.url);
    // Between server and database stands a line that can be cut without either end being told.
    const line = createServer((client) => {
      const onward = dial(Number(target.port), target.hostname);
      sockets.add(client).add(onward);
      for (const [from, to] of [
        [client, onward],
        [onward, client]
      ] as const) {
        from.on('data', (bytes) => void (cut || to.write(bytes)));
        from.on('error', () => undefined);
        from.on('close', () => to.destroy());
      }
    });
    await new Promise<void>((resolve) => void line.listen(0, '127.0.0.1', resolve));
    const url = Object.assign(new URL(cluster.url), {
      port: String((line.address() as AddressInfo).port)
    }).toString();
    const far = await testServer({ db, url, drop: async () => undefined });
    try {
      const job = (await db.jobs.findOne({ where: { state: 'open' }, rejectOnEmpty: true })).id;
      expect(await post('/api/events', note(job, randomUUID()), far)).toBe(true);
      cut = true;
      const began = performance.now();
      const answer = await fetch(`${far.address}/api/events`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Origin: far.address },
        body: JSON.stringify(note(job, randomUUID()))
      });
      expect(answer.status).toBe(503);
      console.info(
        `a cut line to the database was told after ${Math.round((performance.now() - began) / 1000)} s`
      );
      cut = false;
      // What hung on the old line is let go, as a network does that comes back.
      for (const s of sockets) s.destroy();
      await until(() => post('/api/events', note(job, randomUUID()), far));
    } finally {
      cut = false;
      for (const s of sockets) s.destroy();
      await far.end();
      line.close();
    }
  });
});
