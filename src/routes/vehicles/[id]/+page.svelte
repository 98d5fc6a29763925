<script lang="ts">
  import JobRow from '$features/depot/JobRow.svelte';
  import LearnedOffers from '$features/vehicles/LearnedOffers.svelte';
  import MemoryCard from '$features/vehicles/MemoryCard.svelte';
  import VehiclePhotos from '$features/vehicles/VehiclePhotos.svelte';
  import VehicleSheet from '$features/vehicles/VehicleSheet.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.vehicle.fleetNo} {data.vehicle.name} · Pyrethos</title></svelte:head>
<VehicleSheet vehicle={data.vehicle} />
{#if data.learnable.length > 0}<LearnedOffers vehicle={data.vehicle} learnable={data.learnable} />{/if}
{#if data.memory}<div class="mt-4"><MemoryCard memory={data.memory} /></div>{/if}
<VehiclePhotos vehicleId={data.vehicle.id} photos={data.photos} />
<h2 class="mt-7 mb-3">Jobs</h2>
{#if data.jobs.length === 0}<p class="card text-ink-2 p-6">No job on this vehicle yet.</p>{/if}
<ul class="space-y-2.5">
  {#each data.jobs as job (job.number)}<li><JobRow {job} zone={data.zone} showVehicle={false} /></li>{/each}
</ul>
