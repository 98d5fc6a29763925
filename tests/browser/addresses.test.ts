import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testServer, type TestServer } from './server';

/** What a person may type into an address, or an old bookmark may hold. */
const BAD = [
  'x',
  '-1',
  '0',
  '99999999999999999999',
  '1.5',
  '%00',
  '%25',
  "'",
  '%E2%82',
  'null',
  '../..',
  '\u{1f321}'
];
const NONE = '00000000-0000-4000-8000-000000000000';

let server: TestServer;
let job: number;
let vehicle: string;
beforeAll(async () => {
  server = await testServer();
  const row = await server.db.jobs.findOne({ order: [['number', 'ASC']], rejectOnEmpty: true });
  job = row.number;
  vehicle = row.vehicleId;
  await server.start();
}, 120_000);
afterAll(() => server.end());

const status = async (path: string): Promise<number> =>
  (await fetch(server.address + path, { redirect: 'manual' })).status;

/** The addresses that are answered with a failure of the server, with their answers. */
const failures = async (paths: readonly string[]): Promise<string[]> => {
  const answers = await Promise.all(paths.map(async (path) => ({ path, is: await status(path) })));
  return answers.filter(({ is }) => is >= 500).map(({ path, is }) => `${path} ${is}`);
};

describe('an address that nobody should have typed', () => {
  it('is refused or understood, and never fails, in the path', async () => {
    const places = ['/jobs/*', '/jobs/by-id/*', '/vehicles/*'];
    const under = {
      '/jobs/*': ['finish', 'import', 'intake', 'live', 'plan', 'drives', 'record', 'report', 'report.pdf'],
      '/vehicles/*': ['compare', 'sheet', 'what-if']
    };
    const services = [
      '/api/jobs/*/job.json',
      '/api/live/*',
      '/calendar/*',
      '/practice/*',
      '/api/photos/*',
      '/api/runs/*/log.csv',
      '/api/runs/*/samples',
      '/api/vehicles/*/sheet.json',
      '/api/vehicles/*/chosen'
    ];
    const all = [
      ...places,
      ...Object.entries(under).flatMap(([at, more]) => more.map((m) => `${at}/${m}`)),
      ...services
    ];
    expect(await failures(all.flatMap((p) => [...BAD, NONE].map((bad) => p.replace('*', bad))))).toEqual([]);
  });

  it('that is no text is refused at the door, whatever else is wrong with it', async () => {
    for (const path of [
      '/jobs/%E2%82/plan',
      '/jobs/%E2%82/card/%E2%82?photo=%00',
      '/api/runs/%E2%82/judge'
    ]) {
      const answer = await fetch(server.address + path, { signal: AbortSignal.timeout(10_000) });
      expect([path, answer.status]).toEqual([path, 400]);
      expect((await answer.json()).problems).toEqual([{ message: 'there is no such page' }]);
    }
    expect(await status('/health')).toBe(200);
  });

  it('is refused or understood, and never fails, in what is asked', async () => {
    const asked = [
      ...['q', 'page', 'state', 'line', 'sort', 'place', 'after', 'before'].map((k) => `/jobs?${k}=*`),
      ...['q', 'page', 'sort'].map((k) => `/vehicles?${k}=*`),
      '/api/find?q=*',
      '/api/names?q=*',
      '/api/changes?after=*',
      '/jobs/new?vehicle=*',
      ...['from', 'to', 'make', 'place'].map((k) => `/numbers?${k}=*`),
      ...['from', 'page'].map((k) => `/fleet?${k}=*`),
      ...['check', 'run', 'amend', 'sheet', 'tab'].map((k) => `/jobs/${job}?${k}=*`),
      ...['run', 'tab'].map((k) => `/jobs/${job}/live?${k}=*`),
      ...['a', 'b'].map((k) => `/vehicles/${vehicle}/compare?${k}=*`),
      `/vehicles/${vehicle}/what-if?fault=*`,
      ...['/practice', '/practice/certificate'].map((p) => `${p}?who=*`),
      '/sensor?job=*',
      '/coolant?job=*',
      '/?day=*',
      '/board/day?who=*',
      '/api/board/calendar.ics?who=*'
    ];
    expect(await failures(asked.flatMap((p) => [...BAD, NONE].map((bad) => p.replace('*', bad))))).toEqual(
      []
    );
  });
});

describe('an entry that no page would send', () => {
  const send = async (body: string) => {
    const response = await fetch(`${server.address}/api/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: server.address },
      body
    });
    return { status: response.status, said: await response.json() };
  };

  it('is refused with what would be right', async () => {
    for (const body of ['null', '5', '"x"', '[]'])
      expect(await send(body), body).toEqual({
        status: 422,
        said: { ok: false, problems: [{ message: 'an entry is a JSON object' }] }
      });
    expect((await send('{"kind":"job.noted"')).said.problems[0].message).toBe('the entry is not JSON');
    expect((await send('{"kind":"spec.saved","payload":null}')).status).toBe(422);
    const nowhere = JSON.stringify({
      id: NONE,
      stream: `job:${'-'.repeat(36)}`,
      at: '2026-11-20T08:00:00Z',
      kind: 'job.noted',
      payload: { text: 'It leaks' }
    });
    expect((await send(nowhere)).said.problems[0].field).toBe('stream');
  });

  it('is kept without what no database keeps', async () => {
    const of = await server.db.jobs.findOne({ where: { number: job }, rejectOnEmpty: true });
    const id = crypto.randomUUID();
    const { status, said } = await send(
      `{"id":"${id}","stream":"job:${of.id}","at":"2026-11-20T08:00:00Z","kind":"job.noted","payload":{"text":"le\\u0000aks\\ud83d"}}`
    );
    expect(said).toMatchObject({ ok: true });
    expect(status).toBe(200);
    expect((await server.db.events.findByPk(id))!.payload).toEqual({ text: 'leaks\ufffd' });
  });
});
