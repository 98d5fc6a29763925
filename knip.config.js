/** What nothing reaches is deleted: `bin/test` fails on a dead export, a dead file or a package nobody imports. */
export default {
  entry: [
    'src/cli/{main,docs}.ts',
    'src/lib/server/cli/*.ts',
    'src/lib/workers/*.ts',
    'src/simulation/adapter/main.ts',
    'demo/{make,year}.ts',
    'tests/bench/{all,diagnosis/run,diagnosis/report,diagnosis/strengths,foreign/run,foreign/report,foreign/learned,schedule/run}.ts',
    // dependency-cruiser reads its default export.
    'aliases.js'
  ],
  project: ['src/**/*.{ts,svelte}', 'demo/*.ts', 'tests/**/*.ts', '*.{js,ts}'],
  paths: { '$core/*': ['src/core/*'], '$features/*': ['src/features/*'], '$lib/*': ['src/lib/*'] },
  ignoreDependencies: [
    // Sequelize asks for it when it starts; the types of bits-ui want csstype.
    'pg-hstore',
    'csstype',
    // Imported by app.css.
    'tailwindcss',
    '@fontsource-variable/atkinson-hyperlegible-mono',
    '@fontsource-variable/atkinson-hyperlegible-next',
    // Read by the plugin of icons.js.
    '@iconify-json/lucide',
    // Read as files: by the browser tests, by a test of the plant, by the PDF.
    'axe-core',
    'odex',
    '@fontsource/atkinson-hyperlegible-mono',
    // Run by hand: `npm run mutants`.
    '@stryker-mutator/core',
    '@stryker-mutator/vitest-runner'
  ],
  ignoreUnresolved: ['bin/pyrethos', '~icons/.+']
};
