import { defineConfig } from 'vitest/config';
import { aliases as alias } from './aliases.js';

/** Kinds of tests, by what they need: nothing, a PostgreSQL, a built app with a browser, a built app to be mistreated. */
export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/{core,simulation,features,lib/ui}/**/*.test.ts', 'tests/cli/*.test.ts'],
          testTimeout: 60_000,
          // The core keeps nothing between files but what follows from its input: one process reads it once.
          isolate: false,
          maxWorkers: 2
        }
      },
      {
        resolve: { alias },
        test: {
          name: 'db',
          hookTimeout: 60_000,
          include: ['src/lib/server/**/*.test.ts'],
          testTimeout: 60_000,
          isolate: false,
          maxWorkers: 2
        }
      },
      {
        resolve: { alias },
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          isolate: false,
          // Each file has its server, database and browser to itself.
          maxWorkers: 2
        }
      },
      {
        resolve: { alias },
        test: {
          name: 'faults',
          include: ['tests/faults/**/*.test.ts'],
          testTimeout: 3_600_000,
          hookTimeout: 120_000,
          fileParallelism: false
        }
      }
    ]
  }
});
