<script lang="ts">
  import Shop from '$features/shop/Shop.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Rates and prices · Pyrethos</title></svelte:head>
<Shop costs={data.costs} causes={data.causes} />
