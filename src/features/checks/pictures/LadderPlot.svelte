<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import type { EctLadderReadings, JudgedLadder } from '$core/checks/sensor/ect-ladder';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { resistanceAt } from '$core/physics/thermistor/curve';
  import CurveFrame from '$lib/ui/plots/CurveFrame.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import { shown } from '$lib/ui/page-state/units';

  interface Props {
    sheet: SpecSheet | null;
    ladder: JudgedLadder | null;
    points: EctLadderReadings['points'];
  }
  let { sheet, ladder, points }: Props = $props();

  const W = 520;
  const H = 400;
  const curve = $derived(sheet?.ect?.curve ?? null);
  const tolerance = $derived(limitsOf(sheet).tolerancePct.value / 100);
  const from = $derived(Math.min(-10, ...points.map((p) => p.celsius - 5)));
  const to = $derived(Math.max(110, ...points.map((p) => p.celsius + 5)));
  const temperatures = $derived(Array.from({ length: 61 }, (_, i) => from + (i * (to - from)) / 60));
  /** Points as resistance; those in volts that cannot be turned into one are not drawn. */
  const drawn = $derived(
    ladder
      ? [...ladder.points, ...ladder.strays].map((p) => ({
          celsius: p.trueC,
          ohm: p.ohm,
          u: points[p.index].instrument.uncertaintyC
        }))
      : points.flatMap((p) =>
          p.ohm === null ? [] : [{ celsius: p.celsius, ohm: p.ohm, u: p.instrument.uncertaintyC }]
        )
  );
  const explained = $derived(
    ladder && ladder.best.id !== 'healthy' && ladder.best.id !== 'open' && ladder.best.id !== 'short'
      ? ladder.best
      : null
  );
  const ohms = $derived([
    ...(curve ? temperatures.map((c) => resistanceAt(curve, c)) : [100, 10_000]),
    ...drawn.map((p) => Math.min(1e6, Math.max(5, p.ohm)))
  ]);
  const low = $derived(Math.min(...ohms) / 1.3);
  const high = $derived(Math.max(...ohms) * 1.3);
</script>

<figure>
  <CurveFrame
    label="The points against the sensor’s curve"
    width={W}
    height={H}
    fromC={from}
    toC={to}
    lowOhm={low}
    highOhm={high}
  >
    {#snippet children({ x, y, line })}
      {#if curve}
        <polygon
          points="{line((c) => resistanceAt(curve, c) * (1 + tolerance))} {line(
            (c) => resistanceAt(curve, c) * (1 - tolerance),
            temperatures.toReversed()
          )}"
          fill="var(--band)"
          opacity="0.4"
        />
        <polyline
          points={line((c) => resistanceAt(curve, c))}
          fill="none"
          stroke="var(--ink)"
          stroke-width="2.5"
        />
      {/if}
      {#if explained}
        <polyline
          points={line(explained.ohmAt)}
          fill="none"
          stroke="var(--off)"
          stroke-width="2.5"
          stroke-dasharray="8 5"
          data-explained={explained.id}
        />
      {/if}
      {#if ladder?.next}
        {@const at = x(ladder.next.celsius)}
        <line
          x1={at}
          x2={at}
          y1={14}
          y2={H - 32}
          stroke="var(--act)"
          stroke-width="2"
          stroke-dasharray="3 4"
        />
        {@const left = at > W - 110}
        <text
          x={left ? at - 6 : at + 6}
          y={28}
          text-anchor={left ? 'end' : 'start'}
          font-size="14"
          font-weight="600"
          fill="var(--act)">read at {shown(ladder.next.celsius, 'temperature', 0)}</text
        >
      {/if}
      {#each drawn as p, i (i)}
        <line
          x1={x(p.celsius - p.u)}
          x2={x(p.celsius + p.u)}
          y1={y(p.ohm)}
          y2={y(p.ohm)}
          stroke="var(--ink-2)"
          stroke-width="3"
        />
        <circle
          cx={x(p.celsius)}
          cy={y(p.ohm)}
          r="8"
          fill={heatVar(p.celsius)}
          stroke="var(--ink)"
          stroke-width="2"
        />
      {/each}
    {/snippet}
  </CurveFrame>
  <figcaption class="text-ink-2 text-sm">
    {#if !curve}
      The sheet has no sensor curve; points are held against our families.
    {:else}
      Line and shade: the sheet’s curve and its tolerance.{explained
        ? ' Dashed: what explains the points best.'
        : ''}{ladder?.next ? ' Upright: the reading that would settle it.' : ''}
    {/if}
  </figcaption>
</figure>
