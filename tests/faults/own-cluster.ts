import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';

export interface OwnCluster {
  readonly folder: string;
  readonly url: string;
  readonly port: number;
  /** Ends it as a power cut does: nothing is written, nobody is told. */
  kill(): void;
  start(): void;
  end(): void;
}

/** Runs lines of bash with the functions of bin/lib.sh at hand; `$1` is the first argument. */
export const withLib = (script: string, args: readonly string[] = [], env: object = {}): string =>
  execFileSync('bash', ['-c', `. bin/lib.sh; need_postgres; ${script}`, 'faults', ...args], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'ignore'],
    encoding: 'utf8'
  }).trim();

/** A PostgreSQL of a test's own, which can be killed; on a disk of its own of so many MB where that is asked for. */
export function ownCluster(diskMb?: number): OwnCluster {
  const folder = mkdtempSync('/tmp/pyrethos-faults-');
  if (diskMb) withLib('mount -t tmpfs -o "size=$2m" pyrethos "$1"', [folder, String(diskMb)]);
  execFileSync('chmod', ['755', folder]);
  const data = `${folder}/pg`;
  const url = withLib('pg_begin "$1" >/dev/null; echo "$DATABASE_URL"', [data], { PYRETHOS_PG_PORT: '0' });
  const port = new URL(url).port;
  return {
    folder,
    url,
    port: Number(port),
    kill: () => process.kill(postmaster(data), 'SIGQUIT'),
    start: () =>
      void withLib(
        'as_pg "$PG_BIN/pg_ctl" -D "$1/data" -w -t 30 stop -m immediate >/dev/null 2>&1; pg_begin "$1" >/dev/null',
        [data],
        { PYRETHOS_PG_PORT: port }
      ),
    end() {
      withLib('pg_end "$1"', [data]);
      if (diskMb) withLib('umount "$1"', [folder]);
      rmSync(folder, { recursive: true, force: true });
    }
  };
}

/** The process that leads a PostgreSQL. */
export const postmaster = (data: string): number =>
  Number(readFileSync(`${data}/data/postmaster.pid`, 'utf8').split('\n')[0]);
