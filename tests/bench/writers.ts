import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { quantileSorted } from 'simple-statistics';
import { testServer, type TestServer } from '../browser/server';
import { line, ms } from './measure';

const WRITERS = 50;
const EACH = 20;

/** Fifty people who write at once, each into a job and on a device of their own: how long each waits for an answer, at one server process and at two. */
export async function writersBench(): Promise<void> {
  for (const processes of [1, 2]) await writersAt(processes);
}

async function writersAt(processes: number): Promise<void> {
  const settings = { ADDRESS_HEADER: 'x-device' };
  const first = await testServer(undefined, 'open', settings);
  const servers = [first];
  while (servers.length < processes)
    servers.push(
      await testServer({ db: first.db, url: first.url, drop: async () => undefined }, 'open', settings)
    );
  const headers = (i: number) => ({
    'Content-Type': 'application/json',
    Origin: at(i),
    'X-Device': `writer-${i}`
  });
  const at = (i: number) => servers[i % servers.length]!.address;
  const post = async (i: number, stream: string, kind: string, payload: object): Promise<boolean> => {
    const entry = {
      id: randomUUID(),
      stream,
      at: new Date().toISOString(),
      who: 'Maren Oake',
      kind,
      payload
    };
    const answer = await fetch(`${at(i)}/api/events`, {
      method: 'POST',
      headers: headers(i),
      body: JSON.stringify(entry)
    });
    await answer.arrayBuffer();
    return answer.ok;
  };
  try {
    const vehicles = await first.db.vehicles.findAll({ attributes: ['id'] });
    const jobs = Array.from({ length: WRITERS }, () => `job:${randomUUID()}`);
    for (const [i, job] of jobs.entries())
      await post(i, job, 'job.opened', {
        vehicleId: vehicles[i % vehicles.length]!.id,
        complaint: 'Hot in the queue',
        symptoms: []
      });
    const took: number[] = [];
    let refused = 0;
    const began = performance.now();
    await Promise.all(
      jobs.map(async (job, i) => {
        for (let n = 0; n < EACH; n++) {
          const asked = performance.now();
          if (!(await post(i, job, 'job.noted', { text: `Note ${n} of ${i}` }))) refused++;
          took.push(performance.now() - asked);
        }
      })
    );
    const perS = (took.length / (performance.now() - began)) * 1000;
    took.sort((a, b) => a - b);
    line(
      `${WRITERS} writers at once, ${EACH} entries each, ${processes} server ${processes === 1 ? 'process' : 'processes'}: an answer`,
      ms(quantileSorted(took, 0.5)),
      `95 %: ${ms(quantileSorted(took, 0.95))}; ${Math.round(perS)} entries a second, ${refused} refused; ${servers.map(memoryMb).join(' and ')} MB`
    );
  } finally {
    for (const server of servers.toReversed()) await server.end();
  }
}

/** What a server holds in memory, MB. */
const memoryMb = (server: TestServer): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid()}/status`, 'utf8'))![1]) / 1024);
