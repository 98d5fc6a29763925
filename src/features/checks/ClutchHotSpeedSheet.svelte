<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import X from '@lucide/svelte/icons/x';
  import type { ClutchHotSpeedReadings } from '$core/checks/clutch/clutch-hot-speed';
  import { clutchLimits, clutchRange, FREE_RATIO, readPairs, SETTLING_MIN } from '$core/physics/clutch/speed';
  import { findUnit } from '$core/units/units';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import RowEntry from '$lib/ui/inputs/RowEntry.svelte';
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<ClutchHotSpeedReadings> = $props();
  const MINUTES = findUnit('time', 'min')!;

  let engineRpm = $state<number | null>(null);
  let fanRpm = $state<number | null>(null);
  let airC = $state<number | null>(null);
  let sinceStartMin = $state<number | null>(null);

  function add() {
    if (engineRpm === null || fanRpm === null) return;
    readings.pairs = [...readings.pairs, { engineRpm, fanRpm, airC, sinceStartMin }];
    engineRpm = fanRpm = airC = sinceStartMin = null;
  }

  const fixed = $derived(sheet?.clutch?.kind === 'fixed' ? limitsOf(sheet) : null);
  const limits = $derived(clutchLimits(sheet));
  const read = $derived(readPairs(readings.pairs, limits, readings.pulley));
  const top = $derived(Math.max(4000, ...readings.pairs.map((p) => p.engineRpm * 1.1)));
  const speeds = $derived(Array.from({ length: 41 }, (_, i) => 400 + (i * (top - 400)) / 40));
  const due = $derived((rpm: number): readonly [number, number] =>
    fixed
      ? [fixed.ratioLow.value * rpm * readings.pulley, fixed.ratioHigh.value * rpm * readings.pulley]
      : clutchRange(limits, rpm, readings.pulley)
  );
  const WORD = {
    engaged: 'engaged',
    limited: 'at its limit',
    disengaged: 'free',
    slipping: 'slips',
    'cut-out': 'cut out',
    starting: 'settling'
  } as const;
</script>

<div class="grid items-start gap-x-5 gap-y-4 xl:grid-cols-[290px_minmax(0,1fr)]">
  <div class="space-y-3">
    <RowEntry label="Add the pair" complete={engineRpm !== null && fanRpm !== null} onadd={add}>
      <div class="grid grid-cols-2 gap-2">
        <QuantityInput label="Engine" kind="rotation" bind:value={engineRpm} problem={problems.pairs} />
        <QuantityInput label="Fan" kind="rotation" bind:value={fanRpm} hint="one mark on the fan" />
        <QuantityInput label="Air before the fan" kind="temperature" bind:value={airC} hint="if measured" />
        <QuantityInput
          label="Since cold start"
          kind="time"
          unit={MINUTES}
          value={sinceStartMin === null ? null : sinceStartMin * 60}
          onvalue={(s) => (sinceStartMin = s === null ? null : s / 60)}
          hint="if just started"
        />
      </div>
      <div class="flex flex-wrap gap-x-4">
        <BenchRead
          instrument="tachometer"
          place="engine"
          label="Engine by simulated tachometer"
          onread={(v) => {
            engineRpm = v;
          }}
        />
        <BenchRead
          instrument="tachometer"
          place="fan"
          label="fan"
          onread={(v) => {
            fanRpm = v;
          }}
        />
        <BenchRead
          instrument="probe"
          place="fan-air"
          label="air"
          onread={(v) => {
            airC = v;
          }}
        />
      </div>
    </RowEntry>
    <div class="grid grid-cols-2 gap-2">
      <QuantityInput
        label="Pulley ratio"
        kind="number"
        bind:value={readings.pulley}
        hint="fan over crank"
        problem={problems.pulley}
      />
      <QuantityInput
        label="Coolant"
        kind="temperature"
        bind:value={readings.coolantC}
        hint="if air is unknown"
        problem={problems.coolantC}
      />
    </div>
    {#if read.length > 0}
      <table class="reading w-full text-right text-sm">
        <thead class="text-ink-2"
          ><tr
            ><th class="font-normal">Engine</th><th class="pl-2 font-normal">Fan</th><th class="font-normal"
              >Slip</th
            ><th class="font-normal">Reads</th><th class="w-9"><span class="sr-only">Remove</span></th></tr
          ></thead
        >
        <tbody>
          {#each read as p, i (i)}
            <tr class="border-line border-t {problems[`pairs.${i}.fanRpm`] ? 'text-off' : ''}">
              <td class="py-1">{p.engineRpm}</td><td class="pl-2">{p.fanRpm}</td><td class="pl-2"
                >{(100 * p.slip).toFixed(0)} %</td
              >
              <td class="font-semibold">{fixed ? p.ratio.toFixed(2) : WORD[p.state]}</td>
              <td
                ><button
                  type="button"
                  class="inline-flex size-9 items-center justify-center"
                  aria-label="Remove the pair at {p.engineRpm} rpm"
                  onclick={() => (readings.pairs = readings.pairs.filter((_, k) => k !== i))}
                  ><X size={16} aria-hidden="true" /></button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </div>
  <figure>
    <XyFrame
      label="Fan speed against engine speed, over the region of the clutch"
      fromX={0}
      toX={top}
      toY={top * Math.max(1, readings.pulley) * 0.95}
      xText={(v) => String(v)}
      yText={(v) => String(v)}
      xTitle="engine, rpm"
      yTitle="fan, rpm"
    >
      {#snippet children({ x, y })}
        <polygon
          points={[
            ...speeds.map((s) => [s, due(s)[1]] as const),
            ...speeds.toReversed().map((s) => [s, due(s)[0]] as const)
          ]
            .map(([s, f]) => `${x(s).toFixed(1)},${y(f).toFixed(1)}`)
            .join(' ')}
          fill="var(--band)"
          opacity="0.25"
        />
        <line
          x1={x(0)}
          y1={y(0)}
          x2={x(top)}
          y2={y(top * readings.pulley)}
          stroke="var(--line-strong)"
          stroke-dasharray="3 5"
        />
        <text
          x={x(top * 0.66)}
          y={y(top * 0.66 * readings.pulley) - 10}
          text-anchor="end"
          font-size="13"
          fill="var(--ink-2)">pulley</text
        >
        {#each [0, 1] as const as k (k)}
          <polyline
            points={speeds.map((s) => `${x(s).toFixed(1)},${y(due(s)[k]).toFixed(1)}`).join(' ')}
            fill="none"
            stroke="var(--ink)"
            stroke-width="2.5"
          />
        {/each}
        <text
          x={x(top * 0.5)}
          y={y(due(top * 0.5)[1]) - 8}
          text-anchor="end"
          font-size="14"
          font-weight="600"
          fill="var(--ink)">{fixed ? 'most' : 'engaged'}</text
        >
        <text
          x={x(top * 0.7)}
          y={y(fixed ? due(top * 0.7)[0] : FREE_RATIO * top * 0.7) + 20}
          font-size="14"
          font-weight="600"
          fill="var(--ink)">{fixed ? 'least' : 'free'}</text
        >
        {#each read as p, i (i)}
          <g data-pair={p.state}>
            {#if p.state === 'starting'}
              <rect
                x={x(p.engineRpm) - 7}
                y={y(p.fanRpm) - 7}
                width="14"
                height="14"
                fill="var(--card)"
                stroke="var(--ink-2)"
                stroke-width="2.5"
              />
            {:else}
              <circle
                cx={x(p.engineRpm)}
                cy={y(p.fanRpm)}
                r="8"
                fill={p.state === 'slipping' ? 'var(--off)' : 'var(--act)'}
                stroke="var(--card)"
                stroke-width="2"
              />
            {/if}
            {#if p.airC !== null}<text
                x={x(p.engineRpm) + 12}
                y={y(p.fanRpm) + 5}
                font-size="13"
                class="reading"
                fill="var(--ink)">{Math.round(inUnit(p.airC, 'temperature'))}°</text
              >{/if}
          </g>
        {/each}
      {/snippet}
    </XyFrame>
    <figcaption class="text-ink-2 text-sm">
      {#if fixed}Shaded: between the sheet’s two ratios.
      {:else}Shaded: between free and engaged. Engages from {shown(limits.engageAirC, 'temperature', 0)} of air,
        lets go at
        {shown(limits.releaseAirC, 'temperature', 0)}.{/if}
      {#if !fixed}On a cool day part of the radiator is covered with card, until the air behind it gets there.{/if}
      Squares are from the first {SETTLING_MIN} min after a cold start and do not count.
    </figcaption>
  </figure>
</div>
