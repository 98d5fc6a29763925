<script lang="ts">
  import { goto } from '$app/navigation';
  import { FAULTS } from '$core/faults/registry';
  import { midSentence, sayChance, sentence } from '$core/base/text';
  import type { CheckId } from '$core/checks/registry';
  import { quoteCosts } from '$core/diagnosis/costs';
  import { pictureOf } from '$core/handover/report/picture';
  import type { EventInput } from '$core/record/events';
  import { repairsDone } from '$core/record/repair-done';
  import type { Problem } from '$core/base/result';
  import Cockpit from '$features/job/Cockpit.svelte';
  import JobHeader from '$features/job/JobHeader.svelte';
  import { jobCase } from '$features/job/job-case.svelte';
  import BeforeAfter from '$features/report/BeforeAfter.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { mayUndo } from '$lib/ui/page-state/who';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import type { FinishView } from '$lib/views';
  import CloseJob from './CloseJob.svelte';
  import Decide from './Decide.svelte';
  import LookedAgain from './LookedAgain.svelte';
  import ProofList from './ProofList.svelte';
  import RepairSheet from './RepairSheet.svelte';

  interface Props extends FinishView {
    zone: string;
  }
  let { job, vehicle, known, curves, zone }: Props = $props();

  const page = jobCase(() => ({ job, known }));
  const { stream } = $derived(page);
  const shown = $derived(page.case);
  const { state: jobState, sheet, heat, costs, opinion, opinionBefore, proof, pair } = $derived(shown);
  const quotes = $derived(jobState.quotes.map((q) => q.done));
  const cheapest = $derived(
    quotes.toSorted((a, b) => quoteCosts(a, known.shop.costs) - quoteCosts(b, known.shop.costs))
  );
  const closed = $derived(jobState.state === 'closed');
  let problems = $state<readonly Problem[]>([]);
  const curveOf = (id: string | undefined) => curves.find((c) => c?.id === id) ?? null;
  const drawn = $derived.by(() => {
    const [before, after] = [curveOf(pair.before?.id), curveOf(pair.after?.id)];
    if (!before || !after) return null;
    return pictureOf({
      before,
      after,
      band: after.band,
      levels: sheet?.thermostat?.startOpenC
        ? [{ name: 'thermostat starts', celsius: sheet.thermostat.startOpenC }]
        : []
    });
  });
  /** A run made since the job was closed, against the last one before. */
  const { closedAt } = $derived(jobState);
  const opened = $derived(shown.proof?.items.some((i) => i.id === 'leak') ?? false);
  const recheckRun = $derived(closedAt ? shown.runs.findLast((r) => r.at > closedAt) : undefined);
  const proofRun = $derived(closedAt ? shown.runs.findLast((r) => r.at <= closedAt) : undefined);

  async function write(body: EventInput): Promise<boolean> {
    const answer = await record(stream, body, crypto.randomUUID());
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
  /** A warm-up is not typed: it is recorded. */
  const openCheck = (id: CheckId) =>
    void goto(
      id === 'warm-up-run' || id === 'road-run'
        ? `/jobs/${job.number}/live`
        : `/jobs/${job.number}?check=${id}`
    );
  $effect(() => {
    const { next } = shown.plan;
    return useShortcuts(
      next && !closed
        ? [{ key: 'n', label: `Next check: ${next.check.title}`, run: () => openCheck(next.id) }]
        : []
    );
  });
  async function undo(of: string) {
    await write({ kind: 'undo', payload: { of } });
  }
</script>

<JobHeader
  {job}
  {vehicle}
  state={jobState}
  open={null}
  runId={shown.runs.at(-1)?.id ?? null}
  closing
  {zone}
/>
<Problems {problems} entry title="That did not work" />
{#if !closed}
  <Cockpit
    case={shown}
    now={page.now}
    {zone}
    evidenceHref="/jobs/{job.number}#suspects"
    repairHref="#repair"
    {write}
    onopen={openCheck}
  />
{/if}
<h2>Repair, proof, close</h2>
<p class="text-ink-2 mb-3 max-w-3xl text-sm">
  The maker’s service information comes first: its order, its values and its cautions go before what stands
  here.
</p>

{#snippet ending()}
  <CloseJob
    ways={shown.closings}
    leader={opinionBefore.now.suspects[0].fault}
    suspects={opinionBefore.now.suspects.map((s) => s.fault)}
    state={jobState}
    {opened}
    onclosejob={(payload) => write({ kind: 'job.closed', payload })}
    onreopen={(why) => write({ kind: 'job.reopened', payload: { why } })}
  />
{/snippet}

<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
  <div class="space-y-4" id="repair">
    {#if shown.suspected}
      {@const { fault, probability } = opinionBefore.now.suspects[0]}
      <p class="card px-4 py-3" data-leader={fault}>
        {shown.repairedAt ? 'Most likely before the repair' : 'Most likely'}:
        <strong>{midSentence(FAULTS[fault].title)}</strong>
        <span class="reading whitespace-nowrap">{sayChance(probability)}</span>
        <a class="quiet-link no-print ml-2" href="/jobs/{job.number}">All suspects</a>
      </p>
    {/if}
    {#if !closed || jobState.decision}
      <Decide
        offers={shown.offers}
        {costs}
        quotes={jobState.quotes}
        decision={jobState.decision}
        proposed={opinion.advice.act.repairs}
        ondecide={(payload) => write({ kind: 'repair.decided', payload })}
        onquote={(payload) => write({ kind: 'part.quoted', payload })}
        onundo={(id) => void undo(id)}
        {closed}
      />
    {/if}
    {#each jobState.repairs as r (r.id)}
      <section class="card p-4" data-repaired={r.done.repairs.join('+')}>
        <div class="flex items-start gap-3">
          <div class="min-w-0 flex-1">
            <h2>{sentence(repairsDone(r.done.repairs))}</h2>
            <p class="text-ink-2 text-sm">
              Done by {r.who}, {r.done.steps.length} steps ticked{r.done.parts
                .filter((p) => p.partNo)
                .map((p) => `, part ${p.partNo}`)
                .join('')}
            </p>
            {#if r.done.why}<p class="mt-1">{r.done.why}</p>{/if}
          </div>
          {#if !closed && mayUndo(r.who)}<button class="btn no-print" onclick={() => undo(r.id)}>Undo</button
            >{/if}
        </div>
      </section>
    {/each}
    {#if !closed}
      {#key `${jobState.repairs.length} ${jobState.decision?.id}`}
        <RepairSheet
          jobId={job.id}
          {sheet}
          {costs}
          now={opinion.now}
          proposed={jobState.decision?.done.repairs ?? opinion.advice.act.repairs}
          quotes={cheapest}
          {heat}
          again={jobState.repairs.length > 0}
          onwrite={async (payload, coolant) =>
            (coolant === null || (await write({ kind: 'coolant.serviced', payload: coolant }))) &&
            (await write({ kind: 'repair.done', payload }))}
        />
      {/key}
    {/if}
    {#if closed}
      {@render ending()}
      <LookedAgain
        state={jobState}
        {opened}
        before={proofRun ?? null}
        run={recheckRun ?? null}
        compareHref={proofRun && recheckRun
          ? `/vehicles/${vehicle.id}/compare?a=${proofRun.id}&b=${recheckRun.id}`
          : null}
        jobNumber={job.number}
        {zone}
        onrecheck={(payload) => write({ kind: 'job.rechecked', payload })}
        onundo={(id) => void undo(id)}
      />
    {/if}
  </div>
  <div class="space-y-4">
    {#if drawn && pair.before && pair.after}
      <section class="card p-4" aria-label="Before and after">
        <h2>Before and after</h2>
        <BeforeAfter
          picture={drawn}
          width={470}
          label="Coolant before the repair, dashed, and after it, over the band it should run in"
        />
        <p class="text-ink-2 text-sm">
          Dashed before the repair, full after it, over the band of the later run.
          <a
            class="quiet-link no-print"
            href="/vehicles/{vehicle.id}/compare?a={pair.before.id}&b={pair.after.id}">Side by side</a
          >
        </p>
      </section>
    {/if}
    <ProofList
      {proof}
      jobNumber={job.number}
      open={jobState.state === 'open'}
      {inReaderUnits}
      ontry={(payload) => write({ kind: 'complaint.tried', payload })}
      onnocodes={() =>
        write({ kind: 'check.recorded', payload: { check: 'codes', readings: { codes: [] } } })}
    />
    {#if !closed}{@render ending()}{/if}
  </div>
</div>
