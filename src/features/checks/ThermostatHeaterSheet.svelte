<script lang="ts">
  import { CLOSED, OPENED, type ThermostatHeaterReadings } from '$core/checks/thermostat/thermostat-heater';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<ThermostatHeaterReadings> = $props();
  const due = $derived(sheet?.thermostat.heaterOhm ?? null);
  const open = $derived(readings.powered === 'opens' && readings.unpowered !== 'closes');
  let from = $state<number | null>(null);
  /** A watch from power on to the valve's opening. */
  function watch() {
    if (from === null) {
      from = Date.now();
      return;
    }
    readings.afterS = Math.round((Date.now() - from) / 1000);
    from = null;
  }
</script>

<div class="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_330px]">
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
    <path
      d="M200 130 l60 14 l-60 14 l60 14 l-60 14"
      fill="none"
      stroke="var(--line-strong)"
      stroke-width="4"
    />
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
  <div class="space-y-3">
    <QuantityInput
      label="Element"
      kind="resistance"
      bind:value={readings.elementOhm}
      hint={due ? `sheet ${shown(due, 'resistance')}; over-range: 10M` : 'over-range: 10M'}
      problem={problems.elementOhm}
    />
    <BenchRead
      part="heater-ohm"
      label="Measure the simulated element"
      onread={(v) => {
        readings.elementOhm = v;
      }}
    />
    <Choose
      label="Powered, in warm water below its opening"
      choices={choicesOf(OPENED)}
      value={readings.powered}
      optional
      onvalue={(v) => (readings.powered = v as ThermostatHeaterReadings['powered'])}
    />
    <div class="grid grid-cols-2 items-start gap-2">
      <QuantityInput label="after" kind="time" bind:value={readings.afterS} problem={problems.afterS} />
      <button type="button" class="btn mt-6" onclick={watch}
        >{from === null ? 'Power on now' : 'It opens now'}</button
      >
    </div>
    <Choose
      label="Power off"
      choices={choicesOf(CLOSED)}
      value={readings.unpowered}
      optional
      onvalue={(v) => (readings.unpowered = v as ThermostatHeaterReadings['unpowered'])}
    />
  </div>
</div>
