<script lang="ts">
  import SheetEditor from '$features/vehicles/SheetEditor.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Spec sheet of {data.vehicle.fleetNo} · Pyrethos</title></svelte:head>
<SheetEditor vehicle={data.vehicle} others={data.others} />
