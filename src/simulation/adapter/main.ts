import { startBench } from './bench';

/** The simulated bench as a process of its own: `PYRETHOS_BENCH_PORT` (5191) on loopback. */
const bench = await startBench({ port: Number(process.env.PYRETHOS_BENCH_PORT ?? 5191) });
process.stdout.write(`simulated bench at 127.0.0.1:${bench.port}\n`);
process.once('SIGTERM', () => void bench.close().then(() => process.exit(0)));
