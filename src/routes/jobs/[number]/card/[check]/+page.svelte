<script lang="ts">
  import CheckCard from '$features/checks/CheckCard.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Check card of job {data.number} · Pyrethos</title></svelte:head>
<CheckCard {...data} />
