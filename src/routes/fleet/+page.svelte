<script lang="ts">
  import Fleet from '$features/fleet/Fleet.svelte';

  let { data } = $props();
</script>

<svelte:head><title>The fleet over the year · Pyrethos</title></svelte:head>
<Fleet {...data} />
