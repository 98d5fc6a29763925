<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { LOSS_LIMIT_KPA, lossIn10Min, type PressureHoldReadings } from '$core/checks/coolant/pressure-hold';
  import { findUnit } from '$core/units/units';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import RowEntry from '$lib/ui/inputs/RowEntry.svelte';
  import { inUnit, shown, unitOf } from '$lib/ui/page-state/units';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<PressureHoldReadings> = $props();
  const MINUTES = findUnit('time', 'min')!;
  let kPa = $state<number | null>(null);
  let min = $state<number | null>(null);
  /** The watch starts with the first pressure; later ones are stamped by it where no time is typed. */
  let began = $state<number | null>(null);

  function add() {
    if (kPa === null) return;
    const first = readings.points.length === 0;
    began ??= Date.now() - (readings.points.at(-1)?.min ?? 0) * 60_000;
    const at = min ?? (first ? 0 : Math.round((Date.now() - began) / 6000) / 10);
    readings.points = [...readings.points, { min: at, kPa }];
    kPa = min = null;
  }
  /** The simulated tester has stood three minutes more at every look at it. */
  const nextMin = $derived((readings.points.at(-1)?.min ?? -3) + 3);
  const cap = $derived(sheet?.cap?.kPa ?? null);
  const first = $derived(readings.points[0] ?? null);
  const toMin = $derived(Math.max(12, ...readings.points.map((p) => p.min * 1.1)));
  const top = $derived(Math.max(cap ?? 100, ...readings.points.map((p) => p.kPa)) * 1.15);
  const loss = $derived(readings.points.length > 1 ? lossIn10Min(readings.points) : null);
</script>

<div class="grid items-start gap-x-5 gap-y-4 xl:grid-cols-[280px_minmax(0,1fr)]">
  <div class="space-y-3">
    <RowEntry label="Add the pressure" complete={kPa !== null} onadd={add}>
      <div class="grid grid-cols-2 gap-2">
        <QuantityInput
          label="Pressure"
          kind="pressure"
          bind:value={kPa}
          problem={problems.points ?? problems['points.0.kPa']}
          hint={cap ? `cap ${shown(cap, 'pressure')}` : ''}
        />
        <QuantityInput
          label="After"
          kind="time"
          unit={MINUTES}
          value={min === null ? null : min * 60}
          onvalue={(s) => (min = s === null ? null : s / 60)}
          hint="blank: now"
        />
      </div>
    </RowEntry>
    <BenchRead
      part="pressure"
      min={nextMin}
      label="Look at the simulated tester, at {nextMin} min"
      onread={(v) => (readings.points = [...readings.points, { min: nextMin, kPa: v }])}
    />
    <Choose
      label="Coolant seen"
      choices={[
        { value: 'none', label: 'Nowhere' },
        { value: 'outside', label: 'Outside', tone: 'bad' },
        { value: 'inside', label: 'Cabin or oil', tone: 'bad' }
      ]}
      value={readings.seen}
      optional
      onvalue={(v) => (readings.seen = v as PressureHoldReadings['seen'])}
    />
    <label class="flex min-h-11 items-center gap-2"
      ><input type="checkbox" class="size-5" bind:checked={readings.engineRan} />The engine ran during it</label
    >
    <ul class="reading flex flex-wrap gap-x-4 text-sm">
      {#each readings.points as p, i (i)}
        <li class="inline-flex items-center {problems[`points.${i}.min`] ? 'text-off' : ''}">
          {p.min} min {shown(p.kPa, 'pressure')}
          <button
            type="button"
            class="inline-flex size-9 items-center justify-center"
            aria-label="Remove the pressure after {p.min} min"
            onclick={() => (readings.points = readings.points.filter((_, k) => k !== i))}
            ><X size={16} aria-hidden="true" /></button
          >
        </li>
      {/each}
    </ul>
  </div>
  <figure>
    <XyFrame
      label="Pressure over time"
      height={330}
      fromX={0}
      toX={toMin}
      toY={top}
      xText={(v) => String(v)}
      yText={(v) => String(Number(inUnit(v, 'pressure').toFixed(2)))}
      xTitle="min"
      yTitle={unitOf('pressure').symbol}
    >
      {#snippet children({ x, y, right })}
        {#if first}
          <polygon
            points="{x(first.min)},{y(first.kPa)} {x(toMin)},{y(first.kPa)} {x(toMin)},{y(
              first.kPa - (LOSS_LIMIT_KPA * (toMin - first.min)) / 10
            )}"
            fill="var(--good-wash)"
            stroke="var(--good)"
          />
        {/if}
        {#if cap}
          <line x1={x(0)} x2={right} y1={y(cap)} y2={y(cap)} stroke="var(--ink)" stroke-dasharray="6 5" />
          <text x={right} y={y(cap) - 7} text-anchor="end" font-size="13" fill="var(--ink)">cap opens</text>
        {/if}
        <polyline
          points={readings.points.map((p) => `${x(p.min)},${y(p.kPa)}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          stroke-width="2.5"
        />
        {#each readings.points as p, i (i)}<circle
            cx={x(p.min)}
            cy={y(p.kPa)}
            r="7"
            fill="var(--act)"
            stroke="var(--card)"
            stroke-width="2"
          />{/each}
      {/snippet}
    </XyFrame>
    <figcaption class="text-ink-2 text-sm">
      The wedge: what a sound system may lose.{loss === null
        ? ''
        : ` This one: ${shown(Math.abs(loss), 'pressure')} ${loss < 0 ? 'gained' : 'lost'} in ten minutes.`}
    </figcaption>
  </figure>
</div>
