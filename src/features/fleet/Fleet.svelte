<script lang="ts">
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import { spanWords, toldDrift } from '$core/handover/memory/memory';
  import { shown, shownDifference, inReaderUnits } from '$lib/ui/page-state/units';
  import Marks from './Marks.svelte';
  import Pages from '$lib/ui/inputs/Pages.svelte';
  import type { FleetLine } from './types';

  interface Props {
    /** One page of it, what has drifted first. */
    fleet: readonly FleetLine[];
    drifted: number;
    page: number;
    pages: number;
    now: string;
  }
  let { fleet, drifted, page, pages, now }: Props = $props();

  const to = $derived(Date.parse(now));
  const from = $derived(to - 365 * 86_400_000);
  const warned = $derived(fleet.filter((v) => (v.memory?.warnings.length ?? 0) > 0));
  const typical = (v: FleetLine, trait: 'opening' | 'regulates' | 'fanOn') => {
    const known = v.memory?.typical.find((t) => t.trait === trait);
    return known ? shown(known.celsius, 'temperature', 0) : '–';
  };
</script>

<div class="mb-5">
  <p class="text-ink-2 flex justify-between">
    <a class="quiet-link" href="/vehicles">Vehicles</a><a class="btn" href="/fleet/table">As a table</a>
  </p>
  <h1>
    {drifted === 0
      ? 'No vehicle is changing'
      : `${drifted} vehicle${drifted === 1 ? ' is' : 's are'} changing`}
  </h1>
  <p class="text-ink-2 mt-1 max-w-3xl">
    What each vehicle does run by run since its last repair, the weather taken out. A change is told once the
    last three runs all show it, beyond what weather and driving explain.
  </p>
</div>

{#if warned.length > 0}
  <ul class="mb-4 space-y-2">
    {#each warned as v (v.id)}
      <li class="card flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-3" data-drifted={v.fleetNo}>
        <TriangleAlert class="text-off shrink-0" size={22} aria-hidden="true" />
        <a class="reading quiet-link font-bold" href="/vehicles/{v.id}">{v.fleetNo}</a>
        <span class="text-ink-2">{v.name}</span>
        {#each v.memory!.warnings as warning (warning)}<span class="w-full font-semibold"
            >{inReaderUnits(warning)}</span
          >{/each}
      </li>
    {/each}
  </ul>
{/if}

<div class="card overflow-x-auto">
  <table class="w-full min-w-[880px] text-left">
    <thead class="text-ink-2 text-sm"
      ><tr
        ><th class="px-4 py-3 font-normal">Vehicle</th><th class="py-3 pr-4 text-right font-normal">Runs</th
        ><th class="py-3 pr-4 text-right font-normal">Opens</th><th class="py-3 pr-4 text-right font-normal"
          >On the road</th
        ><th class="py-3 pr-4 text-right font-normal">Fan on</th><th class="py-3 pr-4 font-normal"
          >A year, run by run</th
        ><th class="py-3 pr-4 font-normal">Last three runs</th></tr
      ></thead
    >
    <tbody>
      {#each fleet as v (v.id)}
        {@const drift = v.memory && toldDrift(v.memory)}
        <tr class="border-line hover:bg-well border-t" data-fleet={v.fleetNo}>
          <td class="px-4 py-1"
            ><a href="/vehicles/{v.id}" class="flex min-h-11 flex-wrap items-center gap-x-3"
              ><span class="reading quiet-link font-bold">{v.fleetNo}</span><span class="text-ink-2 text-sm"
                >{v.name}</span
              ></a
            ></td
          >
          <td class="reading py-2 pr-4 text-right">{v.memory?.runs ?? 0}</td>
          <td class="reading py-2 pr-4 text-right whitespace-nowrap">{typical(v, 'opening')}</td>
          <td class="reading py-2 pr-4 text-right whitespace-nowrap">{typical(v, 'regulates')}</td>
          <td class="reading py-2 pr-4 text-right whitespace-nowrap">{typical(v, 'fanOn')}</td>
          <td class="py-1 pr-4">
            {#if v.marks.length > 0}<Marks
                marks={v.marks}
                {from}
                {to}
                label="Regulating temperature of {v.fleetNo} run by run"
              />{:else}<span class="text-ink-2 text-sm">no run yet</span>{/if}
          </td>
          <td class="py-2 pr-4 text-sm">
            {#if drift}
              <span class="reading {drift.sure ? 'text-off font-bold' : ''}"
                >{drift.byC > 0 ? '+' : '−'}{shownDifference(Math.abs(drift.byC))} ± {shownDifference(
                  drift.withinC
                )}</span
              >
              <span class="text-ink-2 block">against {spanWords(drift.then)}</span>
            {:else}<span class="text-ink-2">{v.memory ? 'fewer than eight runs' : '–'}</span>{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<Pages {page} {pages} href={(n) => `/fleet?page=${n}`} />
