<script lang="ts">
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';

  interface Props {
    amounts: { outL: number | null; inL: number | null; withPct: number | null; nowPct: number | null };
    /** What the engine holds by its sheet, L. */
    holdsL: number | null;
  }
  let { amounts = $bindable(), holdsL }: Props = $props();
  const lost = $derived(amounts.outL !== null && amounts.inL !== null ? amounts.inL - amounts.outL : 0);
</script>

<fieldset class="border-line border-t pt-3">
  <legend class="sr-only">Coolant</legend>
  <p class="mb-1 font-semibold">
    Coolant{holdsL === null ? '' : `, ${shown(holdsL, 'volume')} by the sheet`}
  </p>
  <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
    <QuantityInput label="Drained" kind="volume" bind:value={amounts.outL} />
    <QuantityInput label="Refilled with" kind="volume" bind:value={amounts.inL} />
    <QuantityInput label="Glycol in it" kind="share" bind:value={amounts.withPct} />
    <QuantityInput label="Measured now" kind="share" bind:value={amounts.nowPct} />
  </div>
  {#if Math.abs(lost) > 0.2}
    <p class="text-ink-2 mt-1 text-sm">
      {shown(Math.abs(lost), 'volume')}
      {lost > 0
        ? 'more went in than came out: it was low before, or some ran elsewhere'
        : 'less went in: look at the level once it has cooled'}.
    </p>
  {/if}
</fieldset>
