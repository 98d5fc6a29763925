<script lang="ts">
  import type { ClutchColdTurnReadings } from '$core/checks/clutch/clutch-cold-turn';
  import type { PictureProps } from '../types';

  let { readings }: PictureProps<ClutchColdTurnReadings> = $props();
  /** How far round a fan with this drag goes by itself, for the drawing. */
  const arc = $derived(Math.min(readings.freeTurns ?? 0, 8));
  const spiral = $derived(
    Array.from({ length: Math.round(arc * 40) + 1 }, (_, i) => {
      const turn = i / 40;
      const r = 46 + turn * 6.5;
      const a = turn * 2 * Math.PI - Math.PI / 2;
      return `${i ? 'L' : 'M'}${(110 + r * Math.cos(a)).toFixed(1)} ${(110 + r * Math.sin(a)).toFixed(1)}`;
    }).join('')
  );
</script>

<svg
  viewBox="0 0 220 220"
  class="w-full max-w-56"
  role="img"
  aria-label="Turns after a flick: {readings.freeTurns ?? 'not tried'}"
>
  <circle cx="110" cy="110" r="105" fill="none" stroke="var(--line)" stroke-width="2" />
  {#each [0, 60, 120, 180, 240, 300] as angle (angle)}
    <path
      d="M110 96 C128 84 132 62 122 40 L104 40 C100 60 100 80 110 96Z"
      transform="rotate({angle} 110 110)"
      fill="var(--well)"
      stroke="var(--line-strong)"
    />
  {/each}
  <circle cx="110" cy="110" r="20" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
  {#if arc > 0}<path
      d={spiral}
      fill="none"
      stroke={arc >= 5 ? 'var(--off)' : 'var(--act)'}
      stroke-width="4"
      stroke-linecap="round"
    />{/if}
</svg>
