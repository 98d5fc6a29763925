<script lang="ts">
  import { type LevelAndLookReadings } from '$core/checks/coolant/level-and-look';
  import { ALL_GOOD, LOOK_IDS } from '$core/checks/coolant/looks';
  import type { PictureProps } from '../types';

  let { readings = $bindable() }: PictureProps<LevelAndLookReadings> = $props();
  const FILL: Record<string, number> = { over: 0.92, mark: 0.68, low: 0.34, empty: 0.04 };
  const fill = $derived(FILL[readings.level ?? ''] ?? null);
  function allGood() {
    for (const id of LOOK_IDS) readings[id] ??= ALL_GOOD[id];
  }
</script>

<svg
  viewBox="0 0 130 200"
  class="hidden w-full max-w-36 sm:block"
  role="img"
  aria-label="Level in the tank: {readings.level ?? 'not looked at'}"
>
  <rect
    x="44"
    y="2"
    width="42"
    height="22"
    rx="5"
    fill="var(--well)"
    stroke="var(--ink)"
    stroke-width="2.5"
  />
  <rect
    x="14"
    y="24"
    width="102"
    height="168"
    rx="18"
    fill="var(--card)"
    stroke="var(--ink)"
    stroke-width="2.5"
  />
  {#if fill !== null}
    <clipPath id="tank"><rect x="16" y="26" width="98" height="164" rx="16" /></clipPath>
    <rect
      x="16"
      y={190 - fill * 160}
      width="98"
      height={fill * 160}
      fill={readings.level === 'mark' ? 'var(--good)' : 'var(--heat-3)'}
      opacity="0.45"
      clip-path="url(#tank)"
    />
  {/if}
  {#each [70, 92] as y (y)}<line x1="92" x2="114" y1={y} y2={y} stroke="var(--ink)" stroke-width="3" />{/each}
  <text x="24" y="87" font-size="14" fill="var(--ink)">cold</text>
</svg>
<button type="button" class="btn mt-3" onclick={allGood}>The rest is good</button>
