<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { untrack } from 'svelte';
  import { ambientKpa, boilingC } from '$core/physics/coolant/boiling';
  import { freezesC, MOST_PCT, shareFor } from '$core/physics/coolant/mixture';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import { findUnit } from '$core/units/units';
  import Drains from './Drains.svelte';
  import NextChange from './NextChange.svelte';
  import Margins from './Margins.svelte';
  import WriteService from './WriteService.svelte';
  import type { CoolantJob, CoolantVehicle, Served } from './types';

  interface Props {
    vehicles: readonly CoolantVehicle[];
    served: readonly Served[];
    job: CoolantJob | null;
    today: string;
  }
  let { vehicles, served, job, today }: Props = $props();

  let vehicleId = $state<string>(untrack(() => job?.vehicleId ?? ''));
  const vehicle = $derived(vehicles.find((v) => v.id === vehicleId) ?? null);
  const mine = $derived(served.filter((s) => s.vehicleId === vehicleId));
  const last = $derived(mine.at(-1) ?? null);

  /** Typed values; what is not typed comes from the vehicle, or is usual. */
  let typedPct = $state<number | null>(null);
  let typedCapKPa = $state<number | null>(null);
  let typedVolumeL = $state<number | null>(null);
  let altitudeM = $state<number | null>(null);
  let coldestC = $state<number | null>(-20);
  const USUAL = { pct: 50, capKPa: 100, volumeL: 6 };
  const pct = $derived(Math.min(MOST_PCT, Math.max(0, typedPct ?? last?.service.nowPct ?? USUAL.pct)));
  const capKPa = $derived(typedCapKPa ?? vehicle?.sheet?.cap?.kPa ?? USUAL.capKPa);
  /** A filling follows from a displacement; of an engine of which neither is known it is asked, never guessed. */
  const volumeL = $derived.by(() => {
    if (typedVolumeL !== null || !vehicle) return typedVolumeL ?? USUAL.volumeL;
    const { displacementL, coolantL } = limitsOf(vehicle.sheet);
    return displacementL.origin === 'given' || coolantL.origin === 'given' ? coolantL.value : null;
  });
  const airKPa = $derived(ambientKpa(altitudeM ?? 0));

  const openC = $derived(boilingC(pct / 100, 0, airKPa));
  const capC = $derived(boilingC(pct / 100, capKPa, airKPa));
  const iceC = $derived(freezesC(pct));
  const stopC = $derived(vehicle?.sheet?.limits?.stopC ?? null);
  const needed = $derived.by(() => {
    try {
      return coldestC === null ? null : shareFor(coldestC);
    } catch {
      return null;
    }
  });
  const METRES = { ...findUnit('length', 'mm')!, symbol: 'm', aliases: ['metre', 'metres', 'meter'] };
</script>

<div class="mb-3 flex flex-wrap items-end gap-4">
  <h1 class="text-3xl">Coolant</h1>
  {#if job}<a class="quiet-link pb-1" href="/jobs/{job.number}"
      >Job {job.number}, {vehicle?.fleetNo} {vehicle?.name}</a
    >{/if}
</div>

<div class="grid items-start gap-4 lg:grid-cols-[320px_minmax(0,1fr)]">
  <div class="space-y-4">
    <section class="card space-y-3 p-4" aria-label="The filling">
      {#if !job}
        <Select
          label="Vehicle"
          blank="none in particular"
          choices={vehicles.map((v) => ({ value: v.id, label: `${v.fleetNo} ${v.name}` }))}
          value={vehicleId || null}
          onvalue={(id) => (vehicleId = id ?? '')}
        />
      {/if}
      {#key `${vehicleId}/${last?.at}`}
        <QuantityInput
          label="Mixture, glycol by volume"
          kind="share"
          bind:value={typedPct}
          hint={typedPct === null ? `${Math.round(pct)} % taken${last ? ', as it was filled last' : ''}` : ''}
          problem={typedPct !== null && (typedPct < 0 || typedPct > MOST_PCT)
            ? `From 0 to ${MOST_PCT} %: above that it protects less again`
            : undefined}
        />
        <div class="grid grid-cols-2 gap-3">
          <QuantityInput
            label="Cap"
            kind="pressure"
            bind:value={typedCapKPa}
            hint={typedCapKPa === null ? `${shown(capKPa, 'pressure')} taken` : ''}
          />
          <QuantityInput
            label="Filling"
            kind="volume"
            bind:value={typedVolumeL}
            hint={volumeL === null
              ? 'how much this engine holds'
              : typedVolumeL === null
                ? `${shown(volumeL, 'volume')} taken`
                : ''}
          />
        </div>
      {/key}
      <div class="grid grid-cols-2 gap-3">
        <QuantityInput
          label="Altitude"
          kind="length"
          unit={METRES}
          bind:value={altitudeM}
          hint="0 m taken"
          problem={altitudeM !== null && (altitudeM < -400 || altitudeM > 6000)
            ? 'From −400 to 6000 m'
            : undefined}
        />
        <QuantityInput
          label="Coldest night"
          kind="temperature"
          bind:value={coldestC}
          hint={needed === null
            ? coldestC === null
              ? ''
              : 'no mixture protects so far down'
            : `wants ${Math.ceil(needed)} %`}
        />
      </div>
    </section>
    {#if job}<WriteService {job} {pct} {volumeL} last={last?.service ?? null} />{/if}
  </div>
  <div class="space-y-4">
    <section class="card p-4" aria-label="Margins">
      <Margins {iceC} {openC} {capC} {stopC} {coldestC} regulating={vehicle?.sheet?.regulating ?? null} />
      <dl class="mt-3 grid gap-3 sm:grid-cols-4" data-margins>
        {#each [{ name: 'First ice', value: shown(iceC, 'temperature'), note: coldestC === null ? '' : `${shownDifference(Math.abs(coldestC - iceC), 0)} ${coldestC >= iceC ? 'to spare' : 'too little'}`, off: coldestC !== null && coldestC < iceC }, { name: 'Boils open', value: shown(openC, 'temperature'), note: 'cap off, or not holding', off: false }, { name: 'Boils under its cap', value: shown(capC, 'temperature'), note: `at ${shown(capKPa, 'pressure')}`, off: false }, { name: 'Margin at the stop limit', value: stopC === null ? '–' : shownDifference(capC - stopC), note: stopC === null ? 'choose a vehicle' : `without the cap ${shownDifference(openC - stopC)}`, off: stopC !== null && capC - stopC < 5 }] as f (f.name)}
          <div>
            <dt class="text-ink-2 text-sm">{f.name}</dt>
            <dd class="reading text-2xl font-semibold {f.off ? 'text-off' : ''}">{f.value}</dd>
            <dd class="text-sm {f.off ? 'text-off font-semibold' : 'text-ink-2'}">{f.note}</dd>
          </div>
        {/each}
      </dl>
    </section>
    <div class="grid items-start gap-4 xl:grid-cols-2">
      {#key `${vehicleId}/${last?.at}`}
        {#if volumeL === null}
          <section class="card text-ink-2 p-4" aria-label="Drain and fill">
            <h2 class="text-ink">Drain and fill</h2>
            <p class="mt-2">
              Type the filling of this engine: its sheet gives neither that nor its displacement, and nothing
              is guessed.
            </p>
          </section>
        {:else}<Drains {volumeL} fromPct={pct} {needed} />{/if}
        <NextChange {today} services={mine} plan={vehicle?.sheet?.coolantChange ?? null} />
      {/key}
    </div>
  </div>
</div>
<p class="text-ink-2 mt-4 text-sm">
  Coolant poisons people and animals: catch it, and dispose of it by local rules. Which coolant the engine
  wants, and how it is bled, the maker’s service information says.
</p>
