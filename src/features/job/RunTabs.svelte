<script lang="ts">
  import { when } from '$lib/ui/page-state/when';
  import type { RunSummary } from '$core/runs/run-summary';

  interface Props {
    runs: readonly RunSummary[];
    compareHref: string | null;
    current: string | null;
    base: string;
    zone: string;
  }
  let { runs, compareHref, current, base, zone }: Props = $props();
</script>

{#if runs.length > 1}
  <nav class="mb-3 flex flex-wrap gap-2" aria-label="Runs of this job">
    {#each runs as r, i (r.id)}
      <a
        href="{base}?run={r.id}"
        aria-current={r.id === current ? 'page' : undefined}
        class="min-h-11 rounded-lg border px-3.5 py-1.5 leading-tight {r.id === current
          ? 'border-act bg-card border-2'
          : 'border-line-strong'}"
      >
        <span class="block font-semibold">Run {i + 1}: {r.title}</span><span class="text-ink-2 text-xs"
          >{r.fileName} · {when(r.importedAt, zone)}</span
        >
      </a>
    {/each}
    {#if compareHref}<a class="btn self-center" href={compareHref}>Compare</a>{/if}
  </nav>
{/if}
