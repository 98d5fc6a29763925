<script lang="ts">
  import Intake from '$features/intake/Intake.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Intake of job {data.amends.number} · Pyrethos</title></svelte:head>
<Intake
  vehicles={data.vehicles}
  chosen={null}
  of={data.of}
  shop={data.shop}
  amends={data.amends}
  zone={data.zone}
/>
