<script lang="ts">
  import type { Field } from '$core/units/field';
  import { unitOf } from '$lib/ui/page-state/units';

  interface Props {
    fields: readonly Field[];
  }
  let { fields }: Props = $props();

  /** Lines to write in where nobody knows how many rows it will be. */
  const ROWS = 6;
  const columnsOf = (f: Field): string[] =>
    f.kind === 'rows'
      ? f.fields.map((column) => [column.label, unit(column)].filter(Boolean).join(', '))
      : (f.columns ?? []).map((column) => `${column.label}, ${unitOf(column.quantity).symbol}`);
  const unit = (f: Field) => f.keptIn ?? (f.quantity ? unitOf(f.quantity).symbol : '');
</script>

{#snippet line(label: string, symbol: string)}
  <p class="flex items-end gap-2 pt-4">
    <span class="shrink-0">{label}</span>
    <span class="min-w-24 flex-1 border-b border-current"></span>
    <span class="reading shrink-0 text-sm">{symbol}</span>
  </p>
{/snippet}
{#snippet boxes(label: string, words: readonly string[])}
  <p class="flex flex-wrap items-center gap-x-4 gap-y-1 pt-4">
    <span>{label}</span>
    {#each words as word (word)}<span class="flex items-center gap-1.5"
        ><span class="size-4 border border-current" aria-hidden="true"></span>{word}</span
      >{/each}
  </p>
{/snippet}

<!-- The fields of a form as blanks on paper; a part's fields stand within it. -->
{#snippet blanks(fields: readonly Field[])}
  <div class="grid gap-x-8 sm:grid-cols-2 print:grid-cols-2">
    {#each fields as field (field.path)}
      {#if field.kind === 'choice'}
        <div class="col-span-full">{@render boxes(field.label, Object.values(field.choices ?? {}))}</div>
      {:else if field.kind === 'flag'}
        {@render boxes(field.label, ['yes', 'no'])}
      {:else if field.kind === 'part'}
        <div class="col-span-full">
          <p class="pt-3 font-semibold">{field.label}</p>
          {@render blanks(field.fields)}
        </div>
      {:else if field.kind === 'one-of'}
        {#each field.options as option (option.value)}
          <div class="col-span-full">
            {@render boxes(field.label, [field.choices?.[option.value] ?? option.value])}
            {@render blanks(option.fields)}
          </div>
        {/each}
      {:else if field.kind === 'amounts'}
        {#each Object.values(field.keys ?? {}) as key (key)}{@render line(key, unit(field))}{:else}
          {@render line(field.label, unit(field))}
        {/each}
      {:else if field.kind === 'rows' || field.kind === 'table'}
        <table class="col-span-full mt-3 w-full border-collapse">
          <caption class="text-left">{field.label}</caption>
          <thead>
            <tr>
              {#each columnsOf(field) as column (column)}
                <th class="border border-current px-2 py-1 text-left text-sm font-normal">{column}</th>
              {/each}
            </tr>
          </thead>
          <tbody>
            {#each { length: ROWS }, row (row)}
              <tr>
                {#each columnsOf(field) as column (column)}<td class="h-8 border border-current"></td>{/each}
              </tr>
            {/each}
          </tbody>
        </table>
      {:else}
        {@render line(field.label, unit(field))}
      {/if}
    {/each}
  </div>
{/snippet}
{@render blanks(fields)}
