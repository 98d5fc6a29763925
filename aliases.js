import { fileURLToPath } from 'node:url';

/** @param {string} path */
const at = (path) => fileURLToPath(new URL(path, import.meta.url));

/** Short names of the layers, for every tool that resolves imports: SvelteKit, Vitest and dependency-cruiser. */
export const aliases = { $core: at('./src/core'), $features: at('./src/features'), $lib: at('./src/lib') };

/** The form in which dependency-cruiser reads aliases. */
export default { resolve: { alias: aliases } };
