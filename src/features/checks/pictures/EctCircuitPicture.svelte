<script lang="ts">
  import type { EctCircuitReadings } from '$core/checks/sensor/ect-circuit';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<EctCircuitReadings> = $props();
  const ect = $derived(sheet?.ect);
  const said = (c: number | null | undefined) => (c == null ? '' : shown(c, 'temperature', 0));
  const given = (v: number | null) => v !== null;
</script>

<div class="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_250px]">
  <!-- The plug with its two pins: what is measured where. -->
  <svg viewBox="0 0 420 230" class="w-full" role="img" aria-label="Sensor plug, its supply and its ground">
    <rect x="8" y="40" width="120" height="150" rx="10" fill="var(--well)" stroke="var(--line-strong)" />
    <text x="68" y="110" text-anchor="middle" font-size="14" fill="var(--ink)">Control</text>
    <text x="68" y="128" text-anchor="middle" font-size="14" fill="var(--ink)">unit</text>
    <line x1="128" x2="282" y1="75" y2="75" stroke="var(--ink)" stroke-width="3" />
    <line x1="128" x2="282" y1="155" y2="155" stroke="var(--ink)" stroke-width="3" />
    <text x="140" y="66" font-size="13" fill="var(--ink-2)"
      >supply{ect?.referenceV ? `, ${shown(ect.referenceV, 'voltage', 1)}` : ''}</text
    >
    <text x="140" y="174" font-size="13" fill="var(--ink-2)">ground</text>
    <rect
      x="282"
      y="52"
      width="46"
      height="126"
      rx="8"
      fill="var(--card)"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <circle
      cx="305"
      cy="75"
      r="8"
      fill={given(readings.openV) || given(readings.signalV) ? 'var(--act)' : 'var(--card)'}
      stroke="var(--ink)"
      stroke-width="2"
    />
    <circle
      cx="305"
      cy="155"
      r="8"
      fill={given(readings.groundV) ? 'var(--act)' : 'var(--card)'}
      stroke="var(--ink)"
      stroke-width="2"
    />
    {#if given(readings.bridgedC)}
      <path d="M313 75 H352 V155 H313" fill="none" stroke="var(--off)" stroke-width="4" />
      <text x="360" y="120" font-size="13" fill="var(--off)">bridge</text>
    {/if}
    <text x="305" y="204" text-anchor="middle" font-size="13" fill="var(--ink-2)">plug, off the sensor</text>
  </svg>
  <p class="text-ink-2 text-sm lg:pt-6">
    Key on, engine off. Read the scan value with the plug off, then with its two pins bridged by a fused wire.
    Many fans start when the sensor reads open.
    {#if said(ect?.openReadsC)}Open it should read {said(ect?.openReadsC)}{/if}{#if said(ect?.shortReadsC)},
      bridged
      {said(ect?.shortReadsC)}{/if}
  </p>
</div>
