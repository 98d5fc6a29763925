<script lang="ts">
  import { resistanceAt } from '$core/physics/thermistor/curve';
  import type { CurvePoint } from '$core/physics/thermistor/fit';
  import type { LibraryCurve } from '$core/physics/thermistor/library';
  import CurveFrame from '$lib/ui/plots/CurveFrame.svelte';
  import { heatVar } from '$lib/ui/plots/heat';

  interface Props {
    curves: readonly LibraryCurve[];
    points: readonly CurvePoint[];
  }
  let { curves, points }: Props = $props();

  const DASHES = ['', '12 5', '3 5', '12 5 3 5'];
  const ohms = $derived([
    ...curves.flatMap((c) => [resistanceAt(c.curve, -20), resistanceAt(c.curve, 120)]),
    ...points.map((p) => p[1])
  ]);
</script>

<figure class="card p-4">
  <CurveFrame
    label="The chosen curves, and the readings"
    width={760}
    height={300}
    fromC={-20}
    toC={120}
    lowOhm={Math.max(1, Math.min(...ohms) / 1.4)}
    highOhm={Math.min(2e6, Math.max(...ohms) * 1.4)}
  >
    {#snippet children({ x, y, line })}
      {#each curves as { id, curve }, i (id)}
        <polyline
          points={line((c) => resistanceAt(curve, c))}
          fill="none"
          stroke={i === 0 ? 'var(--ink)' : 'var(--act)'}
          stroke-width="2.5"
          stroke-dasharray={DASHES[i % DASHES.length]}
        />
      {/each}
      {#each points as [celsius, ohm], i (i)}
        <circle
          cx={x(celsius)}
          cy={y(ohm)}
          r="7"
          fill={heatVar(celsius)}
          stroke="var(--ink)"
          stroke-width="2"
        />
      {/each}
    {/snippet}
  </CurveFrame>
  <figcaption class="flex flex-wrap gap-x-5 gap-y-1 text-sm">
    {#each curves as { id, title }, i (id)}
      <span class="inline-flex items-center gap-2"
        ><svg width="40" height="8" aria-hidden="true"
          ><line
            x1="0"
            x2="40"
            y1="4"
            y2="4"
            stroke={i === 0 ? 'var(--ink)' : 'var(--act)'}
            stroke-width="2.5"
            stroke-dasharray={DASHES[i % DASHES.length]}
          /></svg
        >{title}</span
      >
    {/each}
  </figcaption>
</figure>
