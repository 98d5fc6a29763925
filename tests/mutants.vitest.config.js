import { defineConfig } from 'vitest/config';
import { aliases as alias } from '../aliases.js';

/** The unit tests that `mutants.sh` names, and nothing else. */
export default defineConfig({
  resolve: { alias },
  test: {
    include: (process.env.MUTANTS_TESTS ?? 'src/core')
      .split(' ')
      .map((where) => (where.endsWith('.test.ts') ? where : `${where}/**/*.test.ts`)),
    testTimeout: 60_000
  }
});
