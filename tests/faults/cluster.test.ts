import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, it, vi } from 'vitest';
import { connect } from '../../src/lib/server/db/database';
import { migrate } from '../../src/lib/server/db/migrate';
import { loadDemo } from '../../src/lib/server/files/demo';
import { blocksAfter } from '../../src/lib/server/live/samples';
import { testServer, type TestServer } from '../browser/server';
import { ownCluster, postmaster } from './own-cluster';
import { asked, certificate, freePort, pool, proxy, watched, withStandby } from './several-machines';

const LONG_MS = 60_000;
/** Takes packages that no test needs otherwise: by hand, `PYRETHOS_CLUSTER=1 bin/test faults cluster`. */
const byHand = it.runIf(process.env.PYRETHOS_CLUSTER);

byHand(
  'behind a proxy and a pool, a primary that is killed and replaced by its standby loses nothing that was acknowledged',
  async () => {
    const primary = ownCluster();
    const ends: (() => unknown)[] = [() => primary.end()];
    process.on('uncaughtException', () => undefined);
    try {
      const setup = connect(primary.url);
      await migrate(setup);
      await loadDemo(setup, 'demo', new Date());
      await setup.sequelize.close();
      const tls = certificate(primary.folder);
      const ca = readFileSync(tls.crt);
      const standby = await withStandby(primary, tls);
      ends.push(() => standby.end());
      const pooled = await pool(primary.folder, new URL(primary.url), tls);
      ends.push(() => pooled.end());
      const db = connect(pooled.url);
      ends.push(() => db.sequelize.close());
      await until(async () => Boolean(await db.sequelize.query('SELECT 1')));
      const shop = await freePort();
      const origin = `https://localhost:${shop}`;
      const servers: TestServer[] = [];
      for (let i = 0; i < 2; i++) {
        const one = await testServer({ db, url: pooled.url, drop: async () => undefined }, 'open', {
          ORIGIN: origin,
          ADDRESS_HEADER: 'x-forwarded-for',
          // One engine, that both reach.
          ...(servers[0] && { PYRETHOS_BENCH_PORT: String(servers[0].bench.port) })
        });
        servers.push(one);
        ends.push(() => one.end());
      }
      const before = await proxy(
        primary.folder,
        shop,
        servers.map((s) => Number(new URL(s.address).port)),
        tls
      );
      ends.push(() => before.end());
      await until(async () => (await asked(`${origin}/health`, ca, null))?.status === 200);
      const post = async (path: string, body: object) => {
        const answer = await asked(origin + path, ca, body);
        if (answer && [400, 403, 415, 421, 422].includes(answer.status)) console.warn(answer);
        return answer?.status === 200;
      };
      const enter = (stream: string, kind: string, payload: object, id: string = randomUUID()) =>
        post('/api/events', { id, stream, at: new Date().toISOString(), who: 'Maren Oake', kind, payload });

      const vehicle = await db.vehicles.findOne({ where: { fleetNo: 'QH-03' }, rejectOnEmpty: true });
      const [job, run] = [randomUUID(), randomUUID()];
      const opened = { vehicleId: vehicle.id, complaint: 'Hot in the queue', symptoms: [] };
      expect(await enter(`job:${job}`, 'job.opened', opened)).toBe(true);
      const bench = servers[0]!.bench.port;
      const began = await post(`/api/jobs/${job}/live`, {
        eventId: randomUUID(),
        runId: run,
        at: new Date().toISOString(),
        source: { kind: 'adapter', address: `127.0.0.1:${bench}`, name: 'Bench' },
        simulate: { fault: 'none', severity: 0, ambientC: 12, drive: 'mixed', factor: 2 }
      });
      expect(began).toBe(true);
      const timesOf = async () => (await blocksAfter(db, run, 0)).flatMap((b) => b.t);
      const page = watched(`${origin}/api/live/${run}`, ca);
      ends.push(() => page.end());

      const acknowledged = new Set<string>();
      let waiting: string[] = [];
      let typing = true;
      let answeredAt = 0;
      const typist = (async () => {
        while (typing) {
          waiting.push(randomUUID());
          for (const id of [...waiting]) {
            if (!(await enter(`job:${job}`, 'job.noted', { text: `Note ${id}` }, id))) break;
            acknowledged.add(id);
            answeredAt = performance.now();
            waiting = waiting.filter((w) => w !== id);
          }
          await new Promise((resolve) => setTimeout(resolve, 60));
        }
      })();
      await until(async () => (await timesOf()).length > 30 && acknowledged.size > 30);

      // The machine of the primary is gone from one moment to the next; an operator, or a program of theirs, makes
      // the standby the primary and points the pool to it.
      const seen = await timesOf();
      const kept = new Set(acknowledged);
      process.kill(postmaster(`${primary.folder}/pg`), 'SIGKILL');
      const killed = performance.now();
      standby.promote();
      pooled.pointTo(standby.port);
      await until(async () => answeredAt > killed && acknowledged.size > kept.size + 5);
      const typedAgainMs = answeredAt - killed;
      await until(async () => (await timesOf()).length > seen.length + 5);
      const recordedAgainMs = performance.now() - killed;
      expect((await timesOf()).slice(0, seen.length)).toEqual(seen);

      // One of the servers goes too: the proxy asks the other, which takes the recording over.
      const heard = page.heard();
      const then = (await timesOf()).length;
      await servers[0]!.kill();
      const gone = performance.now();
      // Its bench is the engine, and that still runs.
      await until(async () => (await timesOf()).length > then + 10);
      const takenOverMs = performance.now() - gone;
      const enough = acknowledged.size + 5;
      await until(async () => acknowledged.size > enough);
      typing = false;
      await typist;

      const texts = (await db.events.findAll({ where: { stream: `job:${job}`, kind: 'job.noted' } })).map(
        (e) => e.id
      );
      expect([...acknowledged].filter((id) => !texts.includes(id))).toEqual([]);
      expect(new Set(texts).size).toBe(texts.length);
      const all = await timesOf();
      expect(all.every((t, i) => i === 0 || t > all[i - 1]!)).toBe(true);
      expect(heard).toBeGreaterThan(0);
      // The page that watched goes on through the other server.
      await until(async () => page.heard() > heard + 5);
      await until(() =>
        post(`/api/jobs/${job}/live/end`, { eventId: randomUUID(), at: new Date().toISOString() })
      );
      expect((await db.runs.findByPk(run))!.sampleCount).toBe((await timesOf()).length);
      console.info(
        `${acknowledged.size} entries and ${all.length} samples kept, nothing acknowledged lost; after the primary went, entries were taken again after ${Math.round(typedAgainMs)} ms and samples after ${Math.round(recordedAgainMs)} ms; after a server went, samples after ${Math.round(takenOverMs)} ms`
      );
    } finally {
      for (const end of ends.toReversed()) await Promise.resolve(end()).catch(() => undefined);
    }
  },
  LONG_MS * 5
);

const until = (what: () => Promise<boolean>) =>
  vi.waitFor(async () => expect(await what().catch(() => false)).toBe(true), {
    timeout: LONG_MS,
    interval: 50
  });
