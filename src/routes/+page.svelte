<script lang="ts">
  import Day from '$features/depot/Day.svelte';

  let { data } = $props();
</script>

<svelte:head><title>The day · Pyrethos</title></svelte:head>
<Day
  costs={data.costs}
  open={data.open}
  closed={data.closed}
  closedCount={data.closedCount}
  due={data.due}
  zone={data.zone}
  now={data.now}
/>
