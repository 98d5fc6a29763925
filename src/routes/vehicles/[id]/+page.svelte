<script lang="ts">
  import JobRow from '$features/depot/JobRow.svelte';
  import MemoryCard from '$features/vehicles/MemoryCard.svelte';
  import VehicleSheet from '$features/vehicles/VehicleSheet.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} {data.vehicle.name} · Pyrethos</title></svelte:head>
<VehicleSheet vehicle={data.vehicle} />
{#if data.remembered}<div class="mt-4"><MemoryCard memory={data.remembered.memory} /></div>{/if}
<h2 class="mt-7 mb-3">Jobs</h2>
{#if data.jobs.length === 0}<p class="card text-ink-2 p-6">No job on this vehicle yet.</p>{/if}
<ul class="space-y-2.5">
  {#each data.jobs as job (job.number)}<li><JobRow {job} zone={data.zone} showVehicle={false} /></li>{/each}
</ul>
