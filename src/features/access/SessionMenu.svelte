<script lang="ts">
  import UserRound from '@lucide/svelte/icons/user-round';
  import { page } from '$app/state';
  import type { Role } from '$core/record/roles';
  import { later } from '$lib/ui/page-state/later.svelte';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import { setSessionEnded } from '$lib/ui/page-state/session.svelte';
  import { send } from './send';

  interface Props {
    name: string;
    role: Role;
  }
  let { name, role }: Props = $props();

  const list = later(() => import('./SessionList.svelte'));
  let button = $state<HTMLButtonElement>();
  let open = $state(false);
  const IDLE_MS = 15 * 60_000;

  async function turn() {
    await list.get();
    open = !open;
  }

  async function lock() {
    // Without the server nobody could unlock it.
    if (serverAway()) return;
    const answer = await send('sign-out', {});
    if (answer.ok) setSessionEnded(true);
  }

  // A screen left alone locks itself; one that shows an engine that runs does not.
  $effect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const again = () => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        if (page.url.pathname.endsWith('/live')) again();
        else void lock();
      }, IDLE_MS);
    };
    again();
    const signs = ['pointerdown', 'keydown'] as const;
    signs.forEach((s) => addEventListener(s, again));
    return () => {
      clearTimeout(timer);
      signs.forEach((s) => removeEventListener(s, again));
    };
  });
</script>

<button
  class="btn px-3"
  bind:this={button}
  aria-label="Signed in as {name}"
  aria-haspopup="menu"
  aria-expanded={open}
  onclick={turn}
>
  <UserRound size={18} aria-hidden="true" /><span class="max-w-32 truncate max-lg:sr-only">{name}</span>
</button>
{#if list.part && button}<list.part {name} {role} anchor={button} bind:open {lock} />{/if}
