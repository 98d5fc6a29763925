<script lang="ts">
  import {
    currentLimits,
    FED_AT,
    FED_TURNS,
    type FanDirectFeedReadings
  } from '$core/checks/fan/fan-direct-feed';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<Draft<FanDirectFeedReadings>> = $props();
  const limits = $derived(currentLimits(sheet));
  const top = $derived(Math.max(limits.highA * 1.7, (readings.amps ?? 0) * 1.15));
  const x = (a: number) => 20 + (Math.min(a, top) / top) * 600;
  const off = $derived(
    readings.amps !== null && (readings.amps < limits.lowA || readings.amps > limits.highA)
  );
</script>

<svg viewBox="0 0 640 120" class="w-full" role="img" aria-label="Current of the fan against what is usual">
  <rect x="20" y="52" width="600" height="26" rx="6" fill="var(--well)" stroke="var(--line-strong)" />
  <rect
    x={x(limits.lowA)}
    y="52"
    width={x(limits.highA) - x(limits.lowA)}
    height="26"
    fill="var(--good-wash)"
    stroke="var(--good)"
  />
  <text
    x={(x(limits.lowA) + x(limits.highA)) / 2}
    y="100"
    text-anchor="middle"
    font-size="14"
    fill="var(--good)"
    >{limits.own ? 'sheet' : 'usual'}: {shown(limits.lowA, 'current', 0)} to {shown(
      limits.highA,
      'current',
      0
    )}</text
  >
  <text x="20" y="100" font-size="13" fill="var(--ink-2)">open</text>
  <text x="620" y="100" text-anchor="end" font-size="13" fill="var(--ink-2)">stuck, shorted</text>
  {#if readings.amps !== null}
    <path d="M{x(readings.amps)} 50 l-11 -20 h22 z" fill={off ? 'var(--off)' : 'var(--act)'} />
    <text
      x={Math.min(590, Math.max(50, x(readings.amps)))}
      y="22"
      text-anchor="middle"
      font-size="18"
      font-weight="700"
      class="reading"
      fill={off ? 'var(--off)' : 'var(--ink)'}>{shown(readings.amps, 'current', 1)}</text
    >
  {/if}
</svg>
<div class="flex flex-wrap gap-x-6 gap-y-3">
  <Choose
    label="Fed at"
    choices={choicesOf(FED_AT)}
    bind:value={readings.at as string | null}
    problem={problems.at}
  />
  <Choose
    label="The fan"
    choices={choicesOf(FED_TURNS)}
    bind:value={readings.turns as string | null}
    problem={problems.turns}
  />
</div>
<div class="grid max-w-md grid-cols-2 gap-3">
  <QuantityInput
    label="Current"
    kind="current"
    bind:value={readings.amps}
    hint="clamp, once it runs steadily"
    problem={problems.amps}
  />
  <QuantityInput
    label="Volts at the plug"
    kind="voltage"
    bind:value={readings.feedV}
    hint="if read"
    problem={problems.feedV}
  />
</div>
<BenchRead
  part="fan-amps"
  label="Clamp on the simulated fan"
  onread={(v) => {
    readings.amps = v;
  }}
/>
