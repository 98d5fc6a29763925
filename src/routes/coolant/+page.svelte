<script lang="ts">
  import Coolant from '$features/coolant/Coolant.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Coolant · Pyrethos</title></svelte:head>
{#key data.job?.id}<Coolant
    vehicles={data.vehicles}
    served={data.served}
    job={data.job}
    today={data.today}
  />{/key}
