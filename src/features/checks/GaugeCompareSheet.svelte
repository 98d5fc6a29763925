<script lang="ts">
  import { untrack } from 'svelte';
  import { gaugeLawOf, needleMeans, type GaugeCompareReadings } from '$core/checks/sensor/gauge-compare';
  import type { CircuitReadings } from '$core/checks/circuit-check';
  import type { Instrument } from '$core/measure/instruments';
  import { heatVar } from '$lib/ui/plots/heat';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import InstrumentPick from './InstrumentPick.svelte';
  import CircuitBench from './circuits/CircuitBench.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<Draft<GaugeCompareReadings>> = $props();
  let instrument = $state(
    untrack(() => readings.thermometer?.instrument ?? lastInstrument('housing', 'contact'))
  );
  const needle = $derived(readings.needlePct ?? 50);
  const means = $derived(readings.needlePct === null ? null : needleMeans(readings.needlePct, sheet));
  /** Angle of the needle, from lower left over the top to lower right. */
  const turn = (pct: number) => -60 + 1.2 * pct;
  const at = (pct: number, r: number) => {
    const a = (turn(pct) * Math.PI) / 180;
    return `${(150 + r * Math.sin(a)).toFixed(1)} ${(150 - r * Math.cos(a)).toFixed(1)}`;
  };

  // Its own circuit, measured on the side: part of the readings once something was.
  let sender = $state<CircuitReadings>(
    untrack(() => readings.sender ?? { circuit: 'gauge' as const, batteryV: 12.6, taken: [], names: {} })
  );
  $effect(() => {
    const taken = $state.snapshot(sender);
    readings.sender = taken.taken.length > 0 ? (taken as GaugeCompareReadings['sender']) : null;
  });
  const senderProblems = $derived(
    Object.fromEntries(
      Object.entries(problems).flatMap(([k, v]) => (k.startsWith('sender.') ? [[k.slice(7), v]] : []))
    )
  );

  function change(next: Instrument) {
    instrument = next;
    rememberInstrument('housing', next);
    if (readings.thermometer) readings.thermometer = { ...readings.thermometer, instrument: next };
  }
  const take = (celsius: number | null) =>
    (readings.thermometer = celsius === null ? null : { celsius, instrument });
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

<div class="grid items-start gap-6 sm:grid-cols-[300px_minmax(0,1fr)]">
  <div>
    <svg viewBox="0 0 300 170" class="w-full" role="img" aria-label="The gauge">
      <path
        d="M{at(0, 120)} A120 120 0 0 1 {at(100, 120)}"
        fill="none"
        stroke="var(--line-strong)"
        stroke-width="10"
      />
      <path
        d="M{at(86, 120)} A120 120 0 0 1 {at(100, 120)}"
        fill="none"
        stroke="var(--off)"
        stroke-width="10"
      />
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
    <label class="block text-sm font-semibold"
      >Needle, from cold to hot
      <input
        type="range"
        min="0"
        max="100"
        class="mt-2 w-full"
        value={needle}
        oninput={(e) => (readings.needlePct = Number(e.currentTarget.value))}
      /></label
    >
    <p class="text-ink-2 mt-1 min-h-6 text-sm" aria-live="polite">
      {#if means}Stands for <strong class="text-ink">{said}</strong>{gaugeLawOf(sheet).own
          ? ''
          : ', by a usual gauge'}{:else}{problems.needlePct ?? 'Move it to where the needle stands'}{/if}
    </p>
  </div>
  <div class="grid gap-3 sm:grid-cols-2">
    <QuantityInput
      label="Scan value"
      kind="temperature"
      bind:value={readings.scanC}
      problem={problems.scanC}
    />
    <div></div>
    <div>
      <QuantityInput
        label="Thermometer at the housing"
        kind="temperature"
        value={readings.thermometer?.celsius ?? null}
        onvalue={take}
        problem={problems.thermometer ?? problems['thermometer.celsius']}
      />
      <BenchRead instrument="probe" place="outlet" label="Read the simulated one" onread={take} />
    </div>
    <InstrumentPick
      of="the housing"
      {instrument}
      choices={['contact', 'infrared', 'infrared-bright', 'glass']}
      onchange={change}
    />
  </div>
</div>
<details open={sender.taken.length > 0}>
  <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
    >The needle is wrong: which part of its circuit</summary
  >
  <CircuitBench bind:readings={sender} problems={senderProblems} />
</details>
