<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import type { ClutchHotSpeedReadings } from '$core/checks/clutch/clutch-hot-speed';
  import { clutchLimits, clutchRange, FREE_RATIO, readPairs, SETTLING_MIN } from '$core/physics/clutch/speed';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<ClutchHotSpeedReadings> = $props();
  const pulley = $derived(readings.pulley ?? 1);
  const fixed = $derived(sheet?.clutch?.kind === 'fixed' ? limitsOf(sheet) : null);
  const limits = $derived(clutchLimits(sheet));
  const read = $derived(readPairs(readings.pairs, limits, pulley));
  const top = $derived(Math.max(4000, ...readings.pairs.map((p) => p.engineRpm * 1.1)));
  const speeds = $derived(Array.from({ length: 41 }, (_, i) => 400 + (i * (top - 400)) / 40));
  const due = $derived((rpm: number): readonly [number, number] =>
    fixed
      ? [fixed.ratioLow.value * rpm * pulley, fixed.ratioHigh.value * rpm * pulley]
      : clutchRange(limits, rpm, pulley)
  );
</script>

<figure>
  <XyFrame
    label="Fan speed against engine speed, over the region of the clutch"
    fromX={0}
    toX={top}
    toY={top * Math.max(1, pulley) * 0.95}
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
        y2={y(top * pulley)}
        stroke="var(--line-strong)"
        stroke-dasharray="3 5"
      />
      <text
        x={x(top * 0.66)}
        y={y(top * 0.66 * pulley) - 10}
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
    {:else}Shaded: between free and engaged. Engages from {shown(limits.engageAirC, 'temperature', 0)} of air, lets
      go at
      {shown(limits.releaseAirC, 'temperature', 0)}.{/if}
    {#if !fixed}On a cool day part of the radiator is covered with card, until the air behind it gets there.{/if}
    Squares are from the first {SETTLING_MIN} min after a cold start and do not count.
  </figcaption>
</figure>
