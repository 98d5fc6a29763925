import { spawn } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { testDatabase, type TestDatabase } from '../../src/lib/server/db/test-database';
import { testServer, type TestServer } from '../browser/server';
import { withLib } from './own-cluster';
import { freePort } from './several-machines';

/** What an HTTPS request is answered; rejects where the certificate is not one that `ca` vouches for. */
const askedFor = (url: string, ca: Buffer | undefined, headers: Record<string, string> = {}) =>
  new Promise<{ readonly status: number; readonly headers: NodeJS.Dict<string | string[]> }>(
    (resolve, reject) => {
      const out = request(url, { ca, headers, servername: 'localhost' }, (answer) => {
        answer.resume();
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers }));
      });
      out.on('error', reject);
      out.end();
    }
  );

describe('behind a proxy', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await testServer(await testDatabase(), 'signed', {
      ORIGIN: 'https://shop.example',
      ADDRESS_HEADER: 'x-forwarded-for'
    });
  });
  afterAll(() => server.end());

  it('whoever watches the server on its own machine is answered without the header of the proxy', async () => {
    expect((await fetch(`${server.address}/health`)).status).toBe(200);
  });

  it('people sign in, over a connection that a browser keeps to', async () => {
    const through = { Host: 'shop.example', 'X-Forwarded-For': '192.168.7.20' };
    const page = await fetch(`${server.address}/`, { headers: through, redirect: 'manual' });
    expect([page.status, page.headers.get('location')]).toEqual([303, '/sign-in?back=%2F']);
    const door = await fetch(`${server.address}/sign-in`, { headers: through });
    expect(door.status).toBe(200);
    expect(door.headers.get('strict-transport-security')).toContain('max-age');
  });
});

describe('on the network', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pyrethos-network-'));
  let there: TestDatabase;
  let server: ReturnType<typeof spawn>;
  let authority: Buffer;
  let [port, door] = [0, 0];
  beforeAll(async () => {
    there = await testDatabase();
    withLib('. bin/tls.sh; tls_begin "$1/tls"', [folder]);
    authority = readFileSync(`${folder}/tls/authority.crt`);
    [port, door] = [await freePort(), await freePort()];
    server = spawn('node', ['bin/serve-https.mjs'], {
      env: {
        ...process.env,
        DATABASE_URL: there.url,
        HOST: '127.0.0.1',
        PORT: String(port),
        PYRETHOS_ACCESS: 'signed',
        PYRETHOS_HOSTS: 'shop.lan',
        PYRETHOS_ADDRESS: `https://shop.lan:${port}`,
        PYRETHOS_DOOR_PORT: String(door),
        PYRETHOS_TLS_CERT: `${folder}/tls/server.crt`,
        PYRETHOS_TLS_KEY: `${folder}/tls/server.key`,
        PYRETHOS_TLS_AUTHORITY: `${folder}/tls/authority.crt`,
        PYRETHOS_LOG: 'warn'
      },
      stdio: 'inherit'
    });
    await vi.waitFor(() => fetch(`http://127.0.0.1:${door}/`), { timeout: 30_000, interval: 100 });
  });
  afterAll(async () => {
    const gone = new Promise((resolve) => server.once('exit', resolve));
    if (server.kill('SIGTERM')) await gone;
    await there.drop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('a device that knows the authority is served by HTTPS, and one that does not is warned by its browser', async () => {
    const answer = await askedFor(`https://localhost:${port}/sign-in`, authority);
    expect(answer.status).toBe(200);
    expect(answer.headers['strict-transport-security']).toContain('max-age');
    await expect(askedFor(`https://localhost:${port}/sign-in`, undefined)).rejects.toThrow(/certificate/);
  });

  it('a phone gets the authority and the shop’s address by plain HTTP, and nothing else', async () => {
    const page = await (await fetch(`http://127.0.0.1:${door}/`)).text();
    expect(page).toContain(`https://shop.lan:${port}`);
    const loaded = await fetch(`http://127.0.0.1:${door}/authority.crt`);
    expect(loaded.headers.get('content-type')).toBe('application/x-x509-ca-cert');
    expect(Buffer.from(await loaded.arrayBuffer())).toEqual(authority);
    expect((await fetch(`http://127.0.0.1:${door}/jobs/1`)).status).toBe(404);
  });

  it('names of the shop are answered and names that only point here are not', async () => {
    const of = async (Host: string) =>
      (await askedFor(`https://localhost:${port}/sign-in`, authority, { Host })).status;
    expect([await of('shop.lan'), await of('elsewhere.example')]).toEqual([200, 421]);
  });

  it('the authority vouches for private places alone, and lasts longer than the certificate by it', () => {
    const root = new X509Certificate(authority);
    const leaf = new X509Certificate(readFileSync(`${folder}/tls/server.crt`));
    expect(leaf.verify(root.publicKey)).toBe(true);
    expect(leaf.checkHost('localhost')).toBe('localhost');
    expect(leaf.checkHost('shop.example')).toBeUndefined();
    expect(Date.parse(root.validTo)).toBeGreaterThan(Date.parse(leaf.validTo));
    const constraints = withLib('openssl x509 -in "$1" -noout -ext nameConstraints', [
      `${folder}/tls/authority.crt`
    ]);
    expect(constraints).toContain('IP:192.168.0.0/255.255.0.0');
  });
});
