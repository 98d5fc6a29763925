<script lang="ts">
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import { untrack } from 'svelte';
  import { toast } from 'svelte-sonner';
  import { goto } from '$app/navigation';
  import { MOST_PCT } from '$core/physics/coolant/mixture';
  import { coolantServiceSchema, type CoolantService } from '$core/record/coolant-service';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import type { CoolantJob } from './types';

  interface Props {
    job: CoolantJob;
    pct: number;
    /** Null where nobody knows what the engine holds. */
    volumeL: number | null;
    last: CoolantService | null;
  }
  let { job, pct, volumeL, last }: Props = $props();

  let outL = $state<number | null>(null);
  let inL = $state<number | null>(null);
  let withPct = $state<number | null>(50);
  let nowPct = $state<number | null>(null);
  let odometerKm = $state<number | null>(untrack(() => last?.odometerKm ?? null));
  let renewed = $state(false);
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);

  /** By the balance of what stayed in and what was poured in, where it was not measured. */
  const reckoned = $derived(
    volumeL === null || outL === null || inL === null || withPct === null
      ? null
      : ((volumeL - outL) * pct + inL * withPct) / Math.max(0.1, volumeL - outL + inL)
  );
  const of = (field: string) => problems.find((p) => p.field === field)?.message;

  async function write(event: SubmitEvent) {
    event.preventDefault();
    const read = coolantServiceSchema.safeParse({
      outL: outL ?? 0,
      inL: inL ?? 0,
      withPct: withPct ?? 0,
      nowPct: nowPct ?? Math.min(MOST_PCT, reckoned ?? pct),
      renewed,
      odometerKm
    });
    problems = read.success
      ? []
      : read.error.issues.map((i) => ({ field: i.path.map(String).join('.'), message: i.message }));
    if (!read.success) return;
    busy = true;
    const id = crypto.randomUUID();
    const answer = await record(`job:${job.id}`, { kind: 'coolant.serviced', payload: read.data }, id);
    busy = false;
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    toast(`Written into job ${job.number}`, {
      action: {
        label: 'Undo',
        onClick: () => void record(`job:${job.id}`, { kind: 'undo', payload: { of: id } })
      }
    });
    await goto(`/jobs/${job.number}`);
  }
</script>

<form class="card space-y-3 p-4" aria-label="Write it into the job" onsubmit={write}>
  <h2>Write it into job {job.number}</h2>
  <div class="grid grid-cols-2 gap-3">
    <QuantityInput
      label="Drained"
      kind="volume"
      bind:value={outL}
      problem={of('outL')}
      hint="measured, not guessed"
    />
    <QuantityInput label="Refilled with" kind="volume" bind:value={inL} problem={of('inL')} />
    <QuantityInput label="of a mixture" kind="share" bind:value={withPct} problem={of('withPct')} />
    <QuantityInput
      label="Mixture now"
      kind="share"
      bind:value={nowPct}
      problem={of('nowPct')}
      hint={reckoned === null ? 'by refractometer' : `${reckoned.toFixed(0)} % reckoned`}
    />
    <QuantityInput label="Odometer" kind="distance" bind:value={odometerKm} problem={of('odometerKm')} />
    <div class="pt-6"><Tick label="All of it is new" bind:value={renewed} /></div>
  </div>
  {#if outL !== null && inL !== null && Math.abs(outL - inL) > 0.3}
    <p class="text-sm">
      {inL > outL
        ? `${shown(inL - outL, 'volume')} more went in than came out: it was low, or it is still bleeding.`
        : `${shown(outL - inL, 'volume')} less went in than came out: bleed it, and look at the level again.`}
    </p>
  {/if}
  <Problems problems={problems.filter((p) => !p.field)} title="Not saved yet" />
  <button class="btn btn-main w-full" disabled={busy || job.closed}
    >{job.closed ? 'The job is closed' : 'Save coolant service'}</button
  >
</form>
