<script lang="ts" module>
  export interface Adapter {
    readonly name: string;
    readonly address: string;
    readonly simulated: boolean;
  }
</script>

<script lang="ts">
  import SliderInput from '$lib/ui/inputs/SliderInput.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { FAULTS, PLANT_FAULTS, withFault } from '$core/faults/registry';
  import { untrack } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { CAUTIONS, type CautionId } from '$core/measure/cautions';
  import { instrumentOf } from '$core/measure/instruments';
  import { checkOf } from '$core/checks/registry';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { DRIVES } from '$core/physics/plant/drive';
  import type { FaultId } from '$core/vehicle/faults';
  import { plantFor } from '$core/physics/plant/params';
  import type { EventInput } from '$core/record/events';
  import type { Problem } from '$core/base/result';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { answerOf, type Answer } from '$lib/ui/outbox/record.svelte';
  import { whoIsHere } from '$lib/ui/page-state/who';

  interface Props {
    jobId: string;
    acknowledged: readonly CautionId[];
    /** A danger stands: nothing is recorded while the engine must not run. */
    held: boolean;
    sheet: SpecSheet | null;
    vehicle: { id: string; fleetNo: string };
    adapters: readonly Adapter[];
    write: (body: EventInput) => Promise<Answer>;
  }
  let { jobId, acknowledged, held, sheet, vehicle, adapters, write }: Props = $props();

  const TYPED = 'typed';
  let from = $state<string | null>(untrack(() => adapters[0]?.address ?? TYPED));
  const adapter = $derived(adapters.find((a) => a.address === from));
  const sources = $derived([
    ...adapters.map((a) => ({ value: a.address, label: a.name })),
    { value: TYPED, label: 'No adapter: readings are typed' }
  ]);

  const cautions = $derived(
    checkOf('warm-up-run').cautions.filter((c) => !acknowledged.includes(c)) as CautionId[]
  );

  /** Faults this vehicle can have, for the simulated one. */
  const faults = $derived(
    PLANT_FAULTS.map((f) => f.id).filter((id) => {
      if (!sheet) return false;
      try {
        withFault(plantFor(sheet), id, 0.5);
        return true;
      } catch {
        return false;
      }
    })
  );
  let fault = $state<FaultId>('none');
  let severity = $state(0.7);
  let ambientC = $state<number | null>(8);
  let drive = $state<keyof typeof DRIVES>('mixed');
  let factor = $state(20);
  let instrument = $state<'scan' | 'contact' | 'infrared' | 'glass'>('scan');

  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  let ids = { eventId: crypto.randomUUID(), runId: crypto.randomUUID() };

  async function start() {
    busy = true;
    problems = [];
    const answer = await answerOf(
      fetch(`/api/jobs/${jobId}/live`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          ...ids,
          at: new Date().toISOString(),
          who: whoIsHere(),
          source: adapter
            ? { kind: 'adapter', address: adapter.address, name: adapter.name }
            : { kind: 'typed', instrument: instrumentOf(instrument) },
          simulate: adapter?.simulated ? { fault, severity, ambientC: ambientC ?? 12, drive, factor } : null
        })
      })
    );
    busy = false;
    if (answer.ok) {
      ids = { eventId: crypto.randomUUID(), runId: crypto.randomUUID() };
      await invalidateAll();
    } else problems = answer.problems;
  }
</script>

<h1 class="mt-1 mb-4">Record a warm-up</h1>
<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_370px]">
  <section class="card space-y-5 p-5">
    {#if !sheet}
      <p>
        {vehicle.fleetNo} has no spec sheet: the run is judged as that of a typical engine, and anew when there
        is one. <a class="quiet-link" href="/vehicles/{vehicle.id}/sheet">Write what you know</a>.
      </p>
    {/if}
    <Choose label="Readings come from" choices={sources} bind:value={from} wide />
    {#if adapter?.simulated}
      <fieldset class="border-line grid gap-4 border-t pt-4 sm:grid-cols-2">
        <legend class="sr-only">What is plugged in</legend>
        <Select
          label="Hidden fault"
          choices={faults.map((id) => ({ value: id, label: FAULTS[id].title }))}
          value={fault}
          onvalue={(id) => (fault = id as typeof fault)}
        />
        <SliderInput
          label="Severity, {Math.round(severity * 100)} %"
          min={10}
          max={100}
          step={5}
          value={Math.round(severity * 100)}
          onvalue={(pct) => (severity = pct / 100)}
        />
        <Select
          label="Drive"
          choices={Object.keys(DRIVES).map((name) => ({ value: name, label: name }))}
          value={drive}
          onvalue={(name) => (drive = name as typeof drive)}
        />
        <QuantityInput label="Ambient" kind="temperature" bind:value={ambientC} required />
        <SliderInput label="Clock, {factor} times as fast" min={1} max={60} bind:value={factor} />
      </fieldset>
    {:else if !adapter}
      <Choose
        label="Taken with"
        choices={[
          { value: 'scan', label: 'Off the scan tool’s screen' },
          { value: 'contact', label: 'Contact probe at the outlet' },
          { value: 'infrared', label: 'Infrared on a matt surface' },
          { value: 'glass', label: 'Immersion thermometer' }
        ]}
        bind:value={instrument as string | null}
      />
      <p class="text-ink-2">Type a reading every half minute or so: it gets the time at which you save it.</p>
    {/if}
    <Problems {problems} title="Not started" />
    {#if held}
      <p class="font-semibold">The engine is not to run now; what stands above says why.</p>
    {:else if cautions.length === 0}
      <button class="btn btn-main min-h-14 px-6" disabled={busy} onclick={start}
        >{busy ? 'Starting…' : 'Start recording, then turn the key'}</button
      >
    {/if}
  </section>
  <section
    class="rounded-card p-4 {cautions.length > 0 ? 'border-off bg-off-wash border-2' : 'card'}"
    aria-label="Cautions"
  >
    <h2>{cautions.length > 0 ? 'Before the key is turned' : 'Cautions'}</h2>
    <ul class="mt-2 space-y-2">
      {#each checkOf('warm-up-run').cautions as c (c)}<li>{CAUTIONS[c].text}</li>{/each}
    </ul>
    <p class="mt-2 text-sm">The maker’s service information and local rules come first.</p>
    {#if cautions.length > 0}
      <button
        class="btn btn-main mt-3 min-h-14"
        onclick={() => write({ kind: 'caution.acknowledged', payload: { cautions: [...cautions] } })}
        >Understood</button
      >
    {/if}
  </section>
</div>
