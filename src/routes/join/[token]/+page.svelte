<script lang="ts">
  import Join from '$features/access/Join.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Join · Pyrethos</title></svelte:head>
<Join {...data} />
