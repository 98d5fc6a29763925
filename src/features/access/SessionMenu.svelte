<script lang="ts">
  import UserRound from '~icons/lucide/user-round';
  import { page } from '$app/state';
  import type { Role } from '$core/record/roles';
  import MenuButton from '$lib/ui/inputs/MenuButton.svelte';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import { setSessionEnded } from '$lib/ui/page-state/session.svelte';
  import { send } from './send';

  interface Props {
    name: string;
    role: Role;
  }
  let { name, role }: Props = $props();

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

<MenuButton
  label="Signed in as {name}"
  popup="menu"
  load={() => import('./SessionList.svelte')}
  given={{ name, role, lock }}
>
  <UserRound size={18} aria-hidden="true" /><span class="max-w-32 truncate max-lg:sr-only">{name}</span>
</MenuButton>
