<script lang="ts">
  import Shop from '$features/shop/Shop.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Shop · Pyrethos</title></svelte:head>
<Shop costs={data.costs} causes={data.causes} shop={data.shop} floor={data.floor} />
