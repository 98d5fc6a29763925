import Icons from 'unplugin-icons/vite';

/**
 * An icon is an inline drawing that costs a page next to nothing: the server writes it out as it stands, and the
 * browser has nothing to build. `size` is in pixels.
 * @param {string} svg
 */
const drawn = (svg) => `<script>let { size = 24, ...rest } = $props();</script>
${svg.replace(/^<svg[^>]*>/, '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24" width={size} height={size} {...rest}>')}`;

/** `~icons/lucide/NAME` is a component of that icon. */
export default () => Icons({ compiler: { compiler: drawn, extension: 'svelte' } });
