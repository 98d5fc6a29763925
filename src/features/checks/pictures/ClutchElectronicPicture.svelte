<script lang="ts">
  import { commandedShare, type ClutchElectronicReadings } from '$core/checks/clutch/clutch-electronic';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<ClutchElectronicReadings> = $props();
  const commands = Array.from({ length: 21 }, (_, i) => 5 * i);
  const unplugged = $derived(
    readings.unplugged?.engineRpm && readings.unplugged.fanRpm !== null
      ? (100 * readings.unplugged.fanRpm) / readings.unplugged.engineRpm
      : null
  );
</script>

<figure>
  <XyFrame
    label="Fan speed as a share of its pulley against the command"
    fromX={0}
    toX={100}
    toY={110}
    xText={(v) => `${v}`}
    yText={(v) => `${v}`}
    xTitle="command, %"
    yTitle="fan over pulley, %"
  >
    {#snippet children({ x, y, left, right })}
      <polygon
        points={[
          ...commands.map((c) => `${x(c)},${y(100 * commandedShare(sheet, c) + 14)}`),
          ...commands.toReversed().map((c) => `${x(c)},${y(100 * commandedShare(sheet, c) - 14)}`)
        ].join(' ')}
        fill="var(--band)"
        opacity="0.3"
      />
      <polyline
        points={commands.map((c) => `${x(c)},${y(100 * commandedShare(sheet, c))}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.5"
      />
      {#if unplugged !== null}
        <line
          x1={x(0)}
          x2={right}
          y1={y(unplugged)}
          y2={y(unplugged)}
          stroke="var(--act)"
          stroke-width="2"
          stroke-dasharray="8 5"
        />
        <text x={left + 90} y={y(unplugged) - 9} font-size="13" fill="var(--act)">unplugged</text>
      {/if}
      {#each readings.pairs as p, i (i)}
        <circle
          cx={x(p.commandPct)}
          cy={y((100 * p.fanRpm) / p.engineRpm)}
          r="8"
          fill="var(--act)"
          stroke="var(--card)"
          stroke-width="2"
          data-pair
        />
      {/each}
    {/snippet}
  </XyFrame>
</figure>
