<script lang="ts" generics="Row">
  import {
    createTable,
    getCoreRowModel,
    getExpandedRowModel,
    getFilteredRowModel,
    getGroupedRowModel,
    getSortedRowModel,
    type Row as TableRow
  } from '@tanstack/table-core';
  import ArrowDown from '~icons/lucide/arrow-down';
  import ArrowUp from '~icons/lucide/arrow-up';
  import ChevronRight from '~icons/lucide/chevron-right';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Select from '../inputs/Select.svelte';
  import { addressOf, viewOf, type Column, type TableView } from './columns';

  interface Props {
    rows: readonly Row[];
    columns: readonly Column<Row>[];
    /** Where a row leads; left out where it leads nowhere. */
    href?: (row: Row) => string;
    /** What a row is, for whoever hears the table. */
    label: string;
  }
  let { rows, columns, href, label }: Props = $props();

  const view = $derived(
    viewOf(
      page.url.searchParams,
      columns.map((c) => c.id)
    )
  );
  const look = (change: Partial<TableView>) =>
    void goto(addressOf({ ...view, ...change }), { replaceState: true, noScroll: true, keepFocus: true });

  const shown = $derived(
    columns.filter(
      (c) => (view.columns ? view.columns.includes(c.id) : c.shown !== false) && c.id !== view.group
    )
  );
  const GROUP_WIDE = 150;
  const wide = $derived(shown.reduce((sum, c) => sum + c.width, view.group ? GROUP_WIDE : 0));
  const words = $derived(view.words.toLowerCase().split(/\s+/).filter(Boolean));
  /** Every cell as it is shown, said once: dates are dear to say. */
  const cells = $derived(
    new Map(rows.map((r) => [r, new Map(columns.map((c) => [c.id, c.say?.(r) ?? String(c.value(r) ?? '')]))]))
  );
  const said = (column: Column<Row>, row: Row) => cells.get(row)!.get(column.id)!;
  const searched = $derived(
    new Map([...cells].map(([r, of]) => [r, [...of.values()].join(' ').toLowerCase()]))
  );

  let opened = $state.raw<Record<string, boolean>>({});
  const table = $derived(
    createTable<Row>({
      data: rows as Row[],
      columns: columns.map((c) => ({
        id: c.id,
        accessorFn: (row: Row) => c.value(row) ?? undefined,
        sortUndefined: 'last' as const,
        filterFn: (row: TableRow<Row>, id: string, wanted: string) =>
          String(row.getValue(id) ?? '') === wanted
      })),
      state: {
        sorting: view.sort ? [view.sort] : [],
        grouping: view.group ? [view.group] : [],
        expanded: opened,
        globalFilter: words.join(' '),
        columnFilters: Object.entries(view.only).map(([id, value]) => ({ id, value })),
        columnPinning: {},
        columnVisibility: {},
        columnOrder: []
      },
      globalFilterFn: (row) => words.every((w) => searched.get(row.original)!.includes(w)),
      getColumnCanGlobalFilter: () => true,
      onStateChange: () => {},
      renderFallbackValue: null,
      getCoreRowModel: getCoreRowModel(),
      getFilteredRowModel: getFilteredRowModel(),
      getGroupedRowModel: getGroupedRowModel(),
      getSortedRowModel: getSortedRowModel(),
      getExpandedRowModel: getExpandedRowModel(),
      autoResetExpanded: false
    })
  );
  const lines = $derived(table.getRowModel().rows);
  const found = $derived(table.getFilteredRowModel().rows.length);

  /** Only the rows that are in sight are drawn: each is as high as every other. */
  const HIGH = 44;
  const BEYOND = 8;
  let box = $state<HTMLElement>();
  let top = $state(0);
  let high = $state(600);
  const first = $derived(Math.max(0, Math.floor(top / HIGH) - BEYOND));
  const last = $derived(Math.min(lines.length, Math.ceil((top + high) / HIGH) + BEYOND));
  $effect(() => {
    // Another view begins at its beginning.
    void [view.words, view.sort, view.group, view.only];
    if (box) box.scrollTop = 0;
  });

  /** What the rows of a group have in common, in words. */
  function groupOf(line: TableRow<Row>): string {
    const column = columns.find((c) => c.id === view.group)!;
    return said(column, line.getLeafRows()[0].original) || 'None';
  }

  const few = $derived(columns.filter((c) => c.few));
  const valuesOf = (column: Column<Row>) =>
    [...new Set(rows.map((r) => String(column.value(r) ?? '')))]
      .filter(Boolean)
      .sort((a, b) => a.localeCompare(b));
  const ALL = '*';
  function sortBy(id: string) {
    const now = view.sort?.id === id ? view.sort : null;
    look({ sort: now?.desc ? null : { id, desc: now !== null } });
  }
  function show(id: string, on: boolean) {
    const now = columns
      .filter((c) => (view.columns ? view.columns.includes(c.id) : c.shown !== false))
      .map((c) => c.id);
    const next = columns.map((c) => c.id).filter((c) => (c === id ? on : now.includes(c)));
    if (next.length > 0) look({ columns: next });
  }
</script>

<div class="mb-3 flex flex-wrap items-end gap-3">
  <label class="w-64 max-sm:w-full"
    ><span class="mb-1 block text-sm font-semibold">Words</span><input
      class="field"
      type="search"
      placeholder="In any column"
      value={view.words}
      oninput={(e) => look({ words: e.currentTarget.value })}
    /></label
  >
  {#each few as column (column.id)}
    <div class="w-44">
      <p class="mb-1 text-sm font-semibold">{column.title}</p>
      <Select
        label={column.title}
        quiet
        choices={[
          { value: ALL, label: 'All' },
          ...valuesOf(column).map((value) => ({ value, label: value }))
        ]}
        value={view.only[column.id] ?? ALL}
        onvalue={(value) => {
          const { [column.id]: _, ...rest } = view.only;
          look({ only: value && value !== ALL ? { ...rest, [column.id]: value } : rest });
        }}
      />
    </div>
  {/each}
  <div class="w-44">
    <p class="mb-1 text-sm font-semibold">Group by</p>
    <Select
      label="Group by"
      quiet
      choices={[{ value: ALL, label: 'Nothing' }, ...few.map((c) => ({ value: c.id, label: c.title }))]}
      value={view.group ?? ALL}
      onvalue={(value) => look({ group: value === ALL ? null : (value ?? null) })}
    />
  </div>
  <details class="relative">
    <summary class="btn cursor-pointer list-none">Columns</summary>
    <div class="card absolute right-0 z-20 mt-1 w-56 p-3 shadow-lg">
      {#each columns as column (column.id)}
        <label class="flex min-h-11 items-center gap-2"
          ><input
            type="checkbox"
            class="size-5"
            checked={view.columns ? view.columns.includes(column.id) : column.shown !== false}
            onchange={(e) => show(column.id, e.currentTarget.checked)}
          />{column.title}</label
        >
      {/each}
    </div>
  </details>
  <p class="text-ink-2 ml-auto" role="status" data-found={found}>
    {found === rows.length ? `${rows.length}` : `${found} of ${rows.length}`}
  </p>
</div>

{#if found === 0}
  <p class="card text-ink-2 p-6">
    {rows.length === 0 ? 'Nothing is here yet.' : 'Nothing is left of this choice.'}
    {#if rows.length > 0}<a class="quiet-link" href={page.url.pathname}>Show all</a>{/if}
  </p>
{:else}
  <!-- A region that scrolls is reached by the keyboard too. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    class="card max-h-[calc(100dvh-15rem)] min-h-64 overflow-auto"
    bind:this={box}
    bind:clientHeight={high}
    onscroll={() => (top = box!.scrollTop)}
    tabindex="0"
    role="region"
    aria-label={label}
  >
    <!-- Columns keep their width whatever rows are in sight, and a row that comes is laid out by itself. -->
    <table
      class="w-full table-fixed border-collapse"
      style="min-width: {wide}px"
      aria-rowcount={lines.length + 1}
    >
      <colgroup>
        {#if view.group}<col style="width: {GROUP_WIDE}px" />{/if}
        {#each shown as column (column.id)}<col style="width: {column.width}px" />{/each}
      </colgroup>
      <thead class="bg-card sticky top-0 z-10">
        <tr>
          {#if view.group}<th scope="col" class="px-3 text-left"
              >{columns.find((c) => c.id === view.group)!.title}</th
            >{/if}
          {#each shown as column (column.id)}
            {@const sorted = view.sort?.id === column.id ? view.sort : null}
            <th
              scope="col"
              class="border-line border-b px-1 text-left"
              aria-sort={sorted ? (sorted.desc ? 'descending' : 'ascending') : 'none'}
            >
              <button
                class="flex min-h-11 w-full items-center gap-1 px-2 font-bold {column.right
                  ? 'justify-end'
                  : ''}"
                onclick={() => sortBy(column.id)}
                >{column.title}{#if sorted}{#if sorted.desc}<ArrowDown
                      size={16}
                      aria-hidden="true"
                    />{:else}<ArrowUp size={16} aria-hidden="true" />{/if}{/if}</button
              >
            </th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#if first > 0}<tr aria-hidden="true"><td style="height: {first * HIGH}px"></td></tr>{/if}
        {#each lines.slice(first, last) as line, i (line.id)}
          <tr
            class="border-line hover:bg-well border-b"
            style="height: {HIGH}px"
            aria-rowindex={first + i + 2}
            data-row={line.getIsGrouped() ? undefined : line.id}
          >
            {#if line.getIsGrouped()}
              <td colspan={shown.length + 1} class="px-1">
                <button
                  class="flex min-h-11 items-center gap-2 px-2 font-bold"
                  aria-expanded={line.getIsExpanded()}
                  onclick={() => (opened = { ...opened, [line.id]: !line.getIsExpanded() })}
                  ><ChevronRight
                    size={18}
                    class={line.getIsExpanded() ? 'rotate-90' : ''}
                    aria-hidden="true"
                  />{groupOf(line)}
                  <span class="text-ink-2 reading font-normal">{line.subRows.length}</span></button
                >
              </td>
            {:else}
              {#if view.group}<td></td>{/if}
              {#each shown as column, c (column.id)}
                <td class="truncate px-3 {column.right ? 'reading text-right' : ''}"
                  >{#if c === 0 && href}<a
                      class="quiet-link flex min-h-11 items-center"
                      href={href(line.original)}>{said(column, line.original)}</a
                    >{:else}{said(column, line.original)}{/if}</td
                >
              {/each}
            {/if}
          </tr>
        {/each}
        {#if last < lines.length}<tr aria-hidden="true"
            ><td style="height: {(lines.length - last) * HIGH}px"></td></tr
          >{/if}
      </tbody>
    </table>
  </div>
{/if}
