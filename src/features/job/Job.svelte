<script lang="ts">
  import Download from '@lucide/svelte/icons/download';
  import FileUp from '@lucide/svelte/icons/file-up';
  import { toast } from 'svelte-sonner';
  import { goto, invalidateAll } from '$app/navigation';
  import { answerOf, record } from '$lib/ui/record';
  import Problems from '$lib/ui/Problems.svelte';
  import { useShortcuts } from '$lib/ui/shortcuts.svelte';
  import { when } from '$lib/ui/when';
  import History from './History.svelte';
  import RunFacts from './RunFacts.svelte';
  import RunTrace from './RunTrace.svelte';
  import type { HistoryLine, RunTab, RunView, Sheet } from './types';
  import Verdict from './Verdict.svelte';
  import type { Problem } from '$core/result';

  interface Props {
    job: {
      id: string;
      number: number;
      complaint: string;
      state: string;
      outcome: string | null;
      openedAt: string;
    };
    vehicle: { id: string; fleetNo: string; name: string; note: string };
    sheet: Sheet;
    runs: readonly RunTab[];
    run: RunView | null;
    history: readonly HistoryLine[];
    zone: string;
  }
  let { job, vehicle, sheet, runs, run, history, zone }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  let judging = $state(false);

  const importHref = $derived(`/jobs/${job.number}/import`);
  $effect(() => useShortcuts([{ key: 'i', label: 'Import a log', run: () => void goto(importHref) }]));

  async function judgeAgain() {
    judging = true;
    const answer = await answerOf(fetch(`/api/runs/${run!.id}/judge`, { method: 'POST' }));
    judging = false;
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) await invalidateAll();
  }

  async function undo(of: string, what: string) {
    const id = crypto.randomUUID();
    const answer = await record(`job:${job.id}`, { kind: 'undo', payload: { of } }, id);
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    await goto(`/jobs/${job.number}`, { invalidateAll: true });
    toast(`Undone: ${what}`, { action: { label: 'Redo', onClick: () => void undo(id, 'the undo') } });
  }
</script>

<header class="mb-4 flex flex-wrap items-start gap-x-6 gap-y-3">
  <div class="min-w-0 flex-1 basis-96">
    <p class="text-ink-2">{vehicle.note} · job {job.number}, opened {when(job.openedAt, zone)}</p>
    <h1 class="mt-0.5">
      <a class="quiet-link" href="/vehicles/{vehicle.id}"
        ><span class="reading">{vehicle.fleetNo}</span> {vehicle.name}</a
      >
    </h1>
    <p class="mt-1 max-w-3xl text-lg leading-snug">{job.complaint}</p>
    {#if job.outcome}<p class="mt-1 font-semibold">Closed: {job.outcome}</p>{/if}
  </div>
  <div class="no-print flex gap-2">
    {#if run}<a class="btn" href="/api/runs/{run.id}/log.csv" download
        ><Download size={18} aria-hidden="true" />CSV</a
      >{/if}
    <a class="btn btn-main" href={importHref}><FileUp size={18} aria-hidden="true" />Import a log</a>
  </div>
</header>

<Problems {problems} title="That did not work" />

{#if runs.length > 1}
  <nav class="mb-3 flex flex-wrap gap-2" aria-label="Runs of this job">
    {#each runs as r, i (r.id)}
      <a
        href="/jobs/{job.number}?run={r.id}"
        aria-current={r.id === run?.id ? 'page' : undefined}
        class="min-h-11 rounded-lg border px-3.5 py-1.5 leading-tight {r.id === run?.id
          ? 'border-act bg-card border-2'
          : 'border-line-strong'}"
      >
        <span class="block font-semibold">Run {i + 1}: {r.title}</span><span class="text-ink-2 text-xs"
          >{r.fileName} · {when(r.importedAt, zone)}</span
        >
      </a>
    {/each}
  </nav>
{/if}

{#if run}
  {#if run.outdated}
    <div class="card mb-3 flex flex-wrap items-center gap-3 px-4 py-2">
      <p class="mr-auto">
        {run.outdated === 'sheet'
          ? 'The spec sheet has changed since this run was judged. The levels and verdict below are by the sheet of that time.'
          : 'The model has changed since this run was judged.'}
      </p>
      <button class="btn" onclick={judgeAgain} disabled={judging}
        >{judging ? 'Judging…' : 'Judge again'}</button
      >
    </div>
  {/if}
  <div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_370px] 2xl:grid-cols-[minmax(0,1fr)_460px]">
    <div class="space-y-4">
      {#key run.id}<RunTrace {run} {sheet} />{/key}
      <RunFacts {run} />
      <History {history} {zone} onundo={undo} />
    </div>
    <Verdict analysis={run.analysis} />
  </div>
{:else}
  <div class="card mb-4 p-10 text-center">
    <h2>No run yet</h2>
    {#if sheet}
      <p class="text-ink-2 mx-auto mt-2 max-w-lg">
        Import a temperature log, a CSV file from any logger. A cold start that runs until the fan has
        switched says the most.
      </p>
      <a class="btn btn-main mt-5" href={importHref}><FileUp size={18} aria-hidden="true" />Import a log</a>
    {:else}
      <p class="text-ink-2 mx-auto mt-2 max-w-lg">
        This vehicle has no spec sheet, so there is nothing to judge a run against.
      </p>
      <a class="btn btn-main mt-5" href="/vehicles/{vehicle.id}/sheet">Write its spec sheet</a>
    {/if}
  </div>
  <History {history} {zone} onundo={undo} />
{/if}

<p class="text-ink-2 mt-6 text-sm">
  Pyrethos gives a second opinion. The maker’s service information, local rules and licensed practice come
  first. Never open a cooling system that is hot.
</p>
