<script lang="ts">
  import { sayChance, sentence } from '$core/base/text';
  import { FAULTS } from '$core/faults/registry';
  import type { Column } from '$lib/ui/table/columns';
  import Table from '$lib/ui/table/Table.svelte';
  import { when } from '$lib/ui/page-state/when';
  import type { JobCells } from '$lib/views';

  interface Props {
    jobs: readonly JobCells[];
    zone: string;
  }
  let { jobs, zone }: Props = $props();

  const columns = $derived<Column<JobCells>[]>([
    { id: 'number', title: 'Job', value: (j) => j.number, width: 80 },
    { id: 'vehicle', title: 'Vehicle', value: (j) => j.fleetNo, few: true, width: 110 },
    { id: 'model', title: 'Model', value: (j) => j.vehicleName, shown: false, width: 200 },
    { id: 'complaint', title: 'Complaint', value: (j) => j.complaint, width: 220 },
    {
      id: 'state',
      title: 'State',
      value: (j) => (j.state === 'open' ? 'Open' : 'Closed'),
      few: true,
      width: 90
    },
    {
      id: 'likely',
      title: 'Most likely',
      value: (j) => (j.leader ? FAULTS[j.leader.fault].title : null),
      few: true,
      width: 220
    },
    {
      id: 'chance',
      title: 'Chance',
      value: (j) => j.leader && j.leader.probability,
      say: (j) => (j.leader ? sayChance(j.leader.probability) : ''),
      right: true,
      width: 90
    },
    {
      id: 'outcome',
      title: 'Outcome',
      value: (j) => j.outcome && sentence(j.outcome),
      few: true,
      width: 150
    },
    { id: 'checks', title: 'Checks', value: (j) => j.checks, right: true, shown: false, width: 90 },
    { id: 'runs', title: 'Runs', value: (j) => j.runs, right: true, shown: false, width: 80 },
    {
      id: 'opened',
      title: 'Opened',
      value: (j) => j.openedAt,
      say: (j) => when(j.openedAt, zone),
      shown: false,
      width: 150
    },
    { id: 'last', title: 'Last entry', value: (j) => j.lastAt, say: (j) => when(j.lastAt, zone), width: 150 }
  ]);
</script>

<div class="mb-4 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/">Day</a></p>
    <h1>Jobs as a table</h1>
  </div>
  <a class="btn" href="/jobs">As a list</a>
</div>
<Table rows={jobs} {columns} href={(j) => `/jobs/${j.number}`} label="All jobs" />
