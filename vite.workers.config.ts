import { builtinModules } from 'node:module';
import { defineConfig } from 'vite';

/** Bundles the worker thread entry on its own: piscina loads it as a file, outside the server bundle. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/workers',
    target: 'node20',
    rollupOptions: {
      input: {
        import: 'src/lib/workers/import.ts',
        case: 'src/lib/workers/case.ts',
        plan: 'src/lib/workers/plan.ts',
        practice: 'src/lib/workers/practice.ts',
        'open-files': 'src/lib/workers/open-files.ts'
      },
      output: { entryFileNames: '[name].js', format: 'es' },
      external: [...builtinModules, /^node:/]
    }
  },
  ssr: { noExternal: true }
});
