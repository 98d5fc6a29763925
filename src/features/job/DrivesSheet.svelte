<script lang="ts">
  import { midSentence, sayLikely } from '$core/base/text';
  import { FAULTS } from '$core/faults/registry';
  import Paper from '$lib/ui/Paper.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import type { DrivesOnPaper } from '$lib/views';

  interface Props {
    sheet: DrivesOnPaper;
    zone: string;
  }
  let { sheet, zone }: Props = $props();

  const done = $derived(sheet.drives.filter((d) => d.doneBy).length);
</script>

<Paper
  href="/jobs/{sheet.number}"
  leads="Back to the job"
  back={sheet.back}
  code={sheet.code}
  scan="Scan to drop the log in"
  cautions={[
    'The logger lies fast, its cable away from pedals and belts. Nobody reads it while driving.',
    'Above the stop limit: load off, stop, engine off. Do not open the cap.'
  ]}
>
  {#snippet head()}
    <h1><span class="reading">{sheet.vehicle.fleetNo}</span> {sheet.vehicle.name}</h1>
    <p class="mt-1">{sheet.complaint}</p>
    <p class="text-sm">
      Drives with a logger, job {sheet.number}, {when(sheet.now, zone)}.
      {#if sheet.drives.length > 0}{done} of {sheet.drives.length} done.{/if}
    </p>
  {/snippet}
  <section class="mt-4">
    <h2>Log</h2>
    <p>
      Coolant, intake air, engine speed, road speed and load, once a second{sheet.hasFan
        ? '; the fan’s command or speed where it can be read'
        : ''}. Begin before the first start of the day, on an engine that stood overnight, and let it run on
      for ten minutes after the stop.
    </p>
  </section>
  <section class="mt-4">
    <h2>Drives</h2>
    {#if sheet.drives.length === 0}
      <p>No drive would tell more about what is suspected now.</p>
    {/if}
    <ul class="mt-1">
      {#each sheet.drives as drive (drive.text)}
        <li class="grid grid-cols-[2rem_minmax(0,1fr)] gap-x-2 border-t border-current py-2" data-drive>
          <span class="mt-0.5 grid size-6 place-items-center border-2 border-current" aria-hidden="true"
            >{drive.doneBy ? '×' : ''}</span
          >
          <div>
            <p class="font-bold">{inReaderUnits(drive.text)}</p>
            <p class="text-sm">
              Shows {#each drive.shows as s, i (s.fault)}{i > 0 ? ', ' : ''}{midSentence(
                  FAULTS[s.fault].title
                )} ({sayLikely(s.probability)}){/each}.{drive.doneBy ? ` Done: ${drive.doneBy}.` : ''}
            </p>
          </div>
        </li>
      {/each}
    </ul>
  </section>
  {#if sheet.unseen.length > 0}
    <p class="mt-4 text-sm">
      No log shows {sheet.unseen.map((f) => midSentence(FAULTS[f].title)).join(', ')}: checked here.
    </p>
  {/if}
</Paper>
