import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig, type Manifest, type Plugin } from 'vite';
import icons from './icons.js';

/** Words, units and lines of the core: nothing of it reads what somebody entered. */
const WITHOUT_SCHEMA = [
  'base/(result|ticks|text|dates|linear)',
  'faults/',
  'handover/memory/(drift|fingerprint|memory)',
  'physics/(heat/phases|thermistor/curve)',
  'record/(roles|field-names|active|photo)\\.',
  'runs/spark',
  'units/(quantity|say|ticks|units)',
  'vehicle/(faults|parts|repairs|symptoms|fan-words|codes)\\.'
];

/**
 * Which modules of the browser's side share a file. Left alone the bundler makes two hundred small ones, and a phone
 * waits for each: what every page needs, what every page with a case needs, and the parts of a form are one each.
 */
const FILES = [
  {
    name: 'base',
    test: /node_modules\/(svelte|@sveltejs|devalue|esm-env|clsx|idb|svelte-sonner)\/|~icons\/|src\/lib\/ui\/(page-state|sync|outbox)\/(?!save-sheet|waiting-file)/
  },
  // For pages that show lines and no case. A module that reaches zod would bring it here too.
  {
    name: 'words',
    test: new RegExp(`src/core/(${WITHOUT_SCHEMA.join('|')})`)
  },
  { name: 'case', test: /node_modules\/(zod|simple-statistics)\/|src\/core\// },
  // Fields that need no menu, so that a page with one of them does without the rest.
  {
    name: 'fields',
    test: /src\/lib\/ui\/(inputs\/(Problems|Photo|AddPhoto|Pages|QuantityInput|BenchRead|TextInput)|plots\/(heat|Spark|Strip))/
  },
  {
    name: 'menus',
    test: /node_modules\/(bits-ui(?!.*(date|calendar))|@floating-ui|svelte-toolbelt|runed|tabbable|style-to-object|inline-style-parser)/
  },
  { name: 'dates', test: /node_modules\/(@internationalized\/|bits-ui)/ }
].map((group) => ({ ...group, minShareCount: 2 }));

/**
 * SvelteKit tells a browser ahead which files a page needs, and reads them from this manifest. What it meets first by
 * way of a part that is fetched later it takes for one of those: the largest file of all was found only when the page
 * was read to its end. Files that are shared say nothing of what is fetched later.
 */
const toldAhead = (): Plugin => ({
  name: 'told-ahead',
  apply: 'build',
  writeBundle({ dir }) {
    const file = join(dir ?? '', '.vite/manifest.json');
    if (!existsSync(file)) return;
    const chunks = Object.entries(JSON.parse(readFileSync(file, 'utf8')) as Manifest);
    const shared = ([name, { dynamicImports: _, ...chunk }]: (typeof chunks)[number]) => [name, chunk];
    const told = chunks.map((entry) => (entry[0].startsWith('_') ? shared(entry) : entry));
    writeFileSync(file, JSON.stringify(Object.fromEntries(told)));
  }
});

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), icons(), sveltekit(), toldAhead()],
  server: { host: '127.0.0.1' },
  build: isSsrBuild
    ? {}
    : {
        rolldownOptions: {
          output: { codeSplitting: { groups: FILES } }
        }
      }
}));
