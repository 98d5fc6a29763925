declare module '~icons/lucide/*' {
  import type { Component } from 'svelte';
  import type { SVGAttributes } from 'svelte/elements';
  /** An icon; `size` is in pixels, 24 where it is left out. */
  const icon: Component<SVGAttributes<SVGSVGElement> & { readonly size?: number }>;
  export default icon;
}
