<script lang="ts">
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { FaultId } from '$core/vehicle/faults';
  import type { EventInput, RecordEvent } from '$core/record/events';
  import type { RunHeat } from '$core/diagnosis/judged';
  import { repairTitles } from '$core/record/repair-done';
  import { costsWith, quoteCosts } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import { opinionOf } from '$core/diagnosis/opinion';
  import { closings, proofOf, type ProofRun } from '$core/diagnosis/proof';
  import type { Problem } from '$core/base/result';
  import type { Causes } from '$core/diagnosis/history';
  import type { RankedRun } from '$core/diagnosis/findings';
  import type { KnownFact } from '$core/physics/heat/facts';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { told } from '$lib/ui/page-state/units';
  import type { Spark } from '$lib/view-types';
  import { jobNow } from '$features/job/job-now.svelte';
  import BeforeAfter from '$features/report/BeforeAfter.svelte';
  import { pictureOf } from '$core/handover/report/picture';
  import CloseJob from './CloseJob.svelte';
  import Decide from './Decide.svelte';
  import LookedAgain from './LookedAgain.svelte';
  import ProofList from './ProofList.svelte';
  import RepairSheet from './RepairSheet.svelte';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string };
    sheet: SpecSheet | null;
    events: readonly RecordEvent[];
    otherHeat: readonly KnownFact[];
    runs: readonly (RankedRun & { heat: RunHeat; proof: ProofRun; spark: Spark })[];
    costs: ShopCosts;
    causes: Causes;
    now: string;
    zone: string;
  }
  let {
    job,
    vehicle,
    sheet,
    events: known,
    otherHeat,
    runs,
    costs: usual,
    causes,
    now,
    zone
  }: Props = $props();

  const job_ = jobNow(() => ({ job, sheet, events: known, otherHeat, runs, now }));
  const { stream, judged, heat } = $derived(job_);
  const state_ = $derived(job_.state);
  const standing = $derived(job_.runs);
  const quotes = $derived(state_.quotes.map((q) => q.done));
  const costs = $derived(costsWith(usual, quotes));
  const cheapest = $derived(quotes.toSorted((a, b) => quoteCosts(a, usual) - quoteCosts(b, usual)));
  const last = $derived(state_.repairs.at(-1) ?? null);
  const proof = $derived(
    last
      ? proofOf({
          repairedAt: last.at,
          done: judged,
          runs: standing.map((r) => r.proof),
          sheet,
          symptoms: state_.intake.symptoms
        })
      : null
  );
  /** What was believed when it was decided: only what came before the repair. */
  const opinion = $derived(
    opinionOf({
      sheet,
      symptoms: state_.intake.symptoms,
      done: last ? judged.filter((d) => d.at <= last.at) : judged,
      runs: standing.filter((r) => !last || r.proof.at <= last.at),
      own: state_.own,
      causes,
      costs,
      state: { phase: 'unknown' }
    })
  );
  const leader = $derived<FaultId>(opinion.now.suspects[0].fault);
  const ways = $derived(
    closings(
      state_.repairs.flatMap((r) => r.done.repairs),
      proof
    )
  );
  const closed = $derived(state_.state === 'closed');
  let problems = $state<readonly Problem[]>([]);
  /** The run that showed the fault, and the last one since the repair. */
  const pair = $derived.by(() => {
    const before = last && standing.find((r) => r.proof.at <= last.at && r.proof.verdict !== 'none');
    const after = last && standing.findLast((r) => r.proof.at > last.at);
    return before && after ? { before, after } : null;
  });
  const drawn = $derived(
    pair &&
      pictureOf({
        before: pair.before.spark,
        after: pair.after.spark,
        band: pair.after.spark.band,
        levels: sheet ? [{ name: 'thermostat starts', celsius: sheet.thermostat.startOpenC }] : []
      })
  );
  /** A run made since the job was closed, against the last one before. */
  const recheckRun = $derived(
    state_.closedAt ? standing.findLast((r) => r.proof.at > state_.closedAt!) : undefined
  );
  const proofRun = $derived(
    state_.closedAt ? standing.findLast((r) => r.proof.at <= state_.closedAt!) : undefined
  );

  async function write(body: EventInput): Promise<boolean> {
    const answer = await record(stream, body, crypto.randomUUID());
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
  async function undo(of: string) {
    await write({ kind: 'undo', payload: { of } });
  }
</script>

<header class="mb-4 flex flex-wrap items-start gap-4">
  <div class="mr-auto">
    <p class="text-ink-2">
      <a class="quiet-link" href="/jobs/{job.number}">Job {job.number}</a> · {vehicle.fleetNo}
      {vehicle.name}
    </p>
    <h1>Repair, proof, close</h1>
    <p class="text-ink-2 mt-1 max-w-3xl">
      The maker’s service information comes first: its order, its values and its cautions go before what
      stands here.
    </p>
  </div>
  <a class="btn no-print" href="/jobs/{job.number}/report">Report</a>
</header>

{#snippet ending()}
  <CloseJob
    {ways}
    {leader}
    suspects={opinion.now.suspects.map((s) => s.fault)}
    state={state_}
    onclosejob={(payload) => write({ kind: 'job.closed', payload })}
    onreopen={(why) => write({ kind: 'job.reopened', payload: { why } })}
  />
{/snippet}

<Problems {problems} title="That did not work" />

<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
  <div class="space-y-4">
    {#if !closed || state_.decision}
      <Decide
        now={opinion.now}
        {costs}
        quotes={state_.quotes}
        decision={state_.decision}
        proposed={opinion.advice.act.repairs}
        ondecide={(payload) => write({ kind: 'repair.decided', payload })}
        onquote={(payload) => write({ kind: 'part.quoted', payload })}
        onundo={(id) => void undo(id)}
        {closed}
      />
    {/if}
    {#each state_.repairs as r (r.id)}
      <section class="card p-4" data-repaired={r.done.repairs.join('+')}>
        <div class="flex items-start gap-3">
          <div class="min-w-0 flex-1">
            <h2>{repairTitles(r.done.repairs)}</h2>
            <p class="text-ink-2 text-sm">
              Done by {r.who}, {r.done.steps.length} steps ticked{r.done.parts
                .filter((p) => p.partNo)
                .map((p) => `, part ${p.partNo}`)
                .join('')}
            </p>
            {#if r.done.why}<p class="mt-1">{r.done.why}</p>{/if}
          </div>
          {#if !closed}<button class="btn no-print" onclick={() => undo(r.id)}>Undo</button>{/if}
        </div>
      </section>
    {/each}
    {#if !closed}
      {#key `${state_.repairs.length} ${state_.decision?.id}`}
        <RepairSheet
          jobId={job.id}
          {sheet}
          {costs}
          now={opinion.now}
          proposed={state_.decision?.done.repairs ?? opinion.advice.act.repairs}
          quotes={cheapest}
          {heat}
          again={state_.repairs.length > 0}
          onwrite={async (payload, coolant) =>
            (coolant === null || (await write({ kind: 'coolant.serviced', payload: coolant }))) &&
            (await write({ kind: 'repair.done', payload }))}
        />
      {/key}
    {/if}
    {#if closed}
      {@render ending()}
      <LookedAgain
        state={state_}
        before={proofRun?.proof ?? null}
        run={recheckRun?.proof ?? null}
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
    {#if drawn && pair}
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
    <ProofList {proof} jobNumber={job.number} {told} />
    {#if !closed}{@render ending()}{/if}
  </div>
</div>
