<script lang="ts">
  import { CONTACT_LIMIT_OHM, type RelayBenchReadings } from '$core/checks/fan/relay-bench';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings }: PictureProps<RelayBenchReadings> = $props();
  const fed = $derived(readings.clicks === 'yes');
  const contactOhm = $derived(
    readings.dropV !== null && readings.loadA !== null && readings.loadA > 0
      ? readings.dropV / readings.loadA
      : null
  );
  const bad = $derived(contactOhm !== null && contactOhm > CONTACT_LIMIT_OHM);
</script>

<!-- The relay from below: its coil, its armature as it was found, and what was measured between its terminals. -->
<svg viewBox="0 0 480 300" class="w-full" role="img" aria-label="The relay with its coil and contacts">
  <rect
    x="70"
    y="20"
    width="340"
    height="260"
    rx="14"
    fill="var(--well)"
    stroke="var(--line-strong)"
    stroke-width="2"
  />
  <path d="M150 60 V100 M150 200 V240" stroke="var(--ink)" stroke-width="3" />
  <rect
    x="118"
    y="100"
    width="64"
    height="100"
    rx="6"
    fill="var(--card)"
    stroke="var(--ink)"
    stroke-width="2.5"
  />
  {#each [0, 1, 2, 3, 4] as i (i)}<line
      x1="118"
      x2="182"
      y1={116 + 18 * i}
      y2={108 + 18 * i}
      stroke="var(--line-strong)"
    />{/each}
  <text x="192" y="140" font-size="17" font-weight="700" class="reading" fill="var(--ink)"
    >{readings.coilOhm === null ? 'coil' : shown(readings.coilOhm, 'resistance')}</text
  >
  <path d="M320 60 V112" stroke="var(--ink)" stroke-width="5" />
  <path d="M320 192 V240" stroke="var(--ink)" stroke-width="5" />
  <circle cx="320" cy="192" r="6" fill="var(--ink)" />
  <line
    x1="320"
    y1="112"
    x2={fed ? 320 : 356}
    y2={fed ? 190 : 182}
    stroke={bad ? 'var(--off)' : 'var(--ink)'}
    stroke-width="6"
    stroke-linecap="round"
  />
  <path d="M186 150 H300" stroke="var(--line-strong)" stroke-dasharray="3 6" stroke-width="2" />
  {#if contactOhm !== null}
    <text
      x="336"
      y="150"
      font-size="17"
      font-weight="700"
      class="reading"
      fill={bad ? 'var(--off)' : 'var(--ink)'}>{(1000 * contactOhm).toFixed(0)} mΩ</text
    >
  {:else if readings.restOhm !== null && !fed}
    <text x="336" y="150" font-size="15" font-weight="700" class="reading" fill="var(--ink)"
      >{shown(readings.restOhm, 'resistance')}</text
    >
  {/if}
  {#each [['86', 150, 60], ['85', 150, 240], ['30', 320, 60], ['87', 320, 240]] as const as [t, cx, cy] (t)}
    <circle {cx} {cy} r="17" fill="var(--card)" stroke="var(--ink)" stroke-width="2.5" />
    <text
      x={cx}
      y={cy + 5}
      text-anchor="middle"
      font-size="14"
      font-weight="700"
      class="reading"
      fill="var(--ink)">{t}</text
    >
  {/each}
</svg>
