<script lang="ts">
  import type { Move } from '$core/practice/moves';
  import type { RepairId } from '$core/vehicle/repairs';
  import Select from '$lib/ui/inputs/Select.svelte';
  import type { PracticeNow } from '$lib/views';

  interface Props {
    view: PracticeNow['view'];
    busy: boolean;
    onmove: (move: Move) => Promise<boolean>;
  }
  let { view, busy, onmove }: Props = $props();
  let repair = $state<string | null>(null);
</script>

<section class="card p-4" aria-label="Decide">
  <h2>Decide</h2>
  {#if view.repaired.length > 0}<p class="text-ink-2 text-sm">Repaired: {view.repaired.join(', ')}</p>{/if}
  <div class="mt-2">
    <Select
      label="Repair"
      quiet
      blank="Choose a repair"
      choices={view.repairs.map((r) => ({ value: r.id, label: r.title }))}
      bind:value={repair}
    />
  </div>
  <button
    class="btn btn-main mt-2 w-full"
    disabled={busy || !repair}
    onclick={() => onmove({ kind: 'repair', repairs: [repair as RepairId] })}>Repair</button
  >
  {#if view.repaired.length > 0}<button
      class="btn mt-2 w-full"
      disabled={busy}
      onclick={() => onmove({ kind: 'try' })}>Let its driver try it</button
    >{/if}
  <button class="btn mt-2 w-full" disabled={busy} onclick={() => onmove({ kind: 'finish' })}
    >Give it back to its driver</button
  >
</section>
