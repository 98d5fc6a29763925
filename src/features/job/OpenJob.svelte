<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Problem } from '$core/result';
  import Problems from '$lib/ui/Problems.svelte';
  import { record } from '$lib/ui/record';
  import { when } from '$lib/ui/when';

  interface Props {
    vehicles: readonly { id: string; fleetNo: string; name: string; note: string; openJobs: number }[];
    chosen: string | null;
    jobs: readonly {
      number: number;
      vehicleId: string;
      complaint: string;
      state: string;
      openedAt: string;
      finding: string | null;
    }[];
    zone: string;
  }
  let { vehicles, chosen, jobs, zone }: Props = $props();

  // svelte-ignore state_referenced_locally
  let vehicleId = $state(vehicles.some((v) => v.id === chosen) ? chosen! : '');
  let complaint = $state('');
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  const jobId = crypto.randomUUID();
  const eventId = crypto.randomUUID();
  const earlier = $derived(jobs.filter((j) => j.vehicleId === vehicleId).slice(0, 6));

  async function open(event: SubmitEvent) {
    event.preventDefault();
    const lacking: Problem[] = [];
    if (!vehicleId) lacking.push({ field: 'Vehicle', message: 'pick one' });
    if (!complaint.trim())
      lacking.push({ field: 'Complaint', message: 'say what the driver noticed, and when' });
    problems = lacking;
    if (lacking.length > 0) return;
    busy = true;
    const answer = await record(
      `job:${jobId}`,
      { kind: 'job.opened', payload: { vehicleId, complaint: complaint.trim() } },
      eventId
    );
    busy = false;
    if (!answer.ok) problems = answer.problems;
    else await goto(`/jobs/by-id/${jobId}`);
  }
</script>

<h1 class="mb-4">Open a job</h1>
<div class="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_420px]">
  <form class="card space-y-5 p-5" onsubmit={open}>
    <Problems {problems} title="Not opened yet" />
    <fieldset>
      <legend class="mb-1.5 font-semibold">Vehicle</legend>
      {#if vehicles.length === 0}<p class="text-ink-2">No vehicle yet.</p>{/if}
      <div class="grid gap-2 sm:grid-cols-2">
        {#each vehicles as v (v.id)}
          <label
            class="has-checked:border-act has-checked:bg-well border-line-strong flex min-h-14 cursor-pointer items-center gap-3 rounded-lg border px-3 py-1.5 has-checked:border-2"
          >
            <input type="radio" name="vehicle" value={v.id} bind:group={vehicleId} class="size-5" />
            <span class="min-w-0"
              ><span class="reading font-bold">{v.fleetNo}</span>
              {v.name}<br /><span class="text-ink-2 text-sm"
                >{v.note}{v.openJobs > 0 ? ` · ${v.openJobs} open` : ''}</span
              ></span
            >
          </label>
        {/each}
      </div>
      <a class="quiet-link mt-2 inline-block py-2" href="/vehicles/new">Add a vehicle</a>
    </fieldset>
    <label class="block"
      ><span class="mb-1 block font-semibold">Complaint</span><textarea
        class="field min-h-28"
        bind:value={complaint}
        maxlength="2000"
        placeholder="As the driver tells it: what, and when (idle, crawling, steady road, pulling a grade, after stopping)"
      ></textarea></label
    >
    <div class="flex gap-3">
      <button class="btn btn-main" disabled={busy}>Open the job</button><a class="btn" href="/">Leave it</a>
    </div>
  </form>
  <aside class="card p-5">
    <h2>Earlier work</h2>
    {#if !vehicleId}<p class="text-ink-2 mt-2">Pick a vehicle to see what was done on it before.</p>
    {:else if earlier.length === 0}<p class="text-ink-2 mt-2">Nothing before on this vehicle.</p>
    {:else}
      <ul class="mt-2">
        {#each earlier as j (j.number)}
          <li class="border-line border-t py-2.5">
            <a class="quiet-link font-semibold" href="/jobs/{j.number}">{j.complaint}</a>
            <p class="text-ink-2 text-sm">
              {when(j.openedAt, zone)} · {j.state}{j.finding ? ` · ${j.finding}` : ''}
            </p>
          </li>
        {/each}
      </ul>
    {/if}
  </aside>
</div>
