<script lang="ts">
  import type { ClutchPlayReadings } from '$core/checks/clutch/clutch-play';
  import { limitsOf } from '$core/vehicle/limits';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<ClutchPlayReadings> = $props();
  const limit = $derived(limitsOf(sheet).tipPlayMaxMm.value);
  /** The drawing tilts what moves, as far as the reading says. */
  const tilt = $derived(Math.min(10, (readings.tipMm ?? 0) * 0.5));
  const pumpTilt = $derived(readings.moves === 'pump' ? tilt : 0);
  const fanTilt = $derived(readings.moves === 'clutch' || readings.moves === 'pump' ? tilt : 0);
</script>

<svg
  viewBox="0 0 260 220"
  class="w-full max-w-64"
  role="img"
  aria-label="Pump, shaft, clutch and fan from the side"
>
  <rect x="6" y="60" width="58" height="100" rx="8" fill="var(--well)" stroke="var(--line-strong)" />
  <text x="35" y="115" text-anchor="middle" font-size="13" fill="var(--ink)">engine</text>
  <g
    transform="rotate({pumpTilt} 64 110)"
    stroke={readings.moves === 'pump' ? 'var(--off)' : 'var(--ink)'}
    stroke-width="2.5"
    fill="var(--card)"
  >
    <rect x="64" y="103" width="66" height="14" />
    <rect x="78" y="72" width="16" height="76" rx="3" />
  </g>
  <text x="86" y="168" text-anchor="middle" font-size="13" fill="var(--ink-2)">pulley</text>
  <g
    transform="rotate({fanTilt} 130 110)"
    stroke={readings.moves === 'clutch' ? 'var(--off)' : 'var(--ink)'}
    stroke-width="2.5"
    fill="var(--card)"
  >
    <rect x="130" y="84" width="34" height="52" rx="6" />
    <path d="M164 110 h14 M178 20 q14 45 0 90 q14 45 0 90" fill="none" />
  </g>
  <text x="147" y="156" text-anchor="middle" font-size="13" fill="var(--ink-2)">clutch</text>
  <line x1="206" x2="206" y1={22 - limit} y2={22 + limit} stroke="var(--good)" stroke-width="5" />
  <text x="214" y="27" font-size="13" fill="var(--good)">limit</text>
</svg>
<p class="text-ink-2 text-sm">
  Limit {shown(limit, 'length')}{sheet?.clutch?.tipPlayMaxMm == null ? ', our default' : ''}.
</p>
