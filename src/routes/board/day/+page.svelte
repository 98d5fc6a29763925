<script lang="ts">
  import { page } from '$app/state';
  import MyDay from '$features/board/MyDay.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const view = $derived(unpacked(data.board));
</script>

<svelte:head><title>My day · Pyrethos</title></svelte:head>
<MyDay {view} asked={page.url.searchParams.get('who')} />
