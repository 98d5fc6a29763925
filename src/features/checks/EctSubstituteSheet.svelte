<script lang="ts">
  import { untrack } from 'svelte';
  import type { EctSubstituteReadings } from '$core/checks/sensor/ect-substitute';
  import type { Instrument } from '$core/measure/instruments';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import InstrumentPick from './InstrumentPick.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), problems }: SheetProps<Draft<EctSubstituteReadings>> = $props();
  let instrument = $state(untrack(() => readings.air?.instrument ?? lastInstrument('ambient', 'weather')));

  function change(next: Instrument) {
    instrument = next;
    rememberInstrument('ambient', next);
    if (readings.air) readings.air = { ...readings.air, instrument: next };
  }
  const bars = $derived(
    (
      [
        ['Known good', readings.substituteC],
        ['Air', readings.air?.celsius ?? null]
      ] as const
    ).filter((b): b is [(typeof b)[0], number] => b[1] !== null)
  );
  const W = 640;
  const x = (c: number) => 110 + ((c + 20) / 80) * (W - 180);
</script>

<div class="grid items-start gap-3 sm:grid-cols-2 xl:grid-cols-4">
  <QuantityInput
    label="Known good sensor reads"
    kind="temperature"
    bind:value={readings.substituteC}
    hint="plugged in, lying in the air"
    problem={problems.substituteC}
  />
  <QuantityInput
    label="Air beside it"
    kind="temperature"
    value={readings.air?.celsius ?? null}
    onvalue={(celsius) => (readings.air = celsius === null ? null : { celsius, instrument })}
    problem={problems.air ?? problems['air.celsius']}
  />
  <InstrumentPick
    of="the air"
    {instrument}
    choices={['weather', 'glass', 'contact', 'scan']}
    onchange={change}
  />
  <QuantityInput
    label="Old sensor was off by"
    kind="difference"
    bind:value={readings.oldOffC}
    hint="if known; − reads cold"
    problem={problems.oldOffC}
  />
</div>
<svg viewBox="0 0 {W} 90" class="w-full" role="img" aria-label="Both readings on one scale">
  <line x1="110" x2={W - 70} y1="74" y2="74" stroke="var(--line-strong)" />
  {#each bars as [name, c], i (name)}
    <text x="0" y={24 + i * 30} font-size="14" fill="var(--ink)">{name}</text>
    <rect
      x="110"
      width={Math.max(3, Math.min(W - 180, x(c) - 110))}
      y={12 + i * 30}
      height="16"
      rx="4"
      fill={heatVar(c)}
    />
    <text
      x={Math.min(W - 62, x(c) + 8)}
      y={25 + i * 30}
      class="reading"
      font-size="14"
      font-weight="700"
      fill="var(--ink)">{shown(c, 'temperature')}</text
    >
  {/each}
</svg>
