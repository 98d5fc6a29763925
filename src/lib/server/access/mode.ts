const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/**
 * Whether anyone who reaches the server may do anything: the demo on one machine, where one picks who one is. Signing
 * in is required everywhere else. Throws where the house is to be open to a network.
 */
export function isOpenHouse(env: Readonly<Record<string, string | undefined>> = process.env): boolean {
  if (env.PYRETHOS_ACCESS !== 'open') return false;
  if (LOOPBACK.has(env.HOST ?? '0.0.0.0')) return true;
  throw new Error(
    `PYRETHOS_ACCESS=open serves this machine alone, and HOST is ${env.HOST ?? '0.0.0.0'}: leave PYRETHOS_ACCESS out, so that people sign in`
  );
}
