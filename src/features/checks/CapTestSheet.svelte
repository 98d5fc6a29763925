<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { CAP_SPREAD, HOLDS, SEAL, type CapTestReadings } from '$core/checks/coolant/cap-test';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import RowEntry from '$lib/ui/inputs/RowEntry.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<CapTestReadings> = $props();
  let kPa = $state<number | null>(null);
  function add() {
    if (kPa === null) return;
    readings.opensKPa = [...readings.opensKPa, kPa];
    kPa = null;
  }
  /** The middle one is what counts; the others are marks beside it. */
  const middle = $derived(
    readings.opensKPa.toSorted((a, b) => a - b)[Math.floor((readings.opensKPa.length - 1) / 2)] ?? null
  );
  const due = $derived(sheet?.cap?.kPa ?? null);
  const top = $derived(Math.max(200, (due ?? 0) * 1.6, ...readings.opensKPa.map((p) => p * 1.1)));
  const x = (p: number) => 20 + (p / top) * 600;
</script>

<svg
  viewBox="0 0 640 110"
  class="w-full"
  role="img"
  aria-label="Where the cap opened against where it should"
>
  <line x1="20" x2="620" y1="60" y2="60" stroke="var(--line-strong)" stroke-width="3" />
  {#if due}
    <rect
      x={x(due * (1 - CAP_SPREAD))}
      y="38"
      width={x(due * (1 + CAP_SPREAD)) - x(due * (1 - CAP_SPREAD))}
      height="44"
      fill="var(--good-wash)"
      stroke="var(--good)"
    />
    <text x={x(due)} y="104" text-anchor="middle" font-size="14" fill="var(--good)"
      >sheet, {shown(due, 'pressure')}</text
    >
  {/if}
  {#each readings.opensKPa as p, i (i)}
    <path d="M{x(p)} 60 l-9 -20 h18 z" fill="var(--act)" stroke="var(--card)" />
  {/each}
  {#if middle !== null}<text
      x={x(middle)}
      y="28"
      text-anchor="middle"
      font-size="16"
      font-weight="700"
      class="reading"
      fill="var(--ink)">{shown(middle, 'pressure')}</text
    >{/if}
</svg>
<div class="grid gap-5 sm:grid-cols-[260px_1fr]">
  <RowEntry label="Add" complete={kPa !== null} onadd={add}>
    <QuantityInput
      label="Opens at"
      kind="pressure"
      bind:value={kPa}
      hint="pump it two or three times"
      problem={problems.opensKPa}
    />
  </RowEntry>
  <div class="space-y-3">
    <Choose
      label="Just below that"
      choices={choicesOf(HOLDS)}
      value={readings.holds}
      optional
      onvalue={(v) => (readings.holds = v as CapTestReadings['holds'])}
    />
    <Choose
      label="Its seal"
      choices={choicesOf(SEAL)}
      value={readings.seal}
      optional
      onvalue={(v) => (readings.seal = v as CapTestReadings['seal'])}
    />
  </div>
</div>
<BenchRead
  part="cap-opens"
  label="Pump the simulated cap"
  onread={(v) => (readings.opensKPa = [...readings.opensKPa, v])}
/>
{#if readings.opensKPa.length > 0}<button
    type="button"
    class="quiet-link inline-flex min-h-11 items-center gap-1.5 text-sm"
    onclick={() => (readings.opensKPa = readings.opensKPa.slice(0, -1))}
    ><X size={16} aria-hidden="true" />Take the last one back</button
  >{/if}
