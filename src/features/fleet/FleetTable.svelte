<script lang="ts">
  import type { Column } from '$lib/ui/table/columns';
  import Table from '$lib/ui/table/Table.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import type { FleetCells } from '$lib/views';

  interface Props {
    fleet: readonly FleetCells[];
  }
  let { fleet }: Props = $props();

  const degrees = (celsius: number | null) => (celsius === null ? '' : shown(celsius, 'temperature', 0));
  const temperature = (id: string, title: string, value: (v: FleetCells) => number | null) => ({
    id,
    title,
    value,
    say: (v: FleetCells) => degrees(value(v)),
    right: true,
    width: 130
  });
  const changeOf = ({ drift }: FleetCells) =>
    drift === null ? 'Too few runs' : drift.sure ? 'Changing' : 'Steady';

  const columns = $derived<Column<FleetCells>[]>([
    { id: 'fleet', title: 'Number', value: (v) => v.fleetNo, width: 110 },
    { id: 'model', title: 'Model', value: (v) => v.name, few: true, width: 220 },
    { id: 'runs', title: 'Runs', value: (v) => v.runs, right: true, width: 90 },
    temperature('opens', 'Opens', (v) => v.opensC),
    temperature('road', 'On the road', (v) => v.roadC),
    temperature('fan', 'Fan on', (v) => v.fanOnC),
    { id: 'change', title: 'Change', value: changeOf, few: true, width: 140 },
    {
      id: 'drift',
      title: 'Last three runs',
      value: (v) => v.drift?.byC ?? null,
      say: ({ drift }) =>
        drift
          ? `${drift.byC > 0 ? '+' : '−'}${shownDifference(Math.abs(drift.byC))} ± ${shownDifference(drift.withinC)}`
          : '',
      right: true,
      width: 210
    }
  ]);
</script>

<div class="mb-4 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/vehicles">Vehicles</a></p>
    <h1>Trends as a table</h1>
  </div>
  <a class="btn" href="/fleet">As a list</a>
</div>
<Table rows={fleet} {columns} href={(v) => `/vehicles/${v.id}`} label="Trends of all vehicles" />
