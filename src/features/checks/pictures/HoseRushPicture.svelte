<script lang="ts">
  import { type HoseRushReadings } from '$core/checks/thermostat/hose-rush';
  import { limitsOf } from '$core/vehicle/limits';
  import { heatVar } from '$lib/ui/plots/heat';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings, sheet }: PictureProps<HoseRushReadings> = $props();
  const side = $derived(sheet?.thermostat?.side);
  const start = $derived(limitsOf(sheet).startOpenC);
  const FEEL = {
    inlet: 'Thermostat at the inlet: feel the lower hose.',
    outlet: 'Thermostat at the outlet: feel the upper hose.'
  } as const;
  /** How a hose warms against the engine, for each way it can be felt. */
  const LINES = {
    rush: 'M10 128 L120 120 L132 60 L230 42',
    gradual: 'M10 128 Q110 92 230 70',
    never: 'M10 128 L230 118'
  } as const;
</script>

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

<p class="text-ink-2">
  {side
    ? FEEL[side]
    : 'Feel the hose that leaves the thermostat housing; at which side it sits, the sheet does not say.'}
  It should open from {shown(start.value, 'temperature', 0)}{start.origin === 'typical'
    ? ', as is typical'
    : ''}.
</p>
