<script lang="ts" module>
  export interface Scale {
    readonly x: (value: number) => number;
    readonly y: (value: number) => number;
    readonly left: number;
    readonly right: number;
    readonly top: number;
    readonly bottom: number;
  }
</script>

<script lang="ts">
  import type { QuantityKind } from '$core/units/units';
  import { ticksShown } from '../page-state/units';
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    width?: number;
    height?: number;
    fromX: number;
    toX: number;
    fromY?: number;
    toY: number;
    /** What stands at a tick, in the person's unit. */
    xText: (value: number) => string;
    yText: (value: number) => string;
    /** Kinds of the axes where their ticks are to be round in the person's unit. */
    xKind?: QuantityKind;
    yKind?: QuantityKind;
    xTitle: string;
    yTitle: string;
    children: Snippet<[Scale]>;
  }
  let {
    label,
    width = 560,
    height = 360,
    fromX,
    toX,
    fromY = 0,
    toY,
    xText,
    yText,
    xKind = 'number',
    yKind = 'number',
    xTitle,
    yTitle,
    children
  }: Props = $props();

  const M = { left: 62, right: 16, top: 26, bottom: 46 };
  const x = (v: number) => M.left + ((v - fromX) / (toX - fromX)) * (width - M.left - M.right);
  const y = (v: number) => height - M.bottom - ((v - fromY) / (toY - fromY)) * (height - M.top - M.bottom);
</script>

<!-- Two plain axes: the frame of every plot of readings against one another. -->
<svg viewBox="0 0 {width} {height}" class="w-full" role="img" aria-label={label}>
  {#each ticksShown(fromY, toY, 6, yKind) as v (v)}
    <line x1={M.left} x2={width - M.right} y1={y(v)} y2={y(v)} stroke="var(--line)" />
    <text x={M.left - 8} y={y(v) + 4} text-anchor="end" class="reading" font-size="13" fill="var(--ink-2)"
      >{yText(v)}</text
    >
  {/each}
  {#each ticksShown(fromX, toX, 6, xKind) as v (v)}
    <line x1={x(v)} x2={x(v)} y1={M.top} y2={height - M.bottom} stroke="var(--line)" opacity="0.6" />
    <text
      x={x(v)}
      y={height - M.bottom + 17}
      text-anchor="middle"
      class="reading"
      font-size="13"
      fill="var(--ink-2)">{xText(v)}</text
    >
  {/each}
  <text x={width - M.right} y={height - 8} text-anchor="end" font-size="13" fill="var(--ink-2)">{xTitle}</text
  >
  <text x="4" y="14" font-size="13" fill="var(--ink-2)">{yTitle}</text>
  {@render children({ x, y, left: M.left, right: width - M.right, top: M.top, bottom: height - M.bottom })}
</svg>
