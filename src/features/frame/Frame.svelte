<script lang="ts">
  import Keyboard from '@lucide/svelte/icons/keyboard';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { MediaQuery } from 'svelte/reactivity';
  import { Dialog } from 'bits-ui';
  import { toast, Toaster } from 'svelte-sonner';
  import { onShortcut, shortcuts, useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import Droplets from '@lucide/svelte/icons/droplets';
  import Sunrise from '@lucide/svelte/icons/sunrise';
  import Thermometer from '@lucide/svelte/icons/thermometer';
  import Truck from '@lucide/svelte/icons/truck';
  import Wrench from '@lucide/svelte/icons/wrench';
  import Search from '@lucide/svelte/icons/search';
  import { serverAway, stayLive } from '$lib/ui/sync/live.svelte';
  import { atLeast, type Role } from '$core/record/roles';
  import LockScreen from '../access/LockScreen.svelte';
  import SessionMenu from '../access/SessionMenu.svelte';
  import Find from './Find.svelte';
  import ThemeSwitch from './ThemeSwitch.svelte';
  import UnitsMenu from './UnitsMenu.svelte';
  import WaitingSign from './WaitingSign.svelte';
  import WhoPicker from './WhoPicker.svelte';

  interface Props {
    who: string;
    /** Who is signed in; null in an open house. */
    session: { readonly person: string; readonly name: string; readonly role: Role } | null;
    theme: 'system' | 'day' | 'night';
    children: import('svelte').Snippet;
  }
  let { who, session, theme, children }: Props = $props();
  /** What a thumb reaches for lies at the lower edge there: messages come from above. */
  const phone = new MediaQuery('max-width: 47.99rem');
  let help = $state(false);
  let finding = $state(false);

  const ALL = [
    { href: '/', label: 'Day', icon: Sunrise, least: 'reader' },
    { href: '/vehicles', label: 'Vehicles', icon: Truck, least: 'reader' },
    { href: '/sensor', label: 'Sensor', icon: Thermometer, least: 'technician' },
    { href: '/coolant', label: 'Coolant', icon: Droplets, least: 'technician' },
    { href: '/shop', label: 'Shop', icon: Wrench, least: 'lead' }
  ] as const;
  const links = $derived(ALL.filter((l) => !session || atLeast(session.role, l.least)));
  const current = (href: string) =>
    href === '/'
      ? page.url.pathname === '/' || page.url.pathname.startsWith('/jobs')
      : page.url.pathname.startsWith(href);

  // Tells those who wait (tests, and a person on a slow tablet) that the page answers to keys and clicks.
  $effect(() => {
    document.documentElement.dataset.alive = 'yes';
  });
  $effect(stayLive);
  // Leaving would end at an error page; what is open goes on working without the server.
  beforeNavigate((navigation) => {
    const samePage = navigation.to?.url.pathname === page.url.pathname;
    if (!serverAway() || navigation.willUnload || samePage) return;
    navigation.cancel();
    toast('The server does not answer. Stay here: entries are kept and go out when it is back.');
  });
  $effect(() =>
    useShortcuts([
      { key: '/', label: 'Find a job, vehicle, sheet, code or check', run: () => (finding = true) },
      { key: '?', label: 'Show the keys of this view', run: () => (help = true) },
      { key: 'd', label: 'Go to the day', run: () => void goto('/') },
      { key: 'v', label: 'Go to the vehicles', run: () => void goto('/vehicles') }
    ])
  );
</script>

<svelte:window onkeydown={onShortcut} />
<a
  href="#main"
  class="btn btn-main sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:z-50"
  >Skip to the page</a
>

<header class="border-line bg-card no-print border-b">
  <div class="mx-auto flex max-w-[1760px] flex-wrap items-center gap-2 px-3 py-1.5 lg:px-6">
    <a href="/" class="flex min-h-11 items-center gap-2.5 text-lg font-bold tracking-tight md:mr-1 lg:mr-4">
      <img src="/icon.svg" alt="" width="28" height="28" /><span class="max-lg:sr-only">Pyrethos</span>
    </a>
    <!-- On a phone the same links lie at the lower edge, under the thumb. -->
    <nav
      aria-label="Main"
      class="max-md:bg-card max-md:border-line no-print flex max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:border-t"
    >
      {#each links as { href, label, icon: Icon } (href)}
        <a
          {href}
          aria-current={current(href) ? 'page' : undefined}
          class="flex min-h-11 items-center border-b-3 px-2 font-semibold max-md:min-h-14 max-md:min-w-0 max-md:flex-1 max-md:flex-col max-md:justify-center max-md:border-t-3 max-md:border-b-0 max-md:px-0 max-md:text-xs lg:px-4 {current(
            href
          )
            ? 'border-act'
            : 'text-ink-2 hover:text-ink border-transparent'}"
          ><Icon class="md:hidden" size={20} aria-hidden="true" />{label}</a
        >
      {/each}
    </nav>
    <div class="ml-auto flex items-center gap-2">
      <WaitingSign />
      <button
        class="btn px-3"
        onclick={() => (finding = true)}
        aria-label="Find a job, vehicle, sheet, code or check"><Search size={20} aria-hidden="true" /></button
      >
      {#if session}<SessionMenu name={session.name} role={session.role} />{:else}<WhoPicker {who} />{/if}
      <UnitsMenu />
      <ThemeSwitch {theme} />
      <button class="btn px-3 max-md:hidden" onclick={() => (help = true)} aria-label="Keys of this view"
        ><Keyboard size={20} aria-hidden="true" /></button
      >
    </div>
  </div>
  {#if !session}
    <p class="bg-well border-line text-ink-2 no-print border-t px-4 py-1 text-center text-xs">
      Demo, open house: whoever reaches this machine may do everything.
    </p>
  {/if}
</header>

{#if session}<LockScreen person={session.person} name={session.name} />{/if}
<main id="main" class="mx-auto max-w-[1760px] px-3 pt-3 pb-36 md:pb-6 lg:px-6">{@render children()}</main>

<Find bind:open={finding} />
<Toaster
  position={phone.current ? 'top-center' : 'bottom-center'}
  toastOptions={{ class: 'pyrethos-toast' }}
/>

<Dialog.Root bind:open={help}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
    <Dialog.Content
      class="card fixed top-1/2 left-1/2 z-50 w-[min(30rem,92vw)] -translate-x-1/2 -translate-y-1/2 p-6"
    >
      <Dialog.Title class="text-xl font-bold">Keys of this view</Dialog.Title>
      <ul class="mt-4 space-y-2">
        {#each shortcuts() as { key, label } (key + label)}
          <li class="flex items-center gap-4">
            <kbd
              class="border-line-strong bg-well reading inline-block min-w-9 rounded border px-2 py-0.5 text-center"
              >{key === ' ' ? 'Space' : key}</kbd
            >{label}
          </li>
        {/each}
      </ul>
      <Dialog.Close class="btn mt-6 w-full">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
