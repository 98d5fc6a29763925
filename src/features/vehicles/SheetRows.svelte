<script lang="ts">
  import Plus from '~icons/lucide/plus';
  import X from '~icons/lucide/x';
  import { valueAt, withValue, type Field } from '$core/units/field';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';

  interface Props {
    field: Extract<Field, { kind: 'rows' }>;
    rows: readonly Record<string, unknown>[];
    wrong: (path: string) => string | undefined;
    onvalue: (rows: readonly Record<string, unknown>[]) => void;
  }
  let { field, rows, wrong, onvalue }: Props = $props();
</script>

<!-- A list of rows with the same fields. -->
<div class="col-span-full" role="group" aria-label={field.label}>
  <p class="mb-1 text-sm font-semibold">{field.label}</p>
  {#each rows as row, i (i)}
    <div class="border-line grid grid-cols-2 items-end gap-x-3 border-t pt-2 sm:grid-cols-3">
      {#each field.fields as inner (inner.path)}
        <FieldInput
          field={inner}
          at="{field.path}.{i}.{inner.path}"
          value={valueAt(row, inner.path)}
          {wrong}
          onvalue={(v) => onvalue(rows.map((r, n) => (n === i ? withValue(r, inner.path, v) : r)))}
        />
      {/each}
      <button
        type="button"
        class="btn mb-6 h-11 w-11 self-end px-0"
        aria-label="Remove row {i + 1} of {field.label.toLowerCase()}"
        onclick={() => onvalue(rows.filter((_, n) => n !== i))}><X size={18} aria-hidden="true" /></button
      >
    </div>
  {/each}
  {#if wrong(field.path)}<p class="text-off mb-2 font-semibold">{wrong(field.path)}</p>{/if}
  <button type="button" class="btn mb-2" onclick={() => onvalue([...rows, {}])}
    ><Plus size={18} aria-hidden="true" />Add a row</button
  >
</div>
