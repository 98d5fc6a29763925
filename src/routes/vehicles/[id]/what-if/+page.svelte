<script lang="ts">
  import WhatIf from '$features/vehicles/WhatIf.svelte';

  let { data } = $props();
</script>

<svelte:head><title>What if · {data.vehicle.fleetNo} · Pyrethos</title></svelte:head>
{#if data.vehicle.sheet}
  <WhatIf vehicle={data.vehicle} />
{:else}
  <p>
    {data.vehicle.fleetNo} has no spec sheet yet, and without one there is nothing to simulate.
    <a class="quiet-link" href="/vehicles/{data.vehicle.id}/sheet">Fill it in</a>
  </p>
{/if}
