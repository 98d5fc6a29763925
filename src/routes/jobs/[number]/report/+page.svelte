<script lang="ts">
  import ReportPage from '$features/report/ReportPage.svelte';

  let { data } = $props();
</script>

<svelte:head><title>{data.report.title}: report · Pyrethos</title></svelte:head>
<ReportPage report={data.report} number={data.number} />
