import { median as medianOf } from 'simple-statistics';

/** Median of repeated runs, ms. The first rounds warm the compiler and are thrown away. */
export function median(rounds: number, run: () => void, warmUp = Math.ceil(rounds / 4)): number {
  for (let i = 0; i < warmUp; i++) run();
  return medianOf(Array.from({ length: rounds }, () => timed(run)));
}

export async function medianAsync(rounds: number, run: () => Promise<void>): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const began = performance.now();
    await run();
    times.push(performance.now() - began);
  }
  return medianOf(times);
}

function timed(run: () => void): number {
  const began = performance.now();
  run();
  return performance.now() - began;
}

export const line = (what: string, value: string, aim = ''): void =>
  console.log(`${what.padEnd(62)} ${value.padStart(14)}   ${aim}`);
export const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;
