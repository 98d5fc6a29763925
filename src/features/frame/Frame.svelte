<script lang="ts">
  import Keyboard from '~icons/lucide/keyboard';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { untrack } from 'svelte';
  import { toast } from 'svelte-sonner';
  import { hasPad } from '$lib/ui/page-state/hands.svelte';
  import { later, whenIdle } from '$lib/ui/page-state/later.svelte';
  import { isKept, keepPages } from '$lib/ui/offline/here';
  import { onShortcut, useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import CalendarClock from '~icons/lucide/calendar-clock';
  import GraduationCap from '~icons/lucide/graduation-cap';
  import Droplets from '~icons/lucide/droplets';
  import Sunrise from '~icons/lucide/sunrise';
  import Thermometer from '~icons/lucide/thermometer';
  import Truck from '~icons/lucide/truck';
  import Wrench from '~icons/lucide/wrench';
  import Search from '~icons/lucide/search';
  import { fetchEntries } from '$lib/ui/outbox/record.svelte';
  import { serverAway, stayLive } from '$lib/ui/sync/live.svelte';
  import { atLeast, type Role } from '$core/record/roles';
  import SessionMenu from '../access/SessionMenu.svelte';
  import ThemeSwitch from './ThemeSwitch.svelte';
  import UnitsButton from './UnitsButton.svelte';
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
  const keys = later(() => import('./Keys.svelte'));
  const find = later(() => import('./Find.svelte'));
  // svelte-ignore state_referenced_locally
  const lock = session ? later(() => import('../access/LockScreen.svelte')) : null;
  const pad = later(() => import('$lib/ui/inputs/Pad.svelte'));
  const messages = later(() => import('./Messages.svelte'));
  let help = $state(false);
  let finding = $state(false);

  const ALL = [
    { href: '/', label: 'Day', icon: Sunrise, least: 'reader' },
    { href: '/board', label: 'Board', icon: CalendarClock, least: 'reader' },
    { href: '/vehicles', label: 'Vehicles', icon: Truck, least: 'reader' },
    { href: '/sensor', label: 'Sensor', icon: Thermometer, least: 'technician' },
    { href: '/coolant', label: 'Coolant', icon: Droplets, least: 'technician' },
    { href: '/shop', label: 'Shop', icon: Wrench, least: 'lead' },
    { href: '/practice', label: 'Practice', icon: GraduationCap, least: 'technician' }
  ] as const;
  const links = $derived(ALL.filter((l) => !session || atLeast(session.role, l.least)));
  const current = (href: string) =>
    href === '/'
      ? page.url.pathname === '/' || page.url.pathname.startsWith('/jobs')
      : page.url.pathname.startsWith(href);

  async function openFind() {
    finding = await find.get();
  }
  async function openKeys() {
    help = await keys.get();
  }

  // Tells those who wait (tests, and a person on a slow tablet) that the page answers to keys and clicks.
  $effect(() => {
    document.documentElement.dataset.alive = 'yes';
  });
  $effect(() => stayLive(untrack(() => page.data.drawnAt as string)));
  $effect(() => whenIdle(fetchEntries));
  $effect(keepPages);
  // Leaving would end at an error page; what is open goes on working without the server, and so does what is kept.
  beforeNavigate((navigation) => {
    const to = navigation.to?.url;
    if (!serverAway() || navigation.willUnload || !to || to.pathname === page.url.pathname) return;
    navigation.cancel();
    void isKept(to).then((kept) =>
      kept
        ? location.assign(to)
        : toast(
            'The server does not answer, and that page was not opened on this device before. Entries are kept and go out when it is back.'
          )
    );
  });
  $effect(() =>
    useShortcuts([
      { key: '/', label: 'Find a job, vehicle, sheet, code or check', run: openFind },
      { key: '?', label: 'Show the keys of this view', run: openKeys },
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
      <button class="btn px-3" onclick={openFind} aria-label="Find a job, vehicle, sheet, code or check"
        ><Search size={20} aria-hidden="true" /></button
      >
      {#if session}<SessionMenu name={session.name} role={session.role} />{:else}<WhoPicker {who} />{/if}
      <UnitsButton />
      <ThemeSwitch {theme} />
      <button class="btn px-3 max-md:hidden" onclick={openKeys} aria-label="Keys of this view"
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

{#if session && lock?.part}<lock.part person={session.person} name={session.name} />{/if}
<main id="main" class="mx-auto max-w-[1760px] px-3 pt-3 pb-36 md:pb-6 lg:px-6">{@render children()}</main>

{#if find.part}<find.part bind:open={finding} />{/if}
{#if messages.part}<messages.part />{/if}
{#if pad.part && hasPad()}<pad.part />{/if}
{#if keys.part}<keys.part bind:open={help} />{/if}
