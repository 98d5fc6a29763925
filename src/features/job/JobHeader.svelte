<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { midSentence } from '$core/base/text';
  import Download from '@lucide/svelte/icons/download';
  import FileUp from '@lucide/svelte/icons/file-up';
  import Radio from '@lucide/svelte/icons/radio';
  import type { CheckId } from '$core/checks/registry';
  import { symptomText } from '$core/vehicle/symptoms';
  import { coolantWords } from '$core/record/coolant-service';
  import type { JobState } from '$core/record/derive';
  import { decisionWords } from '$core/record/decision';
  import { repairWords } from '$core/record/repair-done';
  import { complaintText } from '$core/record/describe-event';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string; note: string };
    state: JobState;
    /** The check whose sheet is open: then the head is short. */
    open: CheckId | null;
    runId: string | null;
    zone: string;
  }
  let { job, vehicle, state, open, runId, zone }: Props = $props();
  const base = $derived(`/jobs/${job.number}`);
</script>

<header class="mb-3 flex flex-wrap items-start gap-x-6 gap-y-2">
  <div class="min-w-0 flex-1 basis-96">
    <p class="text-ink-2">
      {vehicle.note ? `${vehicle.note} · ` : ''}job {job.number}, opened {when(state.openedAt, zone)}
    </p>
    <h1 class="mt-0.5">
      <a class="quiet-link" href="/vehicles/{vehicle.id}"
        ><span class="reading">{vehicle.fleetNo}</span> {vehicle.name}</a
      >
    </h1>
    {#if !open}
      <p class="mt-1 max-w-3xl text-lg leading-snug">{complaintText(state.intake)}</p>
      {#if state.intake.complaint && state.intake.symptoms.length > 0}
        <p class="text-ink-2 max-w-3xl">{state.intake.symptoms.map(symptomText).join('; ')}</p>
      {/if}
      {#if state.intake.changedBefore}<p class="text-ink-2 max-w-3xl">
          Before: {state.intake.changedBefore}
        </p>{/if}
      {#if state.coolant}<p class="text-ink-2">{inReaderUnits(coolantWords(state.coolant.service))}</p>{/if}
      {#if state.decision && state.repairs.length === 0}<p class="text-ink-2">
          {decisionWords(state.decision.done)}
        </p>{/if}
      {#each state.repairs as r (r.id)}<p class="text-ink-2">{repairWords(r.done)}</p>{/each}
      {#if state.outcome}<p class="mt-1 font-semibold">
          Closed: {state.outcome}{state.cause ? `, ${midSentence(FAULTS[state.cause].title)}` : ''}
        </p>{/if}
    {/if}
  </div>
  {#if !open}
    <div class="no-print flex flex-wrap gap-2 lg:max-w-[600px] lg:justify-end">
      <a class="btn" href="{base}/intake">Intake</a>
      <a class="btn" href="/coolant?job={job.number}">Coolant</a>
      <a
        class="btn {state.repairs.length > 0 && state.state !== 'closed' ? 'btn-main' : ''}"
        href="{base}/finish"
        >{state.state === 'closed'
          ? 'How it ended'
          : state.repairs.length > 0
            ? 'Prove and close'
            : 'Repair'}</a
      >
      <a class="btn" href="{base}/report">Report</a>
      <a class="btn" href="/api/jobs/{job.id}/job.json" download
        ><Download size={18} aria-hidden="true" />Job file</a
      >
      {#if runId}<a class="btn" href="/api/runs/{runId}/log.csv" download
          ><Download size={18} aria-hidden="true" />CSV</a
        >{/if}
      {#if state.state !== 'closed'}<a class="btn" href="{base}/live"
          ><Radio size={18} aria-hidden="true" />{state.live ? 'Recording…' : 'Record live'}</a
        >{/if}
      <a class="btn" href="{base}/import"><FileUp size={18} aria-hidden="true" />Import a log</a>
    </div>
  {/if}
</header>
