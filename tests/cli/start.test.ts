import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tmpdir } from 'node:os';
import { afterEach, beforeEach, expect, it } from 'vitest';

let data: string;
beforeEach(() => void (data = mkdtempSync(join(tmpdir(), 'pyrethos-start-'))));
afterEach(() => rmSync(data, { recursive: true, force: true }));

/** What bin/start says before it touches anything. */
function start(args: readonly string[], settings: Readonly<Record<string, string>> = {}) {
  const { status, stderr } = spawnSync('bash', ['bin/start', ...args], {
    env: { ...process.env, PYRETHOS_DATA: data, ...settings },
    encoding: 'utf8',
    timeout: 20_000
  });
  return { status, says: stderr.trim().split('\n').at(-1) };
}

it('a start names the server of an earlier one that was killed, and leaves it alone', () => {
  // Its command line is that of a server.
  const survivor = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)', 'build/index.js']);
  try {
    writeFileSync(join(data, 'server.pid'), `${survivor.pid}\n`);
    writeFileSync(join(data, 'address'), 'http://127.0.0.1:5180\n');
    expect(start([])).toEqual({
      status: 1,
      says: `pyrethos: a server of an earlier start still runs at http://127.0.0.1:5180; stop it with: kill ${survivor.pid}`
    });
    expect(survivor.exitCode).toBeNull();
    expect(survivor.signalCode).toBeNull();
  } finally {
    survivor.kill('SIGKILL');
  }
});

it.each([
  [['--net'], {}, 'takes --network or nothing'],
  [[], { PYRETHOS_ACCESS: 'yes' }, 'PYRETHOS_ACCESS is open or signed'],
  [[], { PYRETHOS_ACCESS: 'open', PYRETHOS_DEMO: '0' }, 'people sign in on a network'],
  [['--network'], { PYRETHOS_ACCESS: 'open' }, 'people sign in on a network'],
  [[], { PYRETHOS_ACCESS: 'open', PYRETHOS_PROXY: 'https://shop.example' }, 'people sign in on a network']
])('a start with %j and %j is refused', (args, settings, words) => {
  const { status, says } = start(args, settings);
  expect(status).toBe(1);
  expect(says).toContain(words);
});
