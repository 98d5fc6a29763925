<script lang="ts">
  import { valueAt, type Field } from '$core/units/field';
  import LeafInput from './LeafInput.svelte';
  import RowsInput from './RowsInput.svelte';

  interface Props {
    field: Field;
    value: unknown;
    /** What is wrong, by the path of the field within the sheet. */
    wrong: (path: string) => string | undefined;
    onvalue: (value: unknown) => void;
    /** Where the field stands, of a row of a list. */
    at?: string;
    /** Choices are tapped: for a hand that is at an engine. */
    tap?: boolean;
    /** What the first row of a list begins with. */
    firstRow?: Readonly<Record<string, unknown>>;
  }
  let { field, value, wrong, onvalue, at = field.path, tap = false, firstRow }: Props = $props();
  const rows = $derived((value ?? []) as Record<string, unknown>[]);

  /** A part with another value in it; none where nothing is left in it. */
  function partWith(key: string, v: unknown): Record<string, unknown> | null {
    const next = { ...(value as object | null), [key]: v };
    return Object.values(next).every((x) => x == null) ? null : next;
  }
</script>

<!-- Any field of a record: one that has fields of its own, or a single one. -->
{#if field.kind === 'part'}
  <fieldset>
    <legend class="mb-1 text-sm font-semibold">{field.label}</legend>
    <div class="grid grid-cols-2 gap-x-2">
      {#each field.fields as inner (inner.path)}
        {@const key = inner.path.slice(field.path.length + 1)}
        <LeafInput
          field={inner}
          value={valueAt(value, key)}
          {wrong}
          onvalue={(v) => onvalue(partWith(key, v))}
          {tap}
        />
      {/each}
    </div>
    {#if wrong(at)}<p class="text-off text-xs font-semibold">{wrong(at)}</p>{/if}
  </fieldset>
{:else if field.kind === 'rows' && field.rowName}
  {#each rows as row, i (i)}
    <fieldset class="grid grid-cols-2 gap-x-2">
      <legend class="mb-1 text-sm font-semibold">{field.label} {row[field.rowName]}</legend>
      {#each field.fields as inner (inner.path)}
        <LeafInput
          field={inner}
          at="{at}.{i}.{inner.path}"
          value={row[inner.path]}
          wrong={(path) => wrong(path) ?? (i === 0 ? wrong(at) : undefined)}
          onvalue={(v) => onvalue(rows.map((r, k) => (k === i ? { ...r, [inner.path]: v } : r)))}
          {tap}
        />
      {/each}
    </fieldset>
  {/each}
{:else if field.kind === 'rows'}
  <RowsInput {field} {rows} {firstRow} {wrong} {onvalue} />
{:else}
  <LeafInput {field} {value} {wrong} {onvalue} {at} {tap} />
{/if}
