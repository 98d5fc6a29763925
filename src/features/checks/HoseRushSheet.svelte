<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import { FELT, type HoseRushReadings } from '$core/checks/thermostat/hose-rush';
  import { heatVar } from '$lib/ui/plots/heat';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<Draft<HoseRushReadings>> = $props();
  const inlet = $derived(sheet?.thermostat.side === 'inlet');
  const start = $derived(limitsOf(sheet).startOpenC.value);
  /** How a hose warms against the engine, for each way it can be felt. */
  const LINES = {
    rush: 'M10 128 L120 120 L132 60 L230 42',
    gradual: 'M10 128 Q110 92 230 70',
    never: 'M10 128 L230 118'
  } as const;
</script>

<div class="grid items-start gap-6 sm:grid-cols-[250px_1fr]">
  <svg viewBox="0 0 240 150" class="w-full" role="img" aria-label="How the hose warmed against the engine">
    <line x1="10" x2="232" y1="136" y2="136" stroke="var(--line-strong)" />
    <path
      d="M10 128 L130 50 L230 42"
      fill="none"
      stroke="var(--ink-2)"
      stroke-dasharray="5 4"
      stroke-width="2"
    />
    <text x="150" y="34" font-size="13" fill="var(--ink-2)">engine</text>
    {#each Object.entries(LINES) as [felt, d] (felt)}
      <path
        {d}
        fill="none"
        stroke={readings.felt === felt ? heatVar(felt === 'never' ? 20 : 80) : 'var(--line)'}
        stroke-width={readings.felt === felt ? 5 : 2}
      />
    {/each}
  </svg>
  <div class="space-y-4">
    <p class="text-ink-2">
      {inlet
        ? 'Thermostat at the inlet: feel the lower hose.'
        : 'Thermostat at the outlet: feel the upper hose.'}
      It should open from {shown(start, 'temperature', 0)}.
    </p>
    <Choose
      label="The {inlet ? 'lower' : 'upper'} hose"
      choices={choicesOf(FELT)}
      bind:value={readings.felt as string | null}
      problem={problems.felt}
      wide
    />
    <div class="w-56">
      <QuantityInput
        label={readings.felt === 'rush' ? 'Coolant when it rushed hot' : 'Coolant now'}
        kind="temperature"
        bind:value={readings.coolantC}
        problem={problems.coolantC}
      />
    </div>
    <Choose
      label="Felt"
      choices={[
        { value: 'hand', label: 'By hand' },
        { value: 'probe', label: 'By a probe' }
      ]}
      bind:value={readings.by as string | null}
      problem={problems.by}
    />
  </div>
</div>
