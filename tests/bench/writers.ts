import { randomUUID } from 'node:crypto';
import { quantileSorted } from 'simple-statistics';
import { testServer } from '../browser/server';
import { line, ms } from './measure';

const WRITERS = 50;
const EACH = 20;

/** Fifty people who write at once, each into a job and on a device of their own: how long each waits for an answer. */
export async function writersBench(): Promise<void> {
  const server = await testServer(undefined, 'open', { ADDRESS_HEADER: 'x-device' });
  const headers = (i: number) => ({
    'Content-Type': 'application/json',
    Origin: server.address,
    'X-Device': `writer-${i}`
  });
  const post = async (i: number, stream: string, kind: string, payload: object): Promise<boolean> => {
    const entry = {
      id: randomUUID(),
      stream,
      at: new Date().toISOString(),
      who: 'Maren Oake',
      kind,
      payload
    };
    const answer = await fetch(`${server.address}/api/events`, {
      method: 'POST',
      headers: headers(i),
      body: JSON.stringify(entry)
    });
    await answer.arrayBuffer();
    return answer.ok;
  };
  try {
    const vehicles = await server.db.vehicles.findAll({ attributes: ['id'] });
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
          const at = performance.now();
          if (!(await post(i, job, 'job.noted', { text: `Note ${n} of ${i}` }))) refused++;
          took.push(performance.now() - at);
        }
      })
    );
    const perS = (took.length / (performance.now() - began)) * 1000;
    took.sort((a, b) => a - b);
    line(
      `${WRITERS} writers at once, ${EACH} entries each: an answer`,
      ms(quantileSorted(took, 0.5)),
      `95 %: ${ms(quantileSorted(took, 0.95))}; ${Math.round(perS)} entries a second, ${refused} refused`
    );
  } finally {
    await server.end();
  }
}
