<script lang="ts">
  import { LOSS_LIMIT_KPA, lossIn10Min, type PressureHoldReadings } from '$core/checks/coolant/pressure-hold';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import { inUnit, shown, unitOf } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<PressureHoldReadings> = $props();
  const cap = $derived(sheet?.cap?.kPa ?? null);
  const first = $derived(readings.points[0] ?? null);
  const toMin = $derived(Math.max(12, ...readings.points.map((p) => p.min * 1.1)));
  const top = $derived(Math.max(cap ?? 100, ...readings.points.map((p) => p.kPa)) * 1.15);
  const loss = $derived(readings.points.length > 1 ? lossIn10Min(readings.points) : null);
</script>

<figure>
  <XyFrame
    label="Pressure over time"
    height={330}
    fromX={0}
    toX={toMin}
    toY={top}
    yKind="pressure"
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
