<script lang="ts">
  import { sentence } from '$core/base/text';
  import type { Column } from '$lib/ui/table/columns';
  import Table from '$lib/ui/table/Table.svelte';
  import { when } from '$lib/ui/page-state/when';
  import type { VehicleCells } from '$lib/views';

  interface Props {
    vehicles: readonly VehicleCells[];
    zone: string;
  }
  let { vehicles, zone }: Props = $props();

  const columns = $derived<Column<VehicleCells>[]>([
    { id: 'fleet', title: 'Number', value: (v) => v.fleetNo, width: 110 },
    { id: 'model', title: 'Model', value: (v) => v.name, few: true, width: 220 },
    { id: 'note', title: 'Note', value: (v) => v.note || null, width: 180 },
    { id: 'fuel', title: 'Fuel', value: (v) => (v.fuel ? sentence(v.fuel) : null), few: true, width: 110 },
    { id: 'fan', title: 'Fan', value: (v) => (v.fan ? sentence(v.fan) : null), few: true, width: 220 },
    { id: 'sheet', title: 'Spec sheet', value: (v) => (v.hasSheet ? 'Yes' : 'No'), few: true, width: 120 },
    { id: 'jobs', title: 'Jobs', value: (v) => v.jobs, right: true, width: 70 },
    { id: 'open', title: 'Open jobs', value: (v) => v.openJobs, right: true, width: 110 },
    {
      id: 'last',
      title: 'Last entry',
      value: (v) => v.lastAt,
      say: (v) => (v.lastAt ? when(v.lastAt, zone) : ''),
      width: 150
    }
  ]);
</script>

<div class="mb-4 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/vehicles">Vehicles</a></p>
    <h1>Vehicles as a table</h1>
  </div>
  <a class="btn" href="/vehicles">As a list</a>
</div>
<Table rows={vehicles} {columns} href={(v) => `/vehicles/${v.id}`} label="All vehicles" />
