<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import type { Problem } from '$core/base/result';
  import { curvesWith } from '$core/physics/thermistor/library';
  import { shopCurves } from '$lib/ui/page-state/curves';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { findUnit } from '$core/units/units';
  import type { Draft } from './draft';

  interface Props {
    draft: Draft;
    problems: readonly Problem[];
  }
  let { draft = $bindable(), problems }: Props = $props();
  const wrong = (field: string) => problems.find((p) => p.field === field)?.message;
  function take(id: string) {
    const curve = curvesWith(shopCurves()).find((c) => c.id === id)?.curve;
    if (!curve) return;
    draft.r25Ohm = curve.kind === 'beta' ? curve.r25Ohm : null;
    draft.betaK = curve.kind === 'beta' ? curve.betaK : null;
    draft.otherCurve = curve.kind === 'beta' ? null : curve;
  }
  const ohm = findUnit('resistance', 'ohm')!;
</script>

<div class="grid items-start gap-4 lg:grid-cols-2 2xl:grid-cols-3">
  <fieldset class="card p-4">
    <legend class="sr-only">Engine</legend>
    <h2 class="mb-3">Engine</h2>
    <label class="mb-3 block"
      ><span class="mb-1 block text-sm font-semibold">Name</span><input
        class="field"
        bind:value={draft.name}
        maxlength="120"
        aria-invalid={wrong('name') ? 'true' : undefined}
      /></label
    >
    <div class="grid grid-cols-3 gap-3">
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Fuel</span><select
          class="field"
          bind:value={draft.fuel}
          ><option value="">not known</option><option>petrol</option><option>diesel</option><option
            >gas</option
          ><option>hybrid</option></select
        ></label
      >
      <QuantityInput
        label="Displacement"
        kind="volume"
        bind:value={draft.displacementL}
        problem={wrong('engine.displacementL')}
      />
      <QuantityInput
        label="Coolant"
        kind="volume"
        bind:value={draft.coolantL}
        problem={wrong('engine.coolantL')}
      />
    </div>
  </fieldset>

  <fieldset class="card p-4">
    <legend class="sr-only">Thermostat</legend>
    <h2 class="mb-3">Thermostat</h2>
    <div class="grid grid-cols-3 gap-x-3">
      <QuantityInput
        label="Starts to open"
        kind="temperature"
        bind:value={draft.startOpenC}
        required
        problem={wrong('thermostat.startOpenC')}
      />
      <QuantityInput
        label="Fully open"
        kind="temperature"
        bind:value={draft.fullOpenC}
        required
        problem={wrong('thermostat.fullOpenC')}
      />
      <QuantityInput
        label="Shut again by"
        kind="temperature"
        bind:value={draft.closedByC}
        problem={wrong('thermostat.closedByC')}
      />
      <QuantityInput label="Least lift" kind="length" bind:value={draft.minLiftMm} />
      <QuantityInput
        label="Heater"
        kind="resistance"
        bind:value={draft.heaterOhm}
        unit={ohm}
        hint="blank for none"
      />
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Sits at the</span><select
          class="field"
          bind:value={draft.side}
          ><option value="">not known</option><option value="outlet">outlet</option><option value="inlet"
            >inlet</option
          ></select
        ></label
      >
    </div>
  </fieldset>

  <fieldset class="card p-4">
    <legend class="sr-only">Limits</legend>
    <h2 class="mb-3">Limits</h2>
    <div class="grid grid-cols-3 gap-x-3">
      <QuantityInput
        label="Regulates from"
        kind="temperature"
        bind:value={draft.lowC}
        problem={wrong('regulating.lowC')}
      />
      <QuantityInput
        label="to"
        kind="temperature"
        bind:value={draft.highC}
        problem={wrong('regulating.highC')}
      />
      <QuantityInput label="Cap" kind="pressure" bind:value={draft.capKPa} />
      <QuantityInput
        label="Hot above"
        kind="temperature"
        bind:value={draft.hotC}
        problem={wrong('limits.hotC')}
      />
      <QuantityInput
        label="Stop engine at"
        kind="temperature"
        bind:value={draft.stopC}
        problem={wrong('limits.stopC')}
      />
      <QuantityInput label="Open cap below" kind="temperature" bind:value={draft.openCapC} />
    </div>
  </fieldset>

  <fieldset class="card p-4">
    <legend class="sr-only">Fan</legend>
    <h2 class="mb-3">Fan</h2>
    <div class="mb-3 grid grid-cols-2 gap-3">
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Electric fan</span><select
          class="field"
          bind:value={draft.drive}
          ><option value="relay">by relays</option><option value="controller">by a controller</option><option
            value="none">none</option
          ></select
        ></label
      >
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Clutch fan</span><select
          class="field"
          bind:value={draft.clutch}
          ><option value="none">none</option><option value="thermal">thermal viscous</option><option
            value="fixed">fixed slip</option
          ><option value="electronic">electronic</option></select
        ></label
      >
    </div>
    {#if draft.drive !== 'none'}
      {#each draft.stages as stage, i (i)}
        <div class="grid grid-cols-[1fr_1fr_1fr_44px] items-start gap-x-3">
          <label class="block"
            ><span class="mb-1 block text-sm font-semibold">Stage</span><input
              class="field"
              bind:value={stage.name}
              maxlength="30"
            /></label
          >
          <QuantityInput
            label="On at"
            kind="temperature"
            bind:value={stage.onC}
            required
            problem={wrong(`fan.stages.${i}.onC`)}
          />
          <QuantityInput
            label="Off at"
            kind="temperature"
            bind:value={stage.offC}
            required
            problem={wrong(`fan.stages.${i}.offC`)}
          />
          <button
            type="button"
            class="btn mt-6 px-0"
            aria-label="Remove stage {stage.name}"
            onclick={() => (draft.stages = draft.stages.filter((_, k) => k !== i))}
            ><X size={18} aria-hidden="true" /></button
          >
        </div>
      {/each}
      {#if wrong('fan.stages')}<p class="text-off mb-2 font-semibold">{wrong('fan.stages')}</p>{/if}
      <button
        type="button"
        class="btn"
        onclick={() =>
          draft.stages.push({
            name: ['low', 'high', 'full'][draft.stages.length] ?? 'next',
            onC: null,
            offC: null
          })}><Plus size={18} aria-hidden="true" />Add a stage</button
      >
      <div class="mt-3 flex flex-wrap gap-x-6">
        <label class="flex min-h-11 items-center gap-2.5"
          ><input type="checkbox" class="size-5" bind:checked={draft.onWithAc} />Runs with the A/C</label
        >
        <label class="flex min-h-11 items-center gap-2.5"
          ><input type="checkbox" class="size-5" bind:checked={draft.failsafeFull} />Full on when the sensor
          fails</label
        >
      </div>
    {/if}
  </fieldset>

  <fieldset class="card p-4">
    <legend class="sr-only">Coolant sensor</legend>
    <h2 class="mb-3">Coolant sensor</h2>
    <label class="mb-2 block"
      ><span class="mb-1 block text-sm font-semibold">Take a curve from the library</span><select
        class="field"
        value=""
        onchange={(e) => take(e.currentTarget.value)}
        ><option value="">as below</option>{#each curvesWith(shopCurves()) as c (c.id)}<option value={c.id}
            >{c.title}</option
          >{/each}</select
      ></label
    >
    {#if draft.otherCurve}<p class="text-ink-2 mb-2 text-sm">
        {draft.otherCurve.kind === 'table'
          ? `Its curve is a table of ${draft.otherCurve.points.length} rows`
          : 'Its curve has three constants'}: edit it as text. R25 and β replace it.
      </p>{/if}
    <div class="grid grid-cols-3 gap-x-3">
      <QuantityInput
        label="R at 25 °C"
        kind="resistance"
        bind:value={draft.r25Ohm}
        unit={ohm}
        problem={wrong('ect.curve.r25Ohm')}
      />
      <QuantityInput
        label="β, in K"
        kind="number"
        bind:value={draft.betaK}
        problem={wrong('ect.curve.betaK')}
      />
      <QuantityInput
        label="Tolerance"
        kind="share"
        bind:value={draft.tolerancePct}
        problem={wrong('ect.tolerancePct')}
      />
      <QuantityInput
        label="Reference"
        kind="voltage"
        bind:value={draft.referenceV}
        problem={wrong('ect.referenceV')}
      />
      <QuantityInput
        label="Pull-up"
        kind="resistance"
        bind:value={draft.pullUpOhm}
        unit={ohm}
        problem={wrong('ect.pullUpOhm')}
      />
      <QuantityInput
        label="Second pull-up"
        kind="resistance"
        bind:value={draft.secondOhm}
        unit={ohm}
        hint="blank for none"
        problem={draft.secondOhm !== null && draft.secondInC === null
          ? 'Say when it is switched in'
          : undefined}
      />
      <QuantityInput label="In above" kind="temperature" bind:value={draft.secondInC} />
      <QuantityInput
        label="Out below"
        kind="temperature"
        bind:value={draft.secondOutC}
        problem={draft.secondOutC !== null && draft.secondInC !== null && draft.secondOutC > draft.secondInC
          ? 'Not above where it comes in'
          : undefined}
      />
    </div>
  </fieldset>
</div>
