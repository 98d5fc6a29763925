<script lang="ts">
  import AddVehicle from '$features/vehicles/AddVehicle.svelte';
</script>

<svelte:head><title>Add a vehicle · Pyrethos</title></svelte:head>
<AddVehicle />
