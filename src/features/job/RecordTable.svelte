<script lang="ts">
  import type { Column } from '$lib/ui/table/columns';
  import Table from '$lib/ui/table/Table.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import type { EntryCells } from '$lib/views';

  interface Props {
    entries: readonly EntryCells[];
    number: number;
    fleetNo: string;
    zone: string;
  }
  let { entries, number, fleetNo, zone }: Props = $props();

  const columns = $derived<Column<EntryCells>[]>([
    { id: 'at', title: 'When', value: (e) => e.at, say: (e) => when(e.at, zone), width: 150 },
    { id: 'who', title: 'Who', value: (e) => e.who, few: true, width: 150 },
    { id: 'kind', title: 'Kind', value: (e) => e.kind, few: true, width: 130 },
    { id: 'says', title: 'Entry', value: (e) => inReaderUnits(e.says), width: 420 },
    { id: 'state', title: 'State', value: (e) => (e.stands ? 'Stands' : 'Undone'), few: true, width: 110 }
  ]);
</script>

<div class="mb-4 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/jobs/{number}">{fleetNo}, job {number}</a></p>
    <h1>Record as a table</h1>
  </div>
</div>
<Table rows={entries} {columns} label="Record of job {number}" />
