<script lang="ts">
  import PracticeBay from '$features/practice/PracticeBay.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const practice = $derived(unpacked(data.practice));
</script>

<svelte:head><title>{practice.view.title} · Practice · Pyrethos</title></svelte:head>
<PracticeBay {practice} />
