<script lang="ts">
  import Certificate from '$features/practice/Certificate.svelte';

  let { data } = $props();
</script>

<svelte:head><title>What {data.home.who} practised · Pyrethos</title></svelte:head>
<Certificate home={data.home} now={data.now} zone={data.zone} />
