<script lang="ts">
  import { goto } from '$app/navigation';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Learned } from '$core/physics/plant/priors';
  import { deriveJob } from '$core/record/derive';
  import type { EventInput, RecordEvent } from '$core/record/events';
  import { record, withWaiting, type Answer } from '$lib/ui/outbox/record.svelte';
  import LiveRun from './LiveRun.svelte';
  import StartLive, { type Adapter } from './StartLive.svelte';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string };
    sheet: SpecSheet | null;
    knownGood: readonly Learned[];
    events: readonly RecordEvent[];
    adapters: readonly Adapter[];
  }
  let { job, vehicle, sheet, knownGood, events: known, adapters }: Props = $props();

  const stream = $derived(`job:${job.id}`);
  const state_ = $derived(deriveJob(withWaiting(stream, known))!);
  const write = (body: EventInput): Promise<Answer> => record(stream, body);
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
      {sheet}
      {knownGood}
      {write}
      onended={(runId) => goto(`/jobs/${job.number}${runId ? `?run=${runId}` : ''}`, { invalidateAll: true })}
    />
  {/key}
{:else}
  <StartLive jobId={job.id} acknowledged={state_.acknowledged} {sheet} {vehicle} {adapters} {write} />
{/if}
