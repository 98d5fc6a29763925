<script lang="ts">
  import Day from '$features/depot/Day.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const day = $derived(unpacked(data.day));
</script>

<svelte:head><title>The day · Pyrethos</title></svelte:head>
<Day {...day} zone={data.zone} />
