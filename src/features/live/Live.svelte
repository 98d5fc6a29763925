<script lang="ts">
  import { goto } from '$app/navigation';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Learned } from '$core/physics/plant/priors';
  import type { CaseInput } from '$core/diagnosis/case';
  import type { EventInput } from '$core/record/events';
  import { record, type Answer } from '$lib/ui/outbox/record.svelte';
  import Dangers from '$features/job/Dangers.svelte';
  import { jobCase } from '$features/job/job-case.svelte';
  import { bareSheet } from '$core/vehicle/three-taps';
  import LiveRun from './LiveRun.svelte';
  import StartLive, { type Adapter } from './StartLive.svelte';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string };
    sheet: SpecSheet | null;
    knownGood: readonly Learned[];
    known: CaseInput;
    adapters: readonly Adapter[];
  }
  let { job, vehicle, sheet, knownGood, known, adapters }: Props = $props();

  const page_ = jobCase(() => ({ job, known }));
  const shown = $derived(page_.case);
  const state_ = $derived(shown.state);
  /** Without a sheet the run is held against a typical engine. */
  const against = $derived(sheet ?? bareSheet(vehicle.name));
  const write = (body: EventInput): Promise<Answer> => record(page_.stream, body);
</script>

<p class="text-ink-2">
  <a class="quiet-link" href="/jobs/{job.number}">{vehicle.fleetNo} job {job.number}</a>
  {vehicle.name}
</p>
{#if state_.live}
  <h1 class="sr-only">Live warm-up of {vehicle.fleetNo}</h1>
  {#key state_.live.runId}
    <LiveRun
      jobId={job.id}
      live={state_.live}
      sheet={against}
      {knownGood}
      {write}
      onended={(runId) => goto(`/jobs/${job.number}${runId ? `?run=${runId}` : ''}`, { invalidateAll: true })}
    />
  {/key}
{:else}
  <Dangers
    dangers={shown.dangers}
    overridden={state_.overridden}
    ongoon={(payload) => void write({ kind: 'stop.overridden', payload })}
  />
  <StartLive
    jobId={job.id}
    acknowledged={state_.acknowledged}
    held={shown.held !== undefined}
    {sheet}
    {vehicle}
    {adapters}
    {write}
  />
{/if}
