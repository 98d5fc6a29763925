<script lang="ts">
  import { date } from '$lib/ui/page-state/when';
  import { mayHere } from '$lib/ui/page-state/who';
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { FAULTS } from '$core/faults/registry';
  import { RadioGroup } from 'bits-ui';
  import RadioMark from '$lib/ui/inputs/RadioMark.svelte';
  import { midSentence } from '$core/base/text';
  import { nextRecheck } from '$core/diagnosis/rechecks';
  import { untrack } from 'svelte';
  import type { FaultId } from '$core/vehicle/faults';
  import type { JobState } from '$core/record/derive';
  import type { JobOutcome } from '$core/record/closing';

  interface Props {
    ways: readonly { readonly outcome: JobOutcome; readonly refused: string | null }[];
    /** The likeliest cause before the repair. */
    leader: FaultId;
    suspects: readonly FaultId[];
    state: JobState;
    /** The cooling system was opened: it is looked at for leaks as well. */
    opened: boolean;
    onclosejob: (payload: {
      outcome: JobOutcome;
      cause: FaultId | null;
      lookAgain: string | null;
    }) => Promise<boolean>;
    onreopen: (why: string) => Promise<boolean>;
  }
  let { ways, leader, suspects, state: job, opened, onclosejob, onreopen }: Props = $props();

  let outcome = $state<JobOutcome | null>(null);
  let cause = $state<FaultId | ''>(untrack(() => leader));
  let typed = $state<string | null>(null);
  let why = $state('');
  const open = $derived(ways.filter((w) => w.refused === null));
  /** After a repair the record itself says which of the two it is; before one nobody has chosen yet. */
  const chosen = $derived(
    open.find((w) => w.outcome === outcome)?.outcome ??
      (job.repairs.length > 0 ? (open[0]?.outcome ?? null) : null)
  );
  const fixed = $derived(chosen === 'fixed and proven' || chosen === 'fixed, unproven' ? chosen : null);
  const lookAgain = $derived(typed ?? nextRecheck(fixed, opened, new Date(), new Date()) ?? '');

  async function close(event: SubmitEvent) {
    event.preventDefault();
    if (!chosen) return;
    await onclosejob({
      outcome: chosen,
      cause: fixed && cause !== '' ? cause : chosen === 'no fault found' ? 'none' : null,
      lookAgain: fixed && lookAgain ? lookAgain : null
    });
  }
</script>

<section class="card p-4" aria-label="Close the job">
  {#if job.state === 'closed'}
    <h2 data-outcome={job.outcome}>Closed: {job.outcome}</h2>
    {#if job.cause}<p class="mt-1">Cause: {midSentence(FAULTS[job.cause].title)}.</p>{/if}
    {#if job.lookAgain}<p class="mt-1">Recheck on {date(job.lookAgain)}.</p>{/if}
    <form
      class="no-print mt-3 space-y-2"
      onsubmit={(e) => {
        e.preventDefault();
        void onreopen(why);
      }}
    >
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">The fault is back. What happens now?</span><input
          class="field w-full"
          maxlength="300"
          bind:value={why}
        /></label
      >
      <button class="btn" disabled={!why.trim() || !mayHere('lead')}>Reopen the job</button>
    </form>
  {:else}
    <h2>Close the job</h2>
    <form class="mt-2 space-y-3" onsubmit={close}>
      <RadioGroup.Root
        aria-label="Outcome"
        value={chosen ?? ''}
        onValueChange={(next) => (outcome = next as JobOutcome)}
      >
        {#each ways as w (w.outcome)}
          <RadioGroup.Item
            value={w.outcome}
            disabled={w.refused !== null}
            class="flex min-h-11 w-full items-start gap-3 py-1.5 text-left {w.refused ? 'text-ink-2' : ''}"
          >
            {#snippet children({ checked })}
              <span class="mt-1"><RadioMark {checked} /></span>
              <span
                >{w.outcome.charAt(0).toUpperCase()}{w.outcome.slice(1)}{#if w.refused}<span
                    class="block text-sm">{w.refused}</span
                  >{/if}</span
              >
            {/snippet}
          </RadioGroup.Item>
        {/each}
      </RadioGroup.Root>
      {#if fixed}
        <Select
          label="Cause"
          blank="Not known"
          choices={suspects.map((id) => ({ value: id, label: FAULTS[id].title }))}
          value={cause || null}
          onvalue={(id) => (cause = (id ?? '') as typeof cause)}
        />
        <div class="max-w-60">
          <DateInput label="Recheck on" value={lookAgain} onvalue={(day) => (typed = day)} />
        </div>
      {/if}
      {#if !mayHere('lead')}<p class="text-ink-2">A lead closes the job.</p>{/if}
      <button class="btn btn-main min-h-14 w-full" disabled={!chosen || !mayHere('lead')}
        >{chosen ? `Close as ${chosen}` : 'Close the job'}</button
      >
    </form>
  {/if}
</section>
