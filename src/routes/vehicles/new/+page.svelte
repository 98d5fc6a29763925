<script lang="ts">
  import { page } from '$app/state';
  import AddVehicle from '$features/vehicles/AddVehicle.svelte';
</script>

<svelte:head><title>Add a vehicle · Pyrethos</title></svelte:head>
<AddVehicle forJob={page.url.searchParams.get('for') === 'job'} />
