<script lang="ts">
  import People from '$features/access/People.svelte';

  let { data } = $props();
</script>

<svelte:head><title>People and devices · Pyrethos</title></svelte:head>
<People {...data} />
