<script lang="ts">
  import { gaugeLawOf, needleMeans, type GaugeCompareReadings } from '$core/checks/sensor/gauge-compare';
  import { shown } from '$lib/ui/page-state/units';
  import { heatVar } from '$lib/ui/plots/heat';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<GaugeCompareReadings> = $props();
  const needle = $derived(readings.needlePct ?? 50);
  const means = $derived(readings.needlePct === null ? null : needleMeans(readings.needlePct, sheet));
  /** Angle of the needle, from lower left over the top to lower right. */
  const turn = (pct: number) => -60 + 1.2 * pct;
  const at = (pct: number, r: number) => {
    const a = (turn(pct) * Math.PI) / 180;
    return `${(150 + r * Math.sin(a)).toFixed(1)} ${(150 - r * Math.cos(a)).toFixed(1)}`;
  };
  const said = $derived(
    means === null
      ? ''
      : means.lowC <= -60
        ? `below ${shown(means.highC, 'temperature', 0)}`
        : means.highC >= 250
          ? `above ${shown(means.lowC, 'temperature', 0)}`
          : `${shown(means.lowC, 'temperature', 0)} to ${shown(means.highC, 'temperature', 0)}`
  );
</script>

<svg viewBox="0 0 300 170" class="w-full" role="img" aria-label="The gauge">
  <path
    d="M{at(0, 120)} A120 120 0 0 1 {at(100, 120)}"
    fill="none"
    stroke="var(--line-strong)"
    stroke-width="10"
  />
  <path d="M{at(86, 120)} A120 120 0 0 1 {at(100, 120)}" fill="none" stroke="var(--off)" stroke-width="10" />
  {#each [0, 25, 50, 75, 100] as p (p)}
    <path d="M{at(p, 104)} L{at(p, 112)}" stroke="var(--ink)" stroke-width="2" />
  {/each}
  <path
    d="M150 150 L{at(needle, 106)}"
    stroke={means
      ? heatVar(Math.min(118, Math.max(0, (Math.max(0, means.lowC) + Math.min(130, means.highC)) / 2)))
      : 'var(--line-strong)'}
    stroke-width="6"
    stroke-linecap="round"
  />
  <circle cx="150" cy="150" r="9" fill="var(--ink)" />
  <text x="22" y="120" font-size="15" fill="var(--ink-2)">cold</text>
  <text x="278" y="120" font-size="15" text-anchor="end" fill="var(--ink-2)">hot</text>
</svg>
<p class="text-ink-2 mt-1 min-h-6 text-sm" aria-live="polite">
  {#if means}Stands for <strong class="text-ink">{said}</strong>{gaugeLawOf(sheet).own
      ? ''
      : ', by a usual gauge'}{:else}Move it to where the needle stands{/if}
</p>
