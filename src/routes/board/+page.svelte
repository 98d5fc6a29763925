<script lang="ts">
  import Board from '$features/board/Board.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const view = $derived(unpacked(data.board));
</script>

<svelte:head><title>Board · Pyrethos</title></svelte:head>
<Board {view} />
