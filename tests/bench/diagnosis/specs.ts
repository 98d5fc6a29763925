import { readdirSync, readFileSync } from 'node:fs';
import type { SpecSheet } from '../../../src/core/vehicle/spec-sheet';

/** The vehicles of the demo: what the benchmark's jobs are drawn from. */
export const SPECS: readonly SpecSheet[] = readdirSync('demo/specs').map((f) =>
  JSON.parse(readFileSync(`demo/specs/${f}`, 'utf8'))
);
