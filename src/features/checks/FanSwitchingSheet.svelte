<script lang="ts">
  import { stagesOf, type FanSwitchingReadings } from '$core/checks/fan/fan-switching';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import type { Draft, SheetProps } from './types';

  type Reading = Omit<Draft<FanSwitchingReadings>, 'stages' | 'acOn' | 'moving'> &
    Pick<FanSwitchingReadings, 'stages' | 'acOn' | 'moving'>;
  let { readings = $bindable(), sheet, problems }: SheetProps<Reading> = $props();
  const given = $derived(stagesOf(sheet));
  // The sheet's own stages, once it is known.
  $effect(() => {
    if (given.length > 0 && readings.stages.length < given.length)
      readings.stages = given.map((g, i) => readings.stages[i] ?? { name: g.name, onC: null, offC: null });
  });
  const all = $derived(
    [
      ...given.flatMap((g) => [g.onC, g.offC]),
      ...readings.stages.flatMap((s) => [s.onC, s.offC]),
      readings.hottestC
    ].filter((c): c is number => c !== null)
  );
  const low = $derived(Math.min(...all, 85) - 3);
  const high = $derived(Math.max(...all, 110) + 3);
  const W = 640;
  const x = (c: number) => 90 + ((c - low) / (high - low)) * (W - 110);
  const ROW = 54;
</script>

<div class="space-y-3">
  {#each readings.stages as s, i (i)}
    <div class="grid items-start gap-3 sm:grid-cols-[120px_1fr_1fr]">
      <p class="font-semibold sm:pt-8">Fan {s.name}</p>
      <QuantityInput
        label="Came on at"
        kind="temperature"
        bind:value={readings.stages[i].onC}
        hint={given[i] ? `sheet ${shown(given[i].onC, 'temperature', 0)}; empty: never` : 'empty: never'}
        problem={problems[`stages.${i}.onC`] ?? problems.stages}
      />
      <QuantityInput
        label="Went off at"
        kind="temperature"
        bind:value={readings.stages[i].offC}
        hint={given[i] ? `sheet ${shown(given[i].offC, 'temperature', 0)}` : ''}
        problem={problems[`stages.${i}.offC`]}
      />
    </div>
  {/each}
  <Choose
    label="Read by"
    choices={[
      { value: 'scan', label: 'Scan value' },
      { value: 'thermometer', label: 'Thermometer at its housing' }
    ]}
    bind:value={readings.by}
    problem={problems.by}
  />
  <div class="flex flex-wrap items-start gap-4">
    <div class="w-52">
      <QuantityInput
        label="Hottest that was read"
        kind="temperature"
        bind:value={readings.hottestC}
        problem={problems.hottestC}
      />
    </div>
    <label class="flex min-h-11 items-center gap-2 sm:pt-6"
      ><input type="checkbox" class="size-5" bind:checked={readings.acOn} />A/C on</label
    >
    <label class="flex min-h-11 items-center gap-2 sm:pt-6"
      ><input type="checkbox" class="size-5" bind:checked={readings.moving} />Moving</label
    >
  </div>
</div>
<svg
  viewBox="0 0 {W} {ROW * readings.stages.length + 30}"
  class="w-full"
  role="img"
  aria-label="Switching points against the sheet"
>
  {#each readings.stages as s, i (i)}
    {@const y = i * ROW + 24}
    <text x="0" y={y + 5} font-size="14" fill="var(--ink)">Fan {s.name}</text>
    <line x1="90" x2={W - 10} y1={y} y2={y} stroke="var(--line)" stroke-width="2" />
    {#if given[i]}
      <rect
        x={x(given[i].offC)}
        width={Math.max(2, x(given[i].onC) - x(given[i].offC))}
        y={y - 14}
        height="28"
        rx="4"
        fill="var(--good-wash)"
        stroke="var(--good)"
      />
    {/if}
    {#each [s.onC, s.offC] as c, k (k)}
      {#if c !== null}
        <circle
          cx={x(c)}
          cy={y}
          r="9"
          fill={k === 0 ? heatVar(c) : 'var(--card)'}
          stroke="var(--ink)"
          stroke-width="2"
        />
        <text x={x(c)} y={y + 28} text-anchor="middle" class="reading" font-size="12" fill="var(--ink)"
          >{k === 0 ? 'on' : 'off'} {Math.round(inUnit(c, 'temperature'))}°</text
        >
      {/if}
    {/each}
  {/each}
</svg>
<p class="text-ink-2 text-sm">
  The green stretch is the sheet’s, from off to on. A filled point is where the fan came on; for one that runs
  from the first minute, where it was first read.
</p>
