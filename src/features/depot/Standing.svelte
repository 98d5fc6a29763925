<script lang="ts">
  import type { OpenLine } from '$lib/views';
  import { PHASE_TITLES, PHASES } from '$core/physics/heat/phases';
  import HeatCurve, { placeOf } from '$lib/ui/plots/HeatCurve.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import { hour } from '$lib/ui/page-state/when';

  interface Props {
    /** Open jobs; a vehicle with several stands here once. */
    jobs: readonly OpenLine[];
    now: string;
    zone: string;
  }
  let { jobs, now, zone }: Props = $props();

  const vehicles = $derived([...new Map(jobs.map((j) => [j.vehicleId, j])).values()]);
  const known = $derived(vehicles.filter((v) => v.heat.phase !== 'unknown'));
  const unknown = $derived(vehicles.filter((v) => v.heat.phase === 'unknown'));
  /** Those that stand at the same place of the line are set side by side. */
  const marks = $derived(
    known.map((v) => {
      const at = placeOf(v.heat)!;
      const same = known.filter((o) => placeOf(o.heat) === at);
      return { at: at + (same.indexOf(v) - (same.length - 1) / 2) * 0.022, label: v.fleetNo };
    })
  );
  const of = (phase: string) => known.filter((v) => v.heat.phase === phase);

  function detail({ heat }: OpenLine): string {
    if (heat.running) return heat.coolantC === null ? 'runs' : shown(heat.coolantC, 'temperature', 0);
    if (heat.phase === 'cold') return 'ready';
    const cap =
      heat.safeToOpen === false && heat.safeToOpenFrom
        ? `cap ${hour(heat.safeToOpenFrom, zone, now)} · `
        : '';
    return heat.soakedFrom ? `${cap}ready ${hour(heat.soakedFrom, zone, now)}` : '';
  }
</script>

<section class="card mb-5 p-3 lg:px-4" aria-label="Where the engines stand">
  <HeatCurve {marks} height={52} />
  <ol class="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-5">
    {#each PHASES as phase (phase)}
      <li class="border-line border-t pt-1">
        <span class="text-ink-2 text-sm">{PHASE_TITLES[phase]}</span>
        <ul class="flex flex-wrap gap-x-4">
          {#each of(phase) as v (v.vehicleId)}
            <li>
              <a class="flex min-h-11 flex-wrap items-center gap-x-2 leading-tight" href="/jobs/{v.number}"
                ><span class="reading font-bold">{v.fleetNo}</span><span class="text-sm">{detail(v)}</span></a
              >
            </li>
          {/each}
        </ul>
      </li>
    {/each}
  </ol>
  {#if unknown.length > 0}
    <p class="text-ink-2 border-line mt-1 border-t pt-1 text-sm">
      Not known when they last ran:
      {#each unknown as v (v.vehicleId)}<a
          class="reading quiet-link mr-3 inline-block py-2 font-bold"
          href="/jobs/{v.number}?check=soak">{v.fleetNo}</a
        >{/each}
    </p>
  {/if}
</section>
