<script lang="ts">
  import Download from '~icons/lucide/download';
  import FileUp from '~icons/lucide/file-up';
  import { invalidateAll } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { answerOf } from '$lib/ui/outbox/record.svelte';

  interface Brought {
    readonly ok: true;
    readonly jobs: readonly { readonly id: string; readonly number: number; readonly isNew: boolean }[];
    readonly entries: number;
    readonly warnings: readonly Problem[];
  }
  let problems = $state<readonly Problem[]>([]);
  let busy = $state('');
  let done = $state.raw<readonly { readonly name: string; readonly brought: Brought }[]>([]);

  async function bring(files: FileList | null) {
    problems = [];
    done = [];
    for (const [i, file] of [...(files ?? [])].entries()) {
      busy = `File ${i + 1} of ${files!.length}: ${file.name}`;
      const answer = await answerOf<Brought | { ok: false; problems: readonly Problem[] }>(
        fetch('/api/files', {
          method: 'POST',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: file
        })
      );
      if (answer.ok) done = [...done, { name: file.name, brought: answer as Brought }];
      else
        problems = [
          ...problems,
          ...answer.problems.map((p) => ({ ...p, field: `${file.name}${p.field ? `, ${p.field}` : ''}` }))
        ];
    }
    busy = '';
    await invalidateAll();
  }

  const words = ({ jobs, entries }: Brought): string => {
    const fresh = jobs.filter((j) => j.isNew).length;
    if (entries === 0) return 'everything in it is here already';
    return `${fresh} new job${fresh === 1 ? '' : 's'}, ${entries} entries`;
  };
</script>

<section class="card p-4" aria-label="Files">
  <h2>Import and export</h2>
  <p class="text-ink-2 mt-1">
    Every job is a file of its own in an open format; the workshop is a zip of them. What is brought in is
    added whole or not at all, and nothing that is here is changed.
  </p>
  <div class="mt-3 flex flex-wrap gap-3">
    <a class="btn" href="/api/files" download data-sveltekit-reload
      ><Download size={18} aria-hidden="true" />Whole workshop</a
    >
    <label class="btn cursor-pointer {busy ? 'opacity-60' : ''}"
      ><FileUp size={18} aria-hidden="true" />Bring in job files or a workshop<input
        type="file"
        class="sr-only"
        accept=".json,.zip"
        multiple
        disabled={busy !== ''}
        onchange={(e) => void bring(e.currentTarget.files)}
      /></label
    >
  </div>
  {#if busy}<p class="mt-2" role="status">{busy}</p>{/if}
  {#if done.length > 0}
    <ul class="mt-2" aria-label="Brought in">
      {#each done as { name, brought }, i (i)}
        <li>
          {name}: {words(brought)}
          {#each brought.jobs.filter((j) => j.isNew).slice(0, 5) as job (job.id)}
            · <a class="quiet-link" href="/jobs/{job.number}">job {job.number}</a>
          {/each}
          {#each brought.warnings as w, k (k)}<span class="text-ink-2 block text-sm"
              >{w.field ? `${w.field}: ` : ''}{w.message}</span
            >{/each}
        </li>
      {/each}
    </ul>
  {/if}
  <Problems {problems} title="Not brought in" />
</section>
