<script lang="ts">
  import Numbers from '$features/numbers/Numbers.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Numbers · Pyrethos</title></svelte:head>
<Numbers
  now={data.numbers.now}
  before={data.numbers.before}
  period={data.period}
  today={data.today}
  wrong={data.wrong}
/>
