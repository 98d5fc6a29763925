<script lang="ts">
  import type { JobLine } from '$lib/views';
  import Pages from '$lib/ui/inputs/Pages.svelte';
  import JobRow from './JobRow.svelte';

  interface Props {
    jobs: readonly JobLine[];
    asked: string;
    count: number;
    page: number;
    pages: number;
    zone: string;
  }
  let { jobs, asked, count, page, pages, zone }: Props = $props();
  const href = (n: number) =>
    `/jobs?${new URLSearchParams({ ...(asked ? { q: asked } : {}), page: String(n) }).toString()}`;
</script>

<div class="mb-5 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/">Day</a></p>
    <h1>{count} job{count === 1 ? '' : 's'}{asked ? ` with “${asked}”` : ''}</h1>
  </div>
  <form method="GET" class="flex gap-2" role="search">
    <label class="w-72"
      ><span class="sr-only">Search jobs</span><input
        class="field"
        type="search"
        name="q"
        placeholder="Number, vehicle, complaint, cause, note"
        value={asked}
      /></label
    ><button class="btn">Find</button>
  </form>
  <a class="btn" href="/jobs/table">As a table</a>
</div>
{#if jobs.length === 0}
  <p class="card text-ink-2 p-6">
    {asked ? `No job has “${asked}” in its record.` : 'No jobs yet.'}
    {#if asked}<a class="quiet-link" href="/jobs">Show all</a>{/if}
  </p>
{/if}
<ul class="space-y-2.5">
  {#each jobs as job (job.number)}<li><JobRow {job} {zone} /></li>{/each}
</ul>
<Pages {page} {pages} {href} back="Later" forward="Earlier" />
