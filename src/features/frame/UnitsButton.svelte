<script lang="ts">
  import Ruler from '@lucide/svelte/icons/ruler';
  import { later } from '$lib/ui/page-state/later.svelte';
  import { unitOf } from '$lib/ui/page-state/units';

  const menu = later(() => import('./UnitsMenu.svelte'));
  let button = $state<HTMLButtonElement>();
  let open = $state(false);

  async function turn() {
    await menu.get();
    open = !open;
  }
</script>

<button
  class="btn px-3"
  bind:this={button}
  aria-label="Units: {unitOf('temperature').symbol} and others"
  aria-haspopup="dialog"
  aria-expanded={open}
  title="Units and dates"
  onclick={turn}
>
  <Ruler size={20} aria-hidden="true" /><span class="reading hidden lg:inline"
    >{unitOf('temperature').symbol}</span
  >
</button>
{#if menu.part && button}<menu.part anchor={button} bind:open />{/if}
