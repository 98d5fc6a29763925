<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import { readSpecSheet } from '$core/vehicle/read-sheet';
  import { FAN_TAPS, FUEL_TAPS, sheetOfTaps, type Taps } from '$core/vehicle/three-taps';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { named, saveSheet } from '$lib/ui/outbox/save-sheet';

  interface Props {
    /** Came from opening a job, and goes back there. */
    forJob: boolean;
  }
  let { forJob }: Props = $props();
  let fleetNo = $state('');
  let name = $state('');
  let note = $state('');
  let taps = $state<Taps>({ fuel: null, fan: null, stampedC: null });
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  const id = crypto.randomUUID();
  const eventIds = { vehicle: crypto.randomUUID(), sheet: crypto.randomUUID() };

  const UNKNOWN = { value: '', label: 'Not known' };
  const fuels = [UNKNOWN, ...choicesOf(FUEL_TAPS)];
  const fans = [UNKNOWN, ...choicesOf(FAN_TAPS)];

  const sheet = $derived(sheetOfTaps(name.trim() || 'new', taps));
  /** What is wrong with the number, as soon as it stands there. */
  const stamp = $derived.by(() => {
    const read = readSpecSheet(sheet);
    const wrong = read.ok ? undefined : read.problems.find((p) => p.field === 'thermostat.startOpenC');
    return wrong && inReaderUnits(`It ${wrong.message}`);
  });

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const back = event.submitter?.dataset.back === 'yes';
    const lacking: Problem[] = [];
    if (!fleetNo.trim()) lacking.push({ field: 'Fleet number', message: 'give one; jobs are found by it' });
    if (!name.trim()) lacking.push({ field: 'Vehicle', message: 'give maker, model and engine' });
    if (stamp) lacking.push({ field: 'Number on the thermostat', message: stamp });
    problems = lacking;
    if (lacking.length > 0) return;
    busy = true;
    const entered = await record(
      `vehicle:${id}`,
      { kind: 'vehicle.entered', payload: { fleetNo: fleetNo.trim(), name: name.trim(), note: note.trim() } },
      eventIds.vehicle
    );
    const answer = entered.ok ? await saveSheet(id, sheet, eventIds.sheet) : entered;
    busy = false;
    if (!answer.ok) problems = named(answer.problems);
    else await goto(back ? `/jobs/new?vehicle=${id}` : `/vehicles/${id}`);
  }
</script>

<h1 class="mb-4">Add a vehicle</h1>
<div class="grid items-start gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
  <form class="card space-y-4 p-5" onsubmit={add}>
    <Problems {problems} entry title="Not added yet" />
    <div class="grid gap-4 sm:grid-cols-[10rem_1fr]">
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Fleet number</span><input
          class="field reading"
          bind:value={fleetNo}
          maxlength="20"
          autocomplete="off"
        /></label
      >
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Vehicle</span><input
          class="field"
          bind:value={name}
          maxlength="120"
          placeholder="maker, model and engine"
          autocomplete="off"
        /></label
      >
    </div>
    <Choose
      label="Fuel"
      choices={fuels}
      value={taps.fuel ?? ''}
      onvalue={(v) => (taps = { ...taps, fuel: (v || null) as Taps['fuel'] })}
    />
    <Choose
      label="Fan"
      choices={fans}
      value={taps.fan ?? ''}
      onvalue={(v) => (taps = { ...taps, fan: (v || null) as Taps['fan'] })}
    />
    <div class="max-w-60">
      <QuantityInput
        label="Number on the thermostat"
        kind="temperature"
        value={taps.stampedC}
        hint="where it starts to open; 195F is read too"
        problem={stamp}
        onvalue={(v) => (taps = { ...taps, stampedC: v })}
      />
    </div>
    <label class="block"
      ><span class="mb-1 block text-sm font-semibold">Used for</span><input
        class="field"
        bind:value={note}
        maxlength="200"
        placeholder="optional"
      /></label
    >
    <p class="text-ink-2 text-sm">
      What you do not know stays open: it is taken as typical for such an engine, marked so, and rules nothing
      out. A check asks for it where it would decide something.
    </p>
    <div class="flex flex-wrap gap-3">
      <button class="btn btn-main" data-back="yes" disabled={busy}
        >{forJob ? 'Add and go on with the job' : 'Add and open a job'}</button
      >
      <button class="btn" disabled={busy}>Add the vehicle</button><a
        class="btn"
        href={forJob ? '/jobs/new' : '/vehicles'}>Cancel</a
      >
    </div>
  </form>
  <aside class="text-ink-2 space-y-3" aria-label="What comes next">
    <h2 class="text-ink">What comes next</h2>
    <ol class="list-decimal space-y-2 pl-5">
      <li>
        <strong class="text-ink">Open a job</strong> with what the driver tells. It already points at suspects.
      </li>
      <li>
        <strong class="text-ink">Do the cold checks first</strong>, before the key is turned: soak, codes,
        level and the sensor against a thermometer. They take ten minutes; once the engine has run they wait
        until tomorrow.
      </li>
      <li>
        <strong class="text-ink">Record or import a warm-up</strong> from cold until the fan has run. It is held
        against what this engine should do today.
      </li>
    </ol>
    <p>
      The number on the thermostat helps most: with it a thermostat that opens early or late is told from one
      that is sound. Later, the vehicle’s page takes a whole page of values pasted or dropped.
    </p>
  </aside>
</div>
