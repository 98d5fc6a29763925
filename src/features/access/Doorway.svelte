<script lang="ts">
  import type { Snippet } from 'svelte';
  import ThemeSwitch from '../frame/ThemeSwitch.svelte';

  interface Props {
    theme: 'system' | 'day' | 'night';
    children: Snippet;
  }
  let { theme, children }: Props = $props();
  $effect(() => {
    document.documentElement.dataset.alive = 'yes';
  });
</script>

<!-- What stands around a page before somebody is signed in. -->
<header class="flex items-center justify-between px-4 py-2 lg:px-6">
  <p class="flex min-h-11 items-center gap-2.5 text-lg font-bold tracking-tight">
    <img src="/icon.svg" alt="" width="28" height="28" />Pyrethos
  </p>
  <ThemeSwitch {theme} />
</header>
<main id="main" class="px-4 py-6">{@render children()}</main>
