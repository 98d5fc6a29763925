<script lang="ts">
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import { mayHere } from '$lib/ui/page-state/who';
  import { goto } from '$app/navigation';
  import Pages from '$lib/ui/inputs/Pages.svelte';
  import { untrack } from 'svelte';
  import Plus from '~icons/lucide/plus';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { fanWords } from '$core/vehicle/fan-words';
  import type { Vehicle } from './types';

  interface Props {
    vehicles: readonly Vehicle[];
    /** The words they were found by. */
    asked: string;
    /** How many there are in all. */
    all: number;
    page: number;
    pages: number;
  }
  let { vehicles, asked, all, page, pages }: Props = $props();
  // What is typed runs ahead of what was found.
  let typed = $state(untrack(() => asked));
  let filter = $state<HTMLInputElement>();
  const href = (n: number, q = asked) =>
    `/vehicles?${new URLSearchParams({ ...(q ? { q } : {}), ...(n > 1 ? { page: String(n) } : {}) }).toString()}`;
  /** Finds as one types; the address follows, so that what was found can be passed on. */
  const find = (words: string) => goto(href(1, words), { keepFocus: true, replaceState: true });
  $effect(() => useShortcuts([{ key: '/', label: 'Find a vehicle', run: () => filter?.focus() }]));
  const range = (low: number | null | undefined, high: number | null | undefined) =>
    low == null && high == null
      ? 'not given'
      : high == null
        ? shown(low, 'temperature', 0)
        : `${low == null ? '–' : Math.round(inUnit(low, 'temperature'))} to ${shown(high, 'temperature', 0)}`;
</script>

<div class="mb-5 flex flex-wrap items-end gap-4">
  <h1 class="mr-auto">Vehicles</h1>
  {#if all > 0}<label class="w-64"
      ><span class="sr-only">Find a vehicle</span><input
        class="field"
        type="search"
        placeholder="Find a vehicle   /"
        bind:value={typed}
        oninput={() => void find(typed)}
        bind:this={filter}
      /></label
    >{/if}
  {#if all > 0}<a class="btn" href="/vehicles/table">As a table</a><a class="btn" href="/fleet">Trends</a
    >{/if}
  {#if mayHere('technician')}
    <a class="btn btn-main" href="/vehicles/new"><Plus size={20} aria-hidden="true" />Add a vehicle</a>
  {/if}
</div>

{#if all === 0}
  <div class="card mx-auto max-w-xl p-8 text-center">
    <h2>No vehicles yet</h2>
    <p class="text-ink-2 mt-2">
      A vehicle needs a spec sheet: what its thermostat, fan and sensor should do.
    </p>
  </div>
{:else}
  <div class="card overflow-x-auto">
    <table class="w-full min-w-[820px] text-left">
      <thead class="text-ink-2 text-sm"
        ><tr
          ><th class="px-4 py-3 font-normal">Fleet no.</th><th class="py-3 pr-4 font-normal">Vehicle</th><th
            class="py-3 pr-4 font-normal">Thermostat</th
          ><th class="py-3 pr-4 font-normal">Regulates</th><th class="py-3 pr-4 font-normal">Fan</th><th
            class="py-3 pr-4 text-right font-normal">Jobs</th
          ></tr
        ></thead
      >
      <tbody>
        {#each vehicles as v (v.id)}
          <tr class="border-line hover:bg-well border-t">
            <td class="px-4 py-1"
              ><a
                href="/vehicles/{v.id}"
                class="reading quiet-link flex min-h-11 items-center font-bold whitespace-nowrap"
                >{v.fleetNo}</a
              ></td
            >
            <td class="py-2 pr-4">{v.name}<br /><span class="text-ink-2 text-sm">{v.note}</span></td>
            {#if v.sheet}
              <td class="reading py-2 pr-4 whitespace-nowrap"
                >{range(v.sheet.thermostat?.startOpenC, v.sheet.thermostat?.fullOpenC)}<br /><span
                  class="text-ink-2 font-sans text-sm"
                  >{v.sheet.thermostat?.side ?? 'side not given'}{v.sheet.thermostat?.heaterOhm
                    ? ', heated'
                    : ''}</span
                ></td
              >
              <td class="reading py-2 pr-4">{range(v.sheet.regulating?.lowC, v.sheet.regulating?.highC)}</td>
              <td class="py-2 pr-4">{fanWords(v.sheet)}</td>
            {:else}<td colspan="3" class="text-off py-2 pr-4 font-semibold"
                >No spec sheet: runs cannot be judged</td
              >{/if}
            <td class="reading py-2 pr-4 text-right"
              >{v.jobs}{v.openJobs > 0 ? ` (${v.openJobs} open)` : ''}</td
            >
          </tr>
        {:else}<tr
            ><td colspan="6" class="text-ink-2 px-4 py-6"
              >No vehicle has “{asked}” in its number, name, note or fan.</td
            ></tr
          >{/each}
      </tbody>
    </table>
  </div>
  <Pages {page} {pages} {href} />
{/if}
