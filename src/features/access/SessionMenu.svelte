<script lang="ts">
  import UserRound from '@lucide/svelte/icons/user-round';
  import { DropdownMenu } from 'bits-ui';
  import { page } from '$app/state';
  import { atLeast, type Role } from '$core/record/roles';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import { setSessionEnded } from '$lib/ui/page-state/session.svelte';
  import { send } from './send';

  interface Props {
    name: string;
    role: Role;
  }
  let { name, role }: Props = $props();

  const line =
    'data-highlighted:bg-well flex min-h-11 w-full cursor-pointer items-center rounded-lg px-3 text-left';
  const IDLE_MS = 15 * 60_000;

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

<DropdownMenu.Root>
  <DropdownMenu.Trigger class="btn px-3" aria-label="Signed in as {name}">
    <UserRound size={18} aria-hidden="true" /><span class="max-w-32 truncate max-lg:sr-only">{name}</span>
  </DropdownMenu.Trigger>
  <DropdownMenu.Portal>
    <DropdownMenu.Content class="card z-50 min-w-56 p-2 shadow-lg" align="end" sideOffset={6}>
      <p class="text-ink-2 px-3 py-1 text-sm">{name} · {role}</p>
      <DropdownMenu.Item class={line} onSelect={lock}>Lock, or change person</DropdownMenu.Item>
      {#if atLeast(role, 'owner')}
        <DropdownMenu.Item>
          {#snippet child({ props })}<a {...props} class={line} href="/people">People and devices</a
            >{/snippet}
        </DropdownMenu.Item>
      {/if}
      <DropdownMenu.Item
        class={line}
        onSelect={async () => {
          await send('sign-out', {});
          location.assign('/sign-in');
        }}>Sign out</DropdownMenu.Item
      >
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
