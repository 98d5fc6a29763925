<script lang="ts" module>
  /** When the engine last ran, as told at the counter. */
  export type Ran =
    { readonly kind: 'running' } | { readonly kind: 'stopped'; readonly hours: number } | null;
</script>

<script lang="ts">
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { findUnit } from '$core/units/units';

  interface Props {
    ran: Ran;
  }
  let { ran = $bindable() }: Props = $props();
  const HOURS = findUnit('time', 'h')!;
  const CHOICES: readonly (readonly [string, Ran])[] = [
    ['Runs now', { kind: 'running' }],
    ['Just stopped', { kind: 'stopped', hours: 0 }],
    ['2 h ago', { kind: 'stopped', hours: 2 }],
    ['4 h ago', { kind: 'stopped', hours: 4 }],
    ['Last evening', { kind: 'stopped', hours: 13 }],
    ['Not known', null]
  ];
  const same = (a: Ran, b: Ran) => JSON.stringify(a) === JSON.stringify(b);
</script>

<fieldset>
  <legend class="mb-1.5 font-semibold">Engine last ran</legend>
  <div class="flex flex-wrap items-start gap-2">
    {#each CHOICES as [label, value] (label)}
      <button
        type="button"
        class="min-h-11 rounded-lg border px-3.5 {same(ran, value)
          ? 'border-act bg-well border-2 font-semibold'
          : 'border-line-strong bg-card hover:bg-well'}"
        aria-pressed={same(ran, value)}
        onclick={() => (ran = value)}>{label}</button
      >
    {/each}
    <span class="pt-2.5 pl-1">or hours ago</span>
    <div class="w-32">
      <QuantityInput
        label="Hours ago"
        quiet
        kind="time"
        unit={HOURS}
        value={ran?.kind === 'stopped' ? ran.hours * 3600 : null}
        onvalue={(s) => (ran = s === null ? null : { kind: 'stopped', hours: s / 3600 })}
      />
    </div>
  </div>
</fieldset>
