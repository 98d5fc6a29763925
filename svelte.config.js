import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { aliases } from './aliases.js';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter({ out: 'build', precompress: true }),
    // A style sheet this small costs a phone less in the page than as a file.
    inlineStyleThreshold: 1024,
    // Registered by the page itself, once it has nothing else to do.
    serviceWorker: { register: false },
    alias: { $core: aliases.$core, $features: aliases.$features },
    typescript: {
      // The demo's writer is held to the same types as everything else.
      config: (config) => ({ ...config, include: [...config.include, '../demo/**/*.ts'] })
    },
    csp: {
      mode: 'nonce',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        // Svelte and the chart set element styles at run time; no style can run code.
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['self'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    }
  }
};
