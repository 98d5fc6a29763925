<script lang="ts" generics="Given extends object = object">
  import type { Component, Snippet } from 'svelte';
  import { later } from '../page-state/later.svelte';

  interface Props {
    label: string;
    title?: string;
    /** What opens: a menu, or fields to fill in. */
    popup: 'menu' | 'dialog';
    /** It hangs from this button, and is fetched when the page is idle. */
    load: () => Promise<{
      default: Component<Given & { anchor: HTMLElement; open: boolean }, object, 'open'>;
    }>;
    given: Given;
    children: Snippet;
  }
  let { label, title, popup, load, given, children }: Props = $props();

  // svelte-ignore state_referenced_locally
  const menu = later(load);
  let button = $state<HTMLButtonElement>();
  let open = $state(false);

  async function turn() {
    if (await menu.get()) open = !open;
  }
</script>

<button
  class="btn px-3"
  bind:this={button}
  aria-label={label}
  aria-haspopup={popup}
  aria-expanded={open}
  {title}
  onclick={turn}>{@render children()}</button
>
{#if menu.part && button}
  {@const Menu = menu.part}
  <Menu {...given} anchor={button} bind:open />
{/if}
