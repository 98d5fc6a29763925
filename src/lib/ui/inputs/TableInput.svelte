<script lang="ts">
  import X from '~icons/lucide/x';
  import type { QuantityKind } from '$core/units/units';
  import QuantityInput from './QuantityInput.svelte';

  interface Props {
    label: string;
    columns: readonly { readonly label: string; readonly quantity: QuantityKind }[];
    /** Rows, a cell null where nothing is typed yet. */
    value: readonly (readonly (number | null)[])[] | null | undefined;
    problem?: string;
    onvalue: (rows: (number | null)[][]) => void;
  }
  let { label, columns, value, problem, onvalue }: Props = $props();
  const rows = $derived(value ?? []);
  /** There is always one more row to type into. */
  const shown = $derived([...rows, columns.map(() => null)]);

  function put(row: number, column: number, cell: number | null) {
    onvalue(shown.map((r, i) => r.map((c, k) => (i === row && k === column ? cell : c))).filter(filled));
  }
  const filled = (row: readonly (number | null)[]) => row.some((c) => c !== null);
</script>

<div role="group" aria-label={label}>
  <p class="mb-1 text-sm font-semibold">{label}</p>
  {#each shown as row, i (i)}
    <div class="grid grid-cols-[1fr_1fr_44px] items-start gap-x-3">
      {#each columns as column, k (column.label)}
        <QuantityInput
          label="{column.label}{i === 0 ? '' : `, row ${i + 1}`}"
          quiet={i > 0}
          kind={column.quantity}
          value={row[k] ?? null}
          onvalue={(v) => put(i, k, v)}
        />
      {/each}
      {#if i < rows.length}<button
          type="button"
          class="btn px-0 {i === 0 ? 'mt-6' : ''}"
          aria-label="Remove row {i + 1}"
          onclick={() => onvalue(rows.filter((_, n) => n !== i).map((r) => [...r]))}
          ><X size={18} aria-hidden="true" /></button
        >{/if}
    </div>
  {/each}
  {#if problem}<p class="text-off text-xs font-semibold">{problem}</p>{/if}
</div>
