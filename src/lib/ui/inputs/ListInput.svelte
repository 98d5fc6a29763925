<script lang="ts">
  import X from '~icons/lucide/x';
  import type { Field } from '$core/units/field';
  import { inReaderUnits, shown } from '../page-state/units';
  import BenchRead from './BenchRead.svelte';
  import QuantityInput from './QuantityInput.svelte';
  import RowEntry from './RowEntry.svelte';

  interface Props {
    field: Field;
    value: readonly number[];
    problem?: string;
    onvalue: (value: readonly number[]) => void;
  }
  let { field, value, problem, onvalue }: Props = $props();
  const kind = $derived(field.quantity ?? 'number');
  let next = $state<number | null>(null);

  function add() {
    if (next !== null) onvalue([...value, next]);
    next = null;
  }
</script>

<!-- Several numbers of one kind, one after the other. -->
<div role="group" aria-label={field.label}>
  <RowEntry label={field.add ?? 'Add'} complete={next !== null} onadd={add}>
    <QuantityInput
      label={field.label}
      {kind}
      bind:value={next}
      hint={field.hint && inReaderUnits(field.hint)}
      {problem}
    />
  </RowEntry>
  {#if field.bench}<BenchRead
      {...field.bench}
      label="Read the simulated one"
      onread={(v) => onvalue([...value, v])}
    />{/if}
  <ul class="reading flex flex-wrap gap-x-3">
    {#each value as v, i (i)}
      <li class="inline-flex items-center">
        {shown(v, kind)}
        <button
          type="button"
          class="inline-flex size-11 items-center justify-center"
          aria-label="Remove {shown(v, kind)}"
          onclick={() => onvalue(value.filter((_, k) => k !== i))}><X size={16} aria-hidden="true" /></button
        >
      </li>
    {/each}
  </ul>
</div>
