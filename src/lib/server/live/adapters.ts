/** An adapter this workshop has. The server connects to these and to nothing else. */
export interface KnownAdapter {
  readonly name: string;
  readonly address: string;
  /** The simulated bench, where a vehicle can be plugged in from the page. */
  readonly simulated: boolean;
}

/** Whether simulated instruments can be read: on a vehicle of the demo, where this server runs their bench. */
export const simulatedFor = ({ demo }: { readonly demo: boolean }): boolean =>
  demo && knownAdapters().some((a) => a.simulated);

/** From PYRETHOS_ADAPTERS (`Bay 1=127.0.0.1:5200, …`) and the simulated bench where bin/start has begun one. */
export function knownAdapters(
  env: Readonly<Record<string, string | undefined>> = process.env
): KnownAdapter[] {
  const own = (env.PYRETHOS_ADAPTERS ?? '')
    .split(',')
    .map((pair) => /^\s*(.+?)\s*=\s*([\w.-]+:\d{1,5})\s*$/.exec(pair))
    .filter((found) => found !== null)
    .map(([, name, address]) => ({ name, address, simulated: false }));
  const port = env.PYRETHOS_BENCH_PORT;
  return [
    ...own,
    ...(port && /^\d{1,5}$/.test(port)
      ? [{ name: 'Simulated vehicle', address: `127.0.0.1:${port}`, simulated: true }]
      : [])
  ];
}
