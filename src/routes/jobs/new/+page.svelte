<script lang="ts">
  import Intake from '$features/intake/Intake.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Open a job · Pyrethos</title></svelte:head>
<Intake
  vehicles={data.vehicles}
  chosen={data.chosen}
  jobs={data.jobs}
  shop={data.shop}
  amends={null}
  zone={data.zone}
/>
