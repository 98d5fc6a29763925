/** Mutation testing, by hand: see mutants.sh. */
export default {
  testRunner: 'vitest',
  vitest: { configFile: 'tests/mutants.vitest.config.js' },
  plugins: ['@stryker-mutator/*', './tests/mutants.ignore.js'],
  ignorers: ['simulated'],
  // Tables of fields and words are read once, by every test there is: no test could tell which.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral'] },
  reporters: ['clear-text', 'json'],
  jsonReporter: { fileName: '.data/mutants.json' },
  clearTextReporter: { allowColor: false, logTests: false, reportScoreTable: true },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  tempDirName: '.data/mutants',
  // The copy that is changed has no tsconfig of SvelteKit until it is made there.
  buildCommand: 'npx svelte-kit sync',
  disableTypeChecks: false,
  ignorePatterns: ['.data', 'build', 'dist', 'docs/screenshots']
};
