<script lang="ts">
  import type { SpecSheet } from '$core/formats/spec-sheet';
  import type { FaultId } from '$core/plant/faults';
  import { deriveJob } from '$core/record/derive';
  import type { EventInput, RecordEvent } from '$core/record/events';
  import { factsOf, judgeChecks, type RunHeat } from '$core/record/judged';
  import { repairTitles } from '$core/record/repair-done';
  import type { ShopCosts } from '$core/repair/costs';
  import { opinionOf } from '$core/repair/opinion';
  import { closings, proofOf, type ProofRun } from '$core/repair/proof';
  import type { Problem } from '$core/result';
  import type { Causes } from '$core/suspects/history';
  import type { RankedRun } from '$core/suspects/findings';
  import type { KnownFact } from '$core/thermal/facts';
  import { shopCurves } from '$lib/ui/curves';
  import Problems from '$lib/ui/Problems.svelte';
  import { record, withWaiting } from '$lib/ui/record.svelte';
  import { told } from '$lib/ui/units';
  import CloseJob from './CloseJob.svelte';
  import ProofList from './ProofList.svelte';
  import RepairSheet from './RepairSheet.svelte';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string };
    sheet: SpecSheet | null;
    events: readonly RecordEvent[];
    otherHeat: readonly KnownFact[];
    runs: readonly (RankedRun & { heat: RunHeat; proof: ProofRun })[];
    costs: ShopCosts;
    causes: Causes;
  }
  let { job, vehicle, sheet, events: known, otherHeat, runs, costs, causes }: Props = $props();

  const stream = $derived(`job:${job.id}`);
  const events = $derived(withWaiting(stream, known));
  const state_ = $derived(deriveJob(events)!);
  const standing = $derived(runs.filter((r) => state_.runIds.includes(r.id)));
  const judged = $derived(
    judgeChecks(
      state_,
      [
        ...otherHeat,
        ...factsOf(
          state_,
          standing.map((r) => r.heat)
        )
      ],
      sheet,
      shopCurves()
    )
  );
  const last = $derived(state_.repairs.at(-1) ?? null);
  const proof = $derived(
    last ? proofOf({ repairedAt: last.at, done: judged, runs: standing.map((r) => r.proof), sheet }) : null
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

  async function write(body: EventInput): Promise<boolean> {
    const answer = await record(stream, body, crypto.randomUUID());
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
  async function undo(of: string) {
    await write({ kind: 'undo', payload: { of } });
  }
</script>

<header class="mb-4">
  <p class="text-ink-2">
    <a class="quiet-link" href="/jobs/{job.number}">Job {job.number}</a> · {vehicle.fleetNo}
    {vehicle.name}
  </p>
  <h1>Repair, proof, close</h1>
  <p class="text-ink-2 mt-1 max-w-3xl">
    The maker’s service information comes first: its order, its values and its cautions go before what stands
    here.
  </p>
</header>

<Problems {problems} title="That did not work" />

<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
  <div class="space-y-4">
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
      {#key state_.repairs.length}
        <RepairSheet
          jobId={job.id}
          {sheet}
          {costs}
          now={opinion.now}
          proposed={opinion.advice.act.repairs}
          again={state_.repairs.length > 0}
          onwrite={(payload) => write({ kind: 'repair.done', payload })}
        />
      {/key}
    {/if}
  </div>
  <div class="space-y-4">
    <ProofList {proof} jobNumber={job.number} {told} />
    <CloseJob
      {ways}
      {leader}
      suspects={opinion.now.suspects.map((s) => s.fault)}
      state={state_}
      onclosejob={(payload) => write({ kind: 'job.closed', payload })}
      onreopen={(why) => write({ kind: 'job.reopened', payload: { why } })}
    />
  </div>
</div>
