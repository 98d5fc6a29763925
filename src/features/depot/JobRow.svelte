<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { sayChance } from '$core/base/text';
  import { RESULT_LOOK } from '$lib/ui/page-state/results';
  import Spark from '$lib/ui/plots/Spark.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import type { JobLine } from '$lib/views';

  interface Props {
    job: JobLine;
    zone: string;
    showVehicle?: boolean;
  }
  let { job, zone, showVehicle = true }: Props = $props();
  const RESULTS = ['fail', 'unclear', 'pass', 'void'] as const;
  const counts = $derived(
    RESULTS.map((result) => ({ result, n: job.results.filter((r) => r.result === result).length })).filter(
      ({ n }) => n > 0
    )
  );
</script>

<a
  href="/jobs/{job.number}"
  class="card hover:border-line-strong grid min-h-[88px] grid-cols-[1fr] items-center gap-x-6 gap-y-2 px-4 py-3 md:grid-cols-[minmax(0,5fr)_200px_minmax(0,4fr)]"
  data-job={job.number}
>
  <div class="min-w-0">
    <p class="flex flex-wrap items-baseline gap-x-3">
      {#if showVehicle}<span class="reading text-lg font-bold">{job.fleetNo}</span><span class="text-ink-2"
          >{job.vehicleName}</span
        >{/if}
      <span class="text-ink-2 text-sm">job {job.number} · {when(job.lastAt, zone)}</span>
    </p>
    <p class="mt-0.5 line-clamp-2">{job.complaint}</p>
  </div>
  <div class="hidden md:block">
    {#if job.spark}<Spark {...job.spark} label="Coolant curve of the last run over its expected band" />{/if}
  </div>
  <div class="min-w-0">
    {#if job.leader}
      <p
        class="flex items-baseline gap-2 font-bold {job.leader.fault === 'none' ? 'text-good' : 'text-ink'}"
        data-leader={job.leader.fault}
      >
        <span class="truncate">{FAULTS[job.leader.fault].title}</span>
        <span class="reading ml-auto shrink-0 font-normal">{sayChance(job.leader.probability)}</span>
      </p>
    {/if}
    {#if job.lastRun}
      <p class="text-ink-2 mt-0.5 line-clamp-2 text-sm">Last run: {inReaderUnits(job.lastRun.sentence)}</p>
    {:else}
      <p class="text-ink-2 mt-0.5 text-sm">No run yet</p>
    {/if}
    {#if job.results.length > 0}
      <p class="mt-1 flex flex-wrap gap-x-3 text-sm">
        {#each counts as { result, n } (result)}
          {@const look = RESULT_LOOK[result]}
          <span class="flex items-center gap-1 {look.text}"
            ><look.icon size={16} aria-hidden="true" />{n} {look.word.toLowerCase()}</span
          >
        {/each}
      </p>
    {/if}
    {#if job.proof && !job.outcome}<p class="mt-1 text-sm font-semibold">
        Proof: {job.proof.met} of {job.proof.needed}
      </p>{/if}
    {#if job.outcome}<p class="mt-1 text-sm font-semibold">Closed: {job.outcome}</p>{/if}
  </div>
</a>
