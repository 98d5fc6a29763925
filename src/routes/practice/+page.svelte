<script lang="ts">
  import PracticeHome from '$features/practice/PracticeHome.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Practice · Pyrethos</title></svelte:head>
<PracticeHome home={data.home} people={data.people} me={data.me} />
