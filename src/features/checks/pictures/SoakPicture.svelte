<script lang="ts">
  import { ticksOf } from '$core/base/ticks';
  import { hoursUntil, residualC, SOAKED_BELOW_C } from '$core/physics/coolant/cooling';
  import { ASSUMED_LAST_C, tauFrom, type SoakReadings } from '$core/checks/engine/soak';
  import { heatVar } from '$lib/ui/plots/heat';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import { hour } from '$lib/ui/page-state/when';
  import type { PictureProps } from '../types';

  let { readings, cooling, now, zone }: PictureProps<SoakReadings> = $props();

  const over = $derived(Math.max(0, (readings.lastC ?? ASSUMED_LAST_C) - (readings.ambientC ?? 15)));
  const needs = $derived(hoursUntil(over, SOAKED_BELOW_C, cooling.tauH));
  const span = $derived(Math.max(needs * 1.25, Math.min(readings.hoursStood ?? 0, 24) * 1.1, 2));
  const W = 640;
  const H = 220;
  const x = (h: number) => 44 + (Math.min(h, span) / span) * (W - 60);
  const y = (c: number) => H - 30 - (c / Math.max(over, 10)) * (H - 50);
  const curve = $derived(
    Array.from({ length: 61 }, (_, i) => (i / 60) * span)
      .map((h, i) => `${i ? 'L' : 'M'}${x(h).toFixed(1)} ${y(residualC(over, h, cooling.tauH)).toFixed(1)}`)
      .join('')
  );
  const stood = $derived(readings.hoursStood);
  const ticks = $derived(ticksOf(0, span, 6, [2, 4, 8, 12, 24]));
</script>

<figure>
  <svg viewBox="0 0 {W} {H}" class="w-full" role="img" aria-label="How far above ambient the engine still is">
    <rect
      x="44"
      y={y(SOAKED_BELOW_C)}
      width={W - 60}
      height={H - 30 - y(SOAKED_BELOW_C)}
      fill="var(--good-wash)"
    />
    {#each ticks as h (h)}
      <line x1={x(h)} x2={x(h)} y1={H - 30} y2={H - 25} stroke="var(--line-strong)" />
      <text x={x(h)} y={H - 10} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
        >{h} h</text
      >
    {/each}
    <line x1="44" x2={W - 16} y1={H - 30} y2={H - 30} stroke="var(--line-strong)" />
    <text x="40" y={y(over) + 5} text-anchor="end" class="reading" font-size="13" fill="var(--ink-2)"
      >+{shownDifference(over, 0).replace(/ .*/, '')}</text
    >
    <text x="40" y={H - 26} text-anchor="end" class="reading" font-size="13" fill="var(--ink-2)">0</text>
    <path d={curve} fill="none" stroke={heatVar(80)} stroke-width="3" />
    <line x1={x(needs)} x2={x(needs)} y1={y(over)} y2={H - 30} stroke="var(--good)" stroke-dasharray="4 4" />
    <text x={x(needs) - 6} y={y(over) + 12} text-anchor="end" font-size="14" fill="var(--good)"
      >soaked after {needs.toFixed(1)} h</text
    >
    {#if stood !== null}
      <circle cx={x(stood)} cy={y(residualC(over, stood, cooling.tauH))} r="8" fill="var(--ink)" />
      <text
        x={x(stood) + (stood > span / 2 ? -14 : 14)}
        y={y(residualC(over, stood, cooling.tauH)) - 10}
        text-anchor={stood > span / 2 ? 'end' : 'start'}
        font-size="16"
        font-weight="700"
        fill="var(--ink)">now +{shownDifference(residualC(over, stood, cooling.tauH))}</text
      >
    {/if}
  </svg>
  <figcaption class="text-ink-2 text-sm">
    Above ambient by the cooling law with the bonnet shut, time constant {cooling.tauH.toFixed(1)} h, {tauFrom(
      cooling.n
    )}.
    {#if stood !== null && stood < needs}Cold checks count from {hour(
        new Date(Date.parse(now) + (needs - stood) * 3_600_000).toISOString(),
        zone,
        now
      )}, at about {shown((readings.ambientC ?? 15) + SOAKED_BELOW_C, 'temperature', 0)}.{/if}
  </figcaption>
</figure>
