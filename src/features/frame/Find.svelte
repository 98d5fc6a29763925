<script lang="ts">
  import Search from '~icons/lucide/search';
  import { Command, Dialog } from 'bits-ui';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { CHECK_IDS, checkOf } from '$core/checks/registry';
  import { CODES, findCodes } from '$core/vehicle/codes';
  import type { FoundJob, FoundVehicle } from '$lib/views';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();

  interface Hit {
    readonly id: string;
    readonly kind: string;
    readonly title: string;
    readonly detail: string;
    readonly href: string | null;
  }

  let typed = $state('');
  let found = $state.raw<{ jobs: FoundJob[]; vehicles: FoundVehicle[] }>({ jobs: [], vehicles: [] });
  let away = $state(false);

  const inJob = $derived(/^\/jobs\/\d+/.exec(page.url.pathname)?.[0] ?? null);
  const words = $derived(typed.toLowerCase().split(/\s+/).filter(Boolean));
  const local = $derived<Hit[]>([
    ...(words.length === 0 ? [] : CHECK_IDS)
      .filter((id) =>
        words.every((w) => `${id} ${checkOf(id).title} ${checkOf(id).decides}`.toLowerCase().includes(w))
      )
      .slice(0, 5)
      .map((id) => ({
        id,
        kind: 'Check',
        title: checkOf(id).title,
        detail: inJob ? checkOf(id).decides : `${checkOf(id).decides} Open a job to do it.`,
        href: inJob ? `${inJob}?check=${id}` : null
      })),
    ...findCodes(typed)
      .slice(0, 5)
      .map((code) => ({
        id: code,
        kind: 'Code',
        title: code,
        detail: [CODES[code].means, CODES[code].failsafe].filter(Boolean).join('. '),
        href: null
      }))
  ]);
  const hits = $derived<Hit[]>([
    ...found.jobs.map((j) => ({
      id: `job${j.number}`,
      kind: 'Job',
      title: `${j.fleetNo} · job ${j.number}${j.state === 'closed' ? ', closed' : ''}`,
      detail: j.complaint,
      href: `/jobs/${j.number}`
    })),
    ...found.vehicles.flatMap((v) => [
      {
        id: v.id,
        kind: 'Vehicle and sheet',
        title: `${v.fleetNo} ${v.name}`,
        detail: v.note,
        href: `/vehicles/${v.id}`
      }
    ]),
    ...local
  ]);

  /** What Enter takes: the first, until another is chosen. What the server finds comes later than what is known here. */
  let chosen = $state('');
  $effect(() => {
    if (!hits.some((h) => h.id === chosen)) chosen = hits[0]?.id ?? '';
  });

  let request = 0;
  $effect(() => {
    const q = typed.trim();
    const mine = ++request;
    if (!open || q === '') {
      found = { jobs: [], vehicles: [] };
      return;
    }
    const timer = setTimeout(async () => {
      const response = await fetch(`/api/find?q=${encodeURIComponent(q)}`).catch(() => null);
      if (mine !== request) return;
      away = !response?.ok;
      if (response?.ok) found = await response.json();
    }, 120);
    return () => clearTimeout(timer);
  });

  function go(hit: Hit | undefined) {
    if (!hit?.href) return;
    open = false;
    typed = '';
    void goto(hit.href);
  }
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
    <Dialog.Content class="card fixed top-[8vh] left-1/2 z-50 w-[min(44rem,94vw)] -translate-x-1/2 p-4">
      <Dialog.Title class="sr-only">Find</Dialog.Title>
      <Command.Root
        bind:value={chosen}
        shouldFilter={false}
        label="Find a job, vehicle, sheet, code or check"
      >
        <div class="flex items-center gap-3">
          <Search size={20} aria-hidden="true" />
          <Command.Input
            class="field text-lg"
            placeholder="Job, vehicle, spec sheet, code, check"
            autocomplete="off"
            bind:value={typed}
          />
        </div>
        <Command.List class="mt-2 max-h-[60vh] overflow-y-auto" aria-label="Found">
          <Command.Viewport>
            {#each hits as hit (hit.id)}
              <Command.Item
                value={hit.id}
                onSelect={() => go(hit)}
                class="data-selected:bg-well grid w-full grid-cols-[110px_1fr] gap-x-3 rounded-lg px-3 py-2 text-left {hit.href
                  ? 'cursor-pointer'
                  : 'cursor-default'}"
              >
                <span class="text-ink-2 pt-0.5 text-sm">{hit.kind}</span>
                <span class="min-w-0"
                  ><span class="font-semibold">{hit.title}</span><span class="text-ink-2 line-clamp-2 text-sm"
                    >{hit.detail}</span
                  ></span
                >
              </Command.Item>
            {/each}
          </Command.Viewport>
        </Command.List>
      </Command.Root>
      {#if typed.trim() && hits.length === 0}<p class="text-ink-2 px-3 py-3">
          Nothing has all of these words.
        </p>{/if}
      {#if away}<p class="text-ink-2 px-3 pt-2 text-sm">
          The server is away: only codes and checks were searched.
        </p>{/if}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
