<script lang="ts">
  import Moon from '~icons/lucide/moon';
  import Sun from '~icons/lucide/sun';
  import SunMoon from '~icons/lucide/sun-moon';

  interface Props {
    theme: 'system' | 'day' | 'night';
  }
  let { theme }: Props = $props();
  // svelte-ignore state_referenced_locally
  let chosen = $state(theme);

  const NEXT = { system: 'day', day: 'night', night: 'system' } as const;
  const WORD = { system: 'as the system', day: 'day', night: 'night' } as const;

  function turn() {
    chosen = NEXT[chosen];
    document.documentElement.dataset.theme = chosen;
    document.cookie = `theme=${chosen}; path=/; max-age=31536000; samesite=lax`;
    // Canvases paint with colours read from the tokens; they listen for this.
    window.dispatchEvent(new Event('themechange'));
  }
</script>

<button
  class="btn px-3"
  onclick={turn}
  aria-label="Light: {WORD[chosen]}. Change to {WORD[NEXT[chosen]]}"
  title="Light: {WORD[chosen]}"
>
  {#if chosen === 'day'}<Sun size={20} aria-hidden="true" />{:else if chosen === 'night'}<Moon
      size={20}
      aria-hidden="true"
    />{:else}<SunMoon size={20} aria-hidden="true" />{/if}
</button>
