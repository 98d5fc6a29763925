import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded, type Random } from '../../src/core/base/random';
import { ROUTES } from '../../src/lib/server/access/routes';
import { testServer, type TestServer } from '../browser/server';

/** PYRETHOS_FUZZ requests and a tenth of it files, by the seed PYRETHOS_FUZZ_SEED; `bin/test faults` runs a few of them. */
const REQUESTS = Number(process.env.PYRETHOS_FUZZ ?? 400);
const FILES = Math.ceil(REQUESTS / 10);
const SEED = Number(process.env.PYRETHOS_FUZZ_SEED ?? 20);
const MOST_MB = 1200;

let server: TestServer;
let known: { job: string; number: number; vehicle: string; run: string; photo: string };
beforeAll(async () => {
  server = await testServer(undefined, 'open', { ADDRESS_HEADER: 'x-device' });
  const job = await server.db.jobs.findOne({ order: [['number', 'ASC']], rejectOnEmpty: true });
  const run = await server.db.runs.findOne({ rejectOnEmpty: true });
  known = { job: job.id, number: job.number, vehicle: job.vehicleId, run: run.id, photo: randomUUID() };
});
afterAll(() => server.end());

const ODD_TEXT = [
  '',
  ' ',
  '\0',
  '\ud800',
  '💧'.repeat(40),
  'x'.repeat(5000),
  '<b>',
  "'; --",
  '../../etc',
  'NaN',
  '1e999',
  '\u202e'
];
const ODD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  -0.0001,
  2 ** 31,
  2 ** 53,
  '0001-01-01T00:00:00Z',
  '9999-12-31T23:59:59Z',
  '2026-02-30T10:00:00Z',
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: null, constructor: 1 },
  ...ODD_TEXT
];

/** Draws for one request. */
function dice(random: Random) {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  return { random, pick, chance: (p: number) => random() < p };
}
type Dice = ReturnType<typeof dice>;

/** A value with something in it changed, taken away or put in. */
function spoiled(value: unknown, d: Dice, depth = 0): unknown {
  const { pick, chance } = d;
  if (depth > 6 || value === null || typeof value !== 'object' || chance(0.08)) return pick(ODD);
  if (Array.isArray(value)) {
    if (value.length === 0 || chance(0.1)) return pick(ODD);
    const at = Math.floor(d.random() * value.length);
    return value.map((v, i) => (i === at ? spoiled(v, d, depth + 1) : v));
  }
  const keys = Object.keys(value);
  if (keys.length === 0 || chance(0.1))
    return { ...value, [pick(['id', 'kind', 'x', '__proto__', 'at'])]: pick(ODD) };
  const key = pick(keys);
  const { [key]: old, ...rest } = value as Record<string, unknown>;
  return chance(0.2) ? rest : { ...rest, [key]: spoiled(old, d, depth + 1) };
}

const stream = ({ pick }: Dice) =>
  pick([`job:${known.job}`, `vehicle:${known.vehicle}`, `job:${randomUUID()}`, 'shop:x', 'job:']);

/** Entries as the interface writes them. */
const ENTRIES: readonly object[] = [
  { kind: 'job.noted', payload: { text: 'Plug dried' } },
  { kind: 'vehicle.entered', payload: { fleetNo: 'QH-88', name: 'Lundmar Drover' } },
  { kind: 'job.amended', payload: { complaint: 'Hot on the grade' } },
  {
    kind: 'engine.noted',
    payload: { kind: 'ran-until', at: '2026-11-27T09:00:00.000Z', lastC: 91, ambientC: 12 }
  },
  {
    kind: 'check.recorded',
    payload: { check: 'coolant-level', values: { level: 'full' }, at: '2026-11-27T09:00:00.000Z' }
  },
  { kind: 'job.closed', payload: { outcome: 'declined' } },
  { kind: 'undo', payload: { of: randomUUID() } },
  { kind: 'shop.priced', payload: { labourPerHour: 48 } },
  {
    kind: 'curve.saved',
    payload: {
      title: 'Two pins',
      points: [
        [0, 5000],
        [100, 180]
      ]
    }
  },
  { kind: 'spec.saved', payload: { sheet: { format: 'pyrethos.spec', version: 1 } } },
  { kind: 'repair.decided', payload: { repair: 'thermostat', why: 'Opens late' } }
];

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly headers: Record<string, string>;
  readonly body?: string | Uint8Array<ArrayBuffer> | FormData;
  /** The entry it would make. */
  readonly entry?: string;
}

function request(d: Dice, i: number): Asked {
  const { pick, chance } = d;
  const route = pick(Object.keys(ROUTES));
  const values: Record<string, readonly unknown[]> = {
    number: [known.number, '0', '2147483648', '-7', 'x', '%E2%82'],
    id: [known.job, known.vehicle, known.run, known.photo, randomUUID(), 'x', '%00', '00000000'],
    runId: [known.run, randomUUID(), 'x'],
    check: ['codes', 'level-and-look', 'x', '__proto__', '%E2%82'],
    token: ['x', 'A'.repeat(43), '%2e%2e']
  };
  const path = route.replaceAll(/\[(\w+)\]/g, (_, name: string) => String(pick(values[name]!)));
  const query = chance(0.6)
    ? ''
    : `?${new URLSearchParams(
        Array.from({ length: 1 + Math.floor(d.random() * 3) }, () => [
          pick([
            'q',
            'page',
            'from',
            'to',
            'after',
            'event',
            'photo',
            'at',
            'check',
            'run',
            'back',
            'caption',
            'state'
          ]),
          String(pick([...ODD.filter((o) => typeof o !== 'object'), known.run, '2026-11-27', '1', '300']))
        ])
      ).toString()}`;
  const headers: Record<string, string> = { Origin: server.address, 'X-Device': `device-${i % 97}` };
  if (!route.startsWith('/api/') || chance(0.25)) return { method: 'GET', path: path + query, headers };
  if (route === '/api/events' || chance(0.3)) {
    const entry = randomUUID();
    const whole = {
      id: entry,
      stream: stream(d),
      at: new Date().toISOString(),
      who: 'Maren Oake',
      ...pick(ENTRIES)
    };
    const body = JSON.stringify(chance(0.85) ? spoiled(whole, d) : whole);
    headers['Content-Type'] = 'application/json';
    return {
      method: 'POST',
      path: '/api/events',
      headers,
      body: chance(0.05) ? body.slice(0, body.length / 2) : body,
      entry: body.includes(entry) ? entry : undefined
    };
  }
  headers['Content-Type'] = pick([
    'application/json',
    'application/json',
    'image/png',
    'application/octet-stream',
    'text/plain'
  ]);
  const shapes = [
    {
      eventId: randomUUID(),
      runId: randomUUID(),
      at: new Date().toISOString(),
      source: { kind: 'typed', instrument: 'ir' },
      simulate: null
    },
    { name: 'Ysolt Brandy', passphrase: 'x', pin: '4071' },
    { what: 'ohms' },
    { deed: 'invite', role: 'owner', person: null }
  ];
  return {
    method: pick(['POST', 'POST', 'PUT', 'DELETE']),
    path: path + query,
    headers,
    body: JSON.stringify(spoiled(pick(shapes), d))
  };
}

const JOB_FILES = readdirSync('tests/files/version-1/jobs').map((f) =>
  readFileSync(join('tests/files/version-1/jobs', f))
);
const LOGS = readdirSync('demo/runs')
  .filter((f) => f.endsWith('.csv'))
  .slice(0, 4)
  .map((f) => readFileSync(join('demo/runs', f)));

/** A file with bytes turned, cut, doubled or put in from elsewhere. */
function damaged(bytes: Buffer, { random, pick }: Dice): Uint8Array<ArrayBuffer> {
  const at = () => Math.floor(random() * bytes.length);
  const copy = Uint8Array.from(bytes);
  switch (pick(['turn', 'cut', 'double', 'put', 'many'])) {
    case 'turn':
      copy[at()]! ^= 1 << Math.floor(random() * 8);
      return copy;
    case 'cut':
      return copy.slice(0, at());
    case 'double': {
      const from = at();
      return Uint8Array.from([...copy.slice(0, from), ...copy.slice(Math.max(0, from - 300))]);
    }
    case 'put': {
      const from = at();
      return Uint8Array.from([
        ...copy.slice(0, from),
        ...new TextEncoder().encode(String(pick(ODD_TEXT))),
        ...copy.slice(from)
      ]);
    }
    default:
      for (let i = 0; i < 50; i++) copy[at()] = Math.floor(random() * 256);
      return copy;
  }
}

function fileRequest(d: Dice, i: number): Asked {
  const headers = { Origin: server.address, 'X-Device': `device-${i}` };
  if (d.chance(0.5))
    return {
      method: 'POST',
      path: '/api/files',
      headers: { ...headers, 'Content-Type': 'application/octet-stream' },
      body: damaged(d.pick(JOB_FILES), d)
    };
  const form = new FormData();
  form.set('file', new File([damaged(d.pick(LOGS), d)], d.pick(['log.csv', 'a\0b.csv', '../x.csv', ''])));
  const meta = {
    eventId: randomUUID(),
    runId: randomUUID(),
    at: new Date().toISOString(),
    skipBrokenRows: true,
    asItIs: []
  };
  form.set('meta', JSON.stringify(d.chance(0.3) ? spoiled(meta, d) : meta));
  return { method: 'POST', path: `/api/jobs/${known.job}/runs`, headers, body: form };
}

/** How many answers there were of each status: a suite that is only turned away at the door tries nothing. */
const answers = new Map<number, number>();

/** What failed, was half done, or was kept though it was refused. */
async function faultOf(asked: Asked): Promise<string | null> {
  const stop = new AbortController();
  const timer = setTimeout(() => stop.abort(), 60_000);
  try {
    const answer = await fetch(server.address + asked.path, {
      method: asked.method,
      headers: asked.headers,
      body: asked.body,
      redirect: 'manual',
      signal: stop.signal
    });
    // A stream goes on for ever: its beginning is enough.
    if (answer.headers.get('content-type') === 'text/event-stream') await answer.body?.cancel();
    else await answer.arrayBuffer();
    answers.set(answer.status, (answers.get(answer.status) ?? 0) + 1);
    if (answer.status >= 500) return `${answer.status}`;
    if (!asked.entry) return null;
    const kept = await server.db.events.findByPk(asked.entry);
    if (answer.ok !== (kept !== null)) return `${answer.status}, and the entry is ${kept ? '' : 'not '}kept`;
    return null;
  } catch (error) {
    // What fetch itself will not send was never asked.
    return /invalid|headers/i.test((error as Error).message)
      ? null
      : `no answer: ${(error as Error).message}`;
  } finally {
    clearTimeout(timer);
  }
}

async function faultsOf(count: number, make: (d: Dice, i: number) => Asked): Promise<string[]> {
  const random = seeded(SEED);
  const faults: string[] = [];
  const AT_ONCE = 6;
  for (let i = 0; i < count; i += AT_ONCE)
    await Promise.all(
      Array.from({ length: Math.min(AT_ONCE, count - i) }, async (_, k) => {
        const asked = make(dice(random), i + k);
        const fault = await faultOf(asked);
        if (fault)
          faults.push(
            `${fault}: ${asked.method} ${asked.path} ${typeof asked.body === 'string' ? asked.body.slice(0, 400) : ''}`
          );
      })
    );
  return faults;
}

describe('whatever is sent', () => {
  it('is answered, never fails, and is kept whole or not at all', async () => {
    expect(await faultsOf(REQUESTS, request)).toEqual([]);
  });

  it('in a file is taken in whole or refused', async () => {
    const events = async () => Number(await server.db.events.count());
    const before = await events();
    expect(await faultsOf(FILES, fileRequest)).toEqual([]);
    expect(await events()).toBeGreaterThanOrEqual(before);
    // What came in has all it speaks of: every run its samples, every job its vehicle.
    const [orphans] = await server.db.sequelize.query(
      `SELECT e.id FROM events e WHERE e.kind IN ('run.imported', 'run.ended')
         AND NOT EXISTS (SELECT 1 FROM run_chunks c WHERE c.run_id::text = e.payload->>'runId')`
    );
    expect(orphans).toEqual([]);
  });

  it('reached what is behind the door: some of it was taken, most of it refused for what it said', () => {
    console.info('answers by status', Object.fromEntries([...answers].sort()));
    expect(answers.get(200)).toBeGreaterThan(REQUESTS / 20);
    expect(answers.get(422)).toBeGreaterThan(REQUESTS / 20);
    expect(answers.get(429) ?? 0).toBeLessThan(REQUESTS / 20);
  });

  it('leaves the server within its memory, and alive', async () => {
    const rss =
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid()}/status`, 'utf8'))![1]) / 1024;
    expect(rss).toBeLessThan(MOST_MB);
    expect((await fetch(`${server.address}/health`)).status).toBe(200);
  });
});
