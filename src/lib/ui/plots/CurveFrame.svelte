<script lang="ts" module>
  /** Where a temperature and a resistance lie in the frame, and a line along a law. */
  export interface Scale {
    readonly x: (celsius: number) => number;
    readonly y: (ohm: number) => number;
    readonly line: (ohmAt: (celsius: number) => number, along?: readonly number[]) => string;
    readonly temperatures: readonly number[];
  }
</script>

<script lang="ts">
  import type { Snippet } from 'svelte';
  import { inUnit } from '../page-state/units';

  interface Props {
    label: string;
    width: number;
    height: number;
    fromC: number;
    toC: number;
    /** What must lie inside, Ω; the scale is logarithmic. */
    lowOhm: number;
    highOhm: number;
    children: Snippet<[Scale]>;
  }
  let { label, width, height, fromC, toC, lowOhm, highOhm, children }: Props = $props();

  const M = { left: 62, right: 16, top: 14, bottom: 32 };
  const TICKS = [10, 30, 100, 300, 1000, 3000, 10_000, 30_000, 100_000, 300_000, 1_000_000];
  const x = (c: number) => M.left + ((c - fromC) / (toC - fromC)) * (width - M.left - M.right);
  const y = (ohm: number) => {
    const inside = Math.min(highOhm, Math.max(lowOhm, ohm));
    const share = Math.log(inside / lowOhm) / Math.log(highOhm / lowOhm);
    return M.top + (1 - share) * (height - M.top - M.bottom);
  };
  const temperatures = $derived(Array.from({ length: 61 }, (_, i) => fromC + (i * (toC - fromC)) / 60));
  const line: Scale['line'] = (ohmAt, along = temperatures) =>
    along.map((c) => `${x(c).toFixed(1)},${y(ohmAt(c)).toFixed(1)}`).join(' ');
  const written = (r: number) => (r >= 1e6 ? `${r / 1e6} MΩ` : r >= 1000 ? `${r / 1000} kΩ` : `${r} Ω`);
</script>

<!-- Resistance on a logarithmic scale over temperature: the one frame of every sensor curve. -->
<svg viewBox="0 0 {width} {height}" class="w-full" role="img" aria-label={label}>
  {#each TICKS.filter((r) => r > lowOhm && r < highOhm) as r (r)}
    <line x1={M.left} x2={width - M.right} y1={y(r)} y2={y(r)} stroke="var(--line)" />
    <text x={M.left - 8} y={y(r) + 4} text-anchor="end" class="reading" font-size="13" fill="var(--ink-2)"
      >{written(r)}</text
    >
  {/each}
  {#each [-20, 0, 20, 40, 60, 80, 100, 120].filter((c) => c >= fromC && c <= toC) as c (c)}
    <line x1={x(c)} x2={x(c)} y1={M.top} y2={height - M.bottom} stroke="var(--line)" opacity="0.6" />
    <text x={x(c)} y={height - 11} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
      >{Math.round(inUnit(c, 'temperature'))}°</text
    >
  {/each}
  {@render children({ x, y, line, temperatures })}
</svg>
