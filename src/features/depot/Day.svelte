<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { mayHere } from '$lib/ui/page-state/who';
  import Plus from '~icons/lucide/plus';
  import { goto } from '$app/navigation';
  import { hasPad } from '$lib/ui/page-state/hands.svelte';
  import { useNow } from '$lib/ui/page-state/now.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { day } from '$lib/ui/page-state/when';
  import type { ShopCosts } from '$core/record/shop-costs';
  import { later } from '$lib/ui/page-state/later.svelte';
  import Due from './Due.svelte';
  import JobRow from './JobRow.svelte';
  import Standing from './Standing.svelte';
  import type { DueLine, JobLine, OpenLine } from '$lib/views';

  interface Props {
    /** What things cost, where nobody has said what the shop's money is called. */
    costs: ShopCosts | null;
    open: readonly OpenLine[];
    /** The last that were closed. */
    closed: readonly JobLine[];
    closedCount: number;
    due: readonly DueLine[];
    zone: string;
    now: string;
  }
  let { costs, open: allOpen, closed: lastClosed, closedCount, due, zone, now }: Props = $props();

  // svelte-ignore state_referenced_locally
  const clock = useNow(now);
  // svelte-ignore state_referenced_locally
  const ask = costs ? later(() => import('$features/shop/AskMoney.svelte')) : null;
  let wanted = $state('');
  let filter = $state<HTMLInputElement>();
  const words = $derived(wanted.toLowerCase().split(/\s+/).filter(Boolean));
  const has = (j: JobLine) =>
    words.every((w) =>
      `${j.number} ${j.fleetNo} ${j.vehicleName} ${j.complaint} ${j.leader ? FAULTS[j.leader.fault].title : ''} ${j.lastRun?.title ?? ''}`
        .toLowerCase()
        .includes(w)
    );
  const open = $derived(allOpen.filter(has));
  const closed = $derived(lastClosed.filter(has));
  const empty = $derived(allOpen.length + lastClosed.length === 0);

  $effect(() =>
    useShortcuts([
      { key: 'f', label: 'Filter', run: () => filter?.focus() },
      { key: 'n', label: 'Open a new job', run: () => void goto('/jobs/new') }
    ])
  );
</script>

<div class="mb-5 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2">{day(now, zone)}</p>
    <h1>{open.length === 0 ? 'Nothing open' : `${open.length} job${open.length === 1 ? '' : 's'} open`}</h1>
  </div>
  {#if !empty}
    <label class="w-64"
      ><span class="sr-only">Filter</span><input
        class="field"
        type="search"
        placeholder={hasPad() ? 'Filter' : 'Filter   F'}
        bind:value={wanted}
        bind:this={filter}
      /></label
    >
  {/if}
  {#if closedCount > 0 && mayHere('lead')}<a class="btn" href="/numbers">Numbers</a>{/if}
  {#if mayHere('technician')}
    <a class="btn btn-main" href="/jobs/new"><Plus size={20} aria-hidden="true" />Open a job</a>
  {/if}
</div>

{#if costs && ask?.part && words.length === 0}<ask.part {costs} />{/if}

{#if empty}
  <div class="card mx-auto max-w-xl p-8 text-center">
    <h2>No jobs yet</h2>
    <p class="text-ink-2 mt-2">
      Add the vehicle with its spec sheet, open a job on it, and drop in a temperature log.
    </p>
    <p class="mt-5 flex justify-center gap-3">
      <a class="btn" href="/vehicles/new">Add a vehicle</a><a class="btn btn-main" href="/jobs/new"
        >Open a job</a
      >
    </p>
  </div>
{:else if open.length + closed.length === 0}
  <p class="card text-ink-2 p-6">
    No job here has “{wanted}” in its number, vehicle, complaint or finding.
    <a class="quiet-link" href="/jobs?q={encodeURIComponent(wanted)}">All jobs</a>
    <button class="quiet-link" onclick={() => (wanted = '')}>Show all</button>
  </p>
{/if}

{#if open.length > 0}<Standing jobs={open} now={clock.iso} {zone} />{/if}

{#if due.length > 0 && words.length === 0}<Due {due} now={clock.iso} />{/if}

<ul class="space-y-2.5">
  {#each open as job (job.number)}<li><JobRow {job} {zone} /></li>{/each}
</ul>

{#if closed.length > 0}
  <h2 class="mt-8 mb-3">Closed</h2>
  <ul class="space-y-2.5">
    {#each closed as job (job.number)}<li><JobRow {job} {zone} /></li>{/each}
  </ul>
  {#if closedCount > closed.length && words.length === 0}
    <p class="mt-3"><a class="btn" href="/jobs">All {closedCount} closed jobs</a></p>
  {/if}
{/if}
