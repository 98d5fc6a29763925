<script lang="ts">
  import { goto } from '$app/navigation';
  import { FAULTS } from '$core/faults/registry';
  import { midSentence } from '$core/base/text';
  import FileUp from '~icons/lucide/file-up';
  import Radio from '~icons/lucide/radio';
  import type { CheckId } from '$core/checks/registry';
  import { symptomText } from '$core/vehicle/symptoms';
  import { coolantWords } from '$core/record/coolant-service';
  import type { JobState } from '$core/record/derive';
  import { decisionWords } from '$core/record/decision';
  import { repairWords } from '$core/record/repair-done';
  import { complaintText } from '$core/record/describe-event';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';

  import PencilLine from '~icons/lucide/pencil-line';
  import { toast } from 'svelte-sonner';
  import AddPhoto from '$lib/ui/inputs/AddPhoto.svelte';
  import { NOTE_ID } from './Note.svelte';

  interface Props {
    job: { id: string; number: number };
    vehicle: { id: string; fleetNo: string; name: string; note: string };
    state: JobState;
    /** The check whose sheet is open: then the head is short. */
    open: CheckId | null;
    runId: string | null;
    /** Its repair, proof and end are what is shown below. */
    closing?: boolean;
    zone: string;
  }
  let { job, vehicle, state, open, runId, closing = false, zone }: Props = $props();
  const base = $derived(`/jobs/${job.number}`);
  const more = $derived([
    { href: `${base}/intake`, label: 'Intake', file: undefined },
    { href: `/coolant?job=${job.number}`, label: 'Coolant', file: undefined },
    { href: `${base}/report`, label: 'Report', file: undefined },
    { href: `${base}/plan`, label: 'Plan on paper', file: undefined },
    { href: `${base}/drives`, label: 'Drives on paper', file: undefined },
    // A log of a vehicle that left with a logger; an open job has a button for it.
    ...(state.state === 'closed' ? [{ href: `${base}/import`, label: 'Import a log', file: undefined }] : []),
    { href: `/api/jobs/${job.id}/job.json`, label: 'Job file', file: '' },
    ...(runId ? [{ href: `/api/runs/${runId}/log.csv`, label: 'CSV', file: '' }] : [])
  ]);
  /** The field is on the job's page. */
  function writeNote() {
    const field = document.getElementById(NOTE_ID);
    if (field) field.focus();
    else void goto(`${base}#${NOTE_ID}`);
  }
  /** What else is known of the job before anything is measured, and what was done. */
  const told = $derived(
    [
      state.intake.complaint && state.intake.symptoms.length > 0
        ? state.intake.symptoms.map(symptomText).join('; ')
        : '',
      state.intake.changedBefore ? `Before: ${state.intake.changedBefore}` : '',
      state.coolant ? inReaderUnits(coolantWords(state.coolant.service)) : '',
      state.decision && state.repairs.length === 0 ? decisionWords(state.decision.done) : '',
      ...state.repairs.map((r) => repairWords(r.done))
    ].filter(Boolean)
  );
</script>

<header class="mb-2">
  <div class="flex flex-wrap items-center gap-x-5 gap-y-1">
    <h1 class="min-w-0 text-xl md:text-2xl">
      <a class="quiet-link" href="/vehicles/{vehicle.id}"
        ><span class="reading">{vehicle.fleetNo}</span> {vehicle.name}</a
      >
    </h1>
    {#if !open}
      <p class="min-w-0 flex-1 basis-72 leading-snug">{complaintText(state.intake)}</p>
      <div class="no-print flex flex-wrap gap-2 max-md:[&>.btn]:px-2.5 max-md:[&>.btn]:text-sm">
        {#if state.state !== 'closed'}
          <a class="btn" href="{base}/import"><FileUp size={18} aria-hidden="true" />Import a log</a>
          <a class="btn" href="{base}/live"
            ><Radio size={18} aria-hidden="true" />{state.live ? 'Recording…' : 'Record live'}</a
          >
        {/if}
        {#if closing}
          <a class="btn" href={base}>Plan and curve</a>
        {:else}
          <a
            class="btn {state.repairs.length > 0 && state.state !== 'closed' ? 'btn-main' : ''}"
            href="{base}/finish"
            >{state.state === 'closed'
              ? 'How it ended'
              : state.repairs.length > 0
                ? 'Prove and close'
                : 'Repair'}</a
          >
        {/if}
      </div>
    {/if}
  </div>
  {#if !open}
    <div class="text-ink-2 flex flex-wrap items-center gap-x-4 text-sm">
      <p class="min-w-0 flex-1 basis-96">
        {[vehicle.note, `job ${job.number}, opened ${when(state.openedAt, zone)}`, ...told]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {#if state.state !== 'closed'}
        <!-- What is seen is kept with one tap. -->
        <div class="no-print flex gap-x-4">
          <AddPhoto
            stream="job:{job.id}"
            caption=""
            label="Photo"
            quiet
            ondone={([problem]) =>
              toast(problem ? `${problem.field ?? 'The photo'} ${problem.message}` : 'Photo added')}
          />
          <button class="quiet-link flex min-h-11 items-center gap-1" onclick={writeNote}
            ><PencilLine size={16} aria-hidden="true" />Note</button
          >
        </div>
      {/if}
      <nav class="no-print flex flex-wrap gap-x-4" aria-label="More of this job">
        {#each more as { href, label, file } (label)}<a
            class="quiet-link flex min-h-11 items-center"
            {href}
            download={file}>{label}</a
          >{/each}
      </nav>
    </div>
    {#if state.outcome}<p class="font-semibold">
        Closed: {state.outcome}{state.cause ? `, ${midSentence(FAULTS[state.cause].title)}` : ''}
      </p>{/if}
  {/if}
</header>
