<script lang="ts">
  import Intake from '$features/intake/Intake.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Open a job · Pyrethos</title></svelte:head>
<Intake
  vehicles={data.vehicles}
  chosen={data.chosen}
  of={data.of}
  shop={data.shop}
  amends={null}
  zone={data.zone}
/>
