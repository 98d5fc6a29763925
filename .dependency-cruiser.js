/**
 * The house of docs/architecture.md, as rules that `bin/test` holds every import to, Svelte files and types included:
 * routes → features → lib → core; simulation and cli → core; demo and tests → simulation; in core a folder imports only
 * those above it; no circle anywhere.
 */
const CORE = [
  'base',
  'units',
  'vehicle',
  'logs',
  'physics',
  'faults',
  'measure',
  'runs',
  'checks',
  'record',
  'diagnosis',
  'schedule',
  'handover',
  'practice'
];

/** A folder of the core that reaches for one below it in the list. */
const upward = CORE.map((folder, i) => ({
  name: `core-${folder}`,
  comment: `src/core/${folder} may import ${CORE.slice(0, i).join(', ') || 'nothing of the core'}.`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^src/core/', pathNot: CORE.slice(0, i + 1).map((f) => `^src/core/${f}/`) }
}));

const layer = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.ts$' },
  to: { path: to }
});

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'unresolved',
      severity: 'error',
      from: { path: '^(src|demo|tests)/' },
      to: { couldNotResolve: true, path: '^(\\.|\\$core|\\$features|\\$lib)', pathNot: '\\$types|\\?worker$' }
    },
    ...upward,
    layer(
      'core-knows-nobody',
      '^src/core/',
      '^src/(?!core/)|^(demo|tests)/',
      'The core computes and nothing else.'
    ),
    layer(
      'lib-knows-core',
      '^src/lib/',
      '^src/(features|routes|cli)/|^(demo|tests)/',
      'lib knows only core.'
    ),
    layer(
      'practice-alone-simulates',
      '^src/lib/(?!server/practice/|workers/practice)',
      '^src/simulation/',
      'Of the product only the practice bay knows the simulated world.'
    ),
    layer(
      'features-know-lib-and-core',
      '^src/features/',
      '^src/(routes|cli|simulation)/|^src/lib/server/|^(demo|tests)/',
      'features know lib, not its server part, and core.'
    ),
    layer(
      'features-store-nothing',
      '^src/features/',
      'node_modules/(sequelize|pg|umzug|pino|piscina)/',
      'The interface reaches the database through server routes.'
    ),
    layer(
      'routes-serve',
      '^src/routes/',
      '^src/(cli|simulation)/|^(demo|tests)/',
      'routes know features, lib and core.'
    ),
    layer(
      'simulation-knows-core',
      '^src/simulation/',
      '^src/(lib|features|routes|cli)/|^(demo|tests)/',
      'The simulated world knows the core; demo, practice and tests use it.'
    ),
    layer(
      'cli-knows-core',
      '^src/cli/',
      '^src/(lib|features|routes|simulation)/|^(demo|tests)/',
      'The command line calls the core.'
    ),
    layer(
      'demo-knows-core-and-simulation',
      '^demo/',
      '^src/(lib|features|routes|cli)/|^tests/',
      'The demo is made of core and simulation.'
    )
  ],
  options: {
    doNotFollow: { path: ['node_modules', '^build', '^dist', '^\\.svelte-kit'] },
    exclude: { path: ['^\\.svelte-kit', '^build', '^dist', '\\$types'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    webpackConfig: { fileName: 'aliases.js' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      extensions: ['.ts', '.js', '.svelte', '.json'],
      conditionNames: ['svelte', 'import', 'types', 'default']
    }
  }
};
