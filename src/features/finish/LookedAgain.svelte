<script lang="ts">
  import { mayUndo } from '$lib/ui/page-state/who';
  import { nextRecheck } from '$core/diagnosis/rechecks';
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import { midSentence } from '$core/base/text';
  import type { Recheck } from '$core/record/decision';
  import type { JobState } from '$core/record/derive';
  import type { ProofRun } from '$core/diagnosis/proof-run';
  import { compareFeatures, incomparable } from '$core/runs/compare';
  import type { Features } from '$core/runs/features';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { date, when } from '$lib/ui/page-state/when';

  interface Props {
    state: JobState;
    /** The cooling system was opened: it is looked at for leaks as well. */
    opened: boolean;
    /** The last run before the job was closed, and one made since. */
    before: ProofRun | null;
    run: ProofRun | null;
    compareHref: string | null;
    jobNumber: number;
    zone: string;
    onrecheck: (payload: Recheck) => Promise<boolean>;
    onundo: (id: string) => void;
  }
  let { state: job, opened, before, run, compareHref, jobNumber, zone, onrecheck, onundo }: Props = $props();

  let note = $state('');
  let typed = $state<string | null>(null);
  const proposed = $derived(
    job.closedAt ? nextRecheck(job.outcome, opened, new Date(job.closedAt), new Date()) : null
  );
  const next = $derived(typed ?? proposed ?? '');
  const differs = $derived(
    before && run
      ? compareFeatures(before.features as Features, run.features as Features).filter(
          (r) => r.judged === 'differs'
        )
      : []
  );
  const unlike = $derived(
    before && run ? incomparable(before.features as Features, run.features as Features) : []
  );
</script>

<section class="card p-4" aria-label="Rechecks">
  <h2>Rechecks</h2>
  {#if job.recheck}
    <div class="mt-1 flex items-start gap-3" data-recheck={job.recheck.done.holds}>
      <p class="min-w-0 flex-1">
        {job.recheck.done.holds ? 'Still good.' : 'The fault is back.'}
        {job.recheck.done.note}
        <span class="text-ink-2 block text-sm">{job.recheck.who}, {when(job.recheck.at, zone)}</span>
      </p>
      {#if mayUndo(job.recheck.who)}<button class="btn no-print" onclick={() => onundo(job.recheck!.id)}
          >Undo</button
        >{/if}
    </div>
  {/if}
  {#if job.lookAgain || !job.recheck}
    <p class="mt-1">
      {job.lookAgain
        ? `Recheck on ${date(job.lookAgain)}${opened ? ', for leaks as well' : ''}.`
        : 'No date was set.'}
    </p>
  {/if}
  {#if run}
    <p class="mt-2 font-semibold">Run since it was closed, {when(run.at, zone)}: {midSentence(run.title)}</p>
    {#if before}
      {#if differs.length === 0}
        <p>Within what two runs of one healthy engine differ by, against the run that proved it.</p>
      {:else}
        <p>Against the run that proved it:</p>
        <ul class="list-disc pl-5">
          {#each differs as d (d.name)}<li>
              {inReaderUnits(`${d.name}: ${d.a}, now ${d.b} (${d.by})`)}
            </li>{/each}
        </ul>
      {/if}
      {#if unlike.length > 0}<p class="text-ink-2 text-sm">
          Not quite comparable: {inReaderUnits(unlike.join('; '))}.
        </p>{/if}
    {/if}
    {#if compareHref}<a class="quiet-link no-print" href={compareHref}>Side by side</a>{/if}
  {/if}
  {#if !job.recheck || job.lookAgain}
    <form
      class="no-print mt-3 space-y-2"
      onsubmit={(e) => {
        e.preventDefault();
        void onrecheck({ holds: true, note, next: next || null }).then((done) => {
          if (done) [note, typed] = ['', null];
        });
      }}
    >
      {#if !run}<p class="text-ink-2 text-sm">
          Record <a class="quiet-link" href="/jobs/{jobNumber}/live">the same run</a> again or
          <a class="quiet-link" href="/jobs/{jobNumber}/import">import it</a>: it is held against the one that
          proved the repair.
        </p>{/if}
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">What was seen</span><input
          class="field w-full"
          maxlength="500"
          bind:value={note}
        /></label
      >
      <div class="max-w-52">
        <DateInput label="Next recheck on" value={next} onvalue={(day) => (typed = day)} />
      </div>
      <button class="btn">Still good</button>
    </form>
  {/if}
</section>
