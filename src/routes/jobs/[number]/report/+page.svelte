<script lang="ts">
  import ReportPage from '$features/report/ReportPage.svelte';
  import { unpacked } from '$lib/packed';

  let { data } = $props();
  const report = $derived(unpacked(data.report));
</script>

<svelte:head><title>{report.title}: report · Pyrethos</title></svelte:head>
<ReportPage {report} number={data.number} />
