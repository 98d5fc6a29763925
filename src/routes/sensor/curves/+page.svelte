<script lang="ts">
  import CurveLibrary from '$features/sensor/CurveLibrary.svelte';
</script>

<svelte:head><title>Sensor curves · Pyrethos</title></svelte:head>
<CurveLibrary />
