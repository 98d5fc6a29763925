<script lang="ts">
  import { type ThermostatHeaterReadings } from '$core/checks/thermostat/thermostat-heater';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<ThermostatHeaterReadings> = $props();
  const due = $derived(sheet?.thermostat?.heaterOhm ?? null);
  const open = $derived(readings.powered === 'opens' && readings.unpowered !== 'closes');
</script>

<!-- The valve with its wax and the element inside it. -->
<svg
  viewBox="0 0 460 300"
  class="w-full"
  role="img"
  aria-label="The thermostat, {open ? 'open' : 'shut'}, with its element"
>
  <path d="M60 120 H150 M310 120 H400" stroke="var(--ink)" stroke-width="8" />
  <rect
    x="150"
    y={open ? 62 : 104}
    width="160"
    height="26"
    rx="6"
    fill="var(--card)"
    stroke="var(--ink)"
    stroke-width="3"
  />
  {#if open}<path
      d="M100 96 q50 -40 110 -4 M360 96 q-50 -40 -110 -4"
      fill="none"
      stroke="var(--act)"
      stroke-width="4"
      stroke-dasharray="8 6"
    />{/if}
  <path d="M200 130 l60 14 l-60 14 l60 14 l-60 14" fill="none" stroke="var(--line-strong)" stroke-width="4" />
  <rect
    x="195"
    y="190"
    width="70"
    height="84"
    rx="10"
    fill="var(--well)"
    stroke="var(--ink)"
    stroke-width="3"
  />
  <path d="M230 {open ? 88 : 130} V190" stroke="var(--ink)" stroke-width="6" />
  <path
    d="M212 210 h36 l-36 14 h36 l-36 14 h36"
    fill="none"
    stroke={readings.powered !== null ? 'var(--off)' : 'var(--ink-2)'}
    stroke-width="4"
  />
  <path d="M265 232 H370" stroke="var(--ink)" stroke-width="2" />
  <text x="376" y="238" font-size="17" font-weight="700" class="reading" fill="var(--ink)"
    >{readings.elementOhm === null ? 'element' : shown(readings.elementOhm, 'resistance')}</text
  >
  <text x="230" y="294" text-anchor="middle" font-size="13" fill="var(--ink-2)">wax</text>
</svg>

{#if due}<p class="text-ink-2 text-sm">The sheet gives the element {shown(due, 'resistance')}.</p>{/if}
