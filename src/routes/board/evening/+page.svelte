<script lang="ts">
  import Evening from '$features/board/Evening.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const view = $derived(unpacked(data.board));
</script>

<svelte:head><title>Handover · Pyrethos</title></svelte:head>
<Evening {view} />
