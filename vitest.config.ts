import { defineConfig } from 'vitest/config';
import { fileURLToPath } from 'node:url';

const alias = {
  $core: fileURLToPath(new URL('./src/core', import.meta.url)),
  $features: fileURLToPath(new URL('./src/features', import.meta.url)),
  $lib: fileURLToPath(new URL('./src/lib', import.meta.url))
};

/** Three kinds of tests, by what they need: nothing, a PostgreSQL, a built app with a browser. */
export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['src/{core,devices,features,lib/ui}/**/*.test.ts', 'tests/cli/*.test.ts'],
          testTimeout: 60_000
        }
      },
      {
        resolve: { alias },
        test: {
          name: 'db',
          hookTimeout: 60_000,
          include: ['src/lib/server/**/*.test.ts'],
          testTimeout: 60_000,
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
          fileParallelism: false
        }
      }
    ]
  }
});
