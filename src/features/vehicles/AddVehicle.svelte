<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';

  interface Props {
    /** Came from opening a job, and goes back there. */
    forJob: boolean;
  }
  let { forJob }: Props = $props();
  let fleetNo = $state('');
  let name = $state('');
  let note = $state('');
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  const id = crypto.randomUUID();
  const eventId = crypto.randomUUID();

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const back = event.submitter?.dataset.back === 'yes';
    const lacking: Problem[] = [];
    if (!fleetNo.trim()) lacking.push({ field: 'Fleet number', message: 'give one; jobs are found by it' });
    if (!name.trim()) lacking.push({ field: 'Vehicle', message: 'give maker, model and engine' });
    problems = lacking;
    if (lacking.length > 0) return;
    busy = true;
    const answer = await record(
      `vehicle:${id}`,
      { kind: 'vehicle.entered', payload: { fleetNo: fleetNo.trim(), name: name.trim(), note: note.trim() } },
      eventId
    );
    busy = false;
    if (!answer.ok) problems = answer.problems;
    else await goto(back ? `/jobs/new?vehicle=${id}` : `/vehicles/${id}/sheet`);
  }
</script>

<h1 class="mb-4">Add a vehicle</h1>
<form class="card max-w-2xl space-y-4 p-5" onsubmit={add}>
  <Problems {problems} title="Not added yet" />
  <label class="block"
    ><span class="mb-1 block font-semibold">Fleet number</span><input
      class="field reading"
      bind:value={fleetNo}
      maxlength="20"
      autocomplete="off"
    /></label
  >
  <label class="block"
    ><span class="mb-1 block font-semibold">Vehicle</span><input
      class="field"
      bind:value={name}
      maxlength="120"
      autocomplete="off"
    /></label
  >
  <label class="block"
    ><span class="mb-1 block font-semibold">What it does</span><input
      class="field"
      bind:value={note}
      maxlength="200"
      placeholder="optional"
    /></label
  >
  <div class="flex flex-wrap gap-3">
    {#if forJob}<button class="btn btn-main" data-back="yes" disabled={busy}
        >Add it and go on with the job</button
      >{/if}
    <button class="btn {forJob ? '' : 'btn-main'}" disabled={busy}>Add it and write its spec sheet</button><a
      class="btn"
      href={forJob ? '/jobs/new' : '/vehicles'}>Leave it</a
    >
  </div>
  {#if forJob}<p class="text-ink-2 text-sm">
      Without a spec sheet checks are judged by our defaults, and a run not at all. It can be written later.
    </p>{/if}
</form>
