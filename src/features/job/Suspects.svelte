<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { midSentence, sayChance, sayLikely } from '$core/base/text';
  import type { Case } from '$core/diagnosis/case';
  import type { OwnFinding } from '$core/record/own-finding';
  import type { FaultId } from '$core/vehicle/faults';
  import { repairOf } from '$core/vehicle/repairs';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import Bearings from './Bearings.svelte';
  import OwnFindings from './OwnFindings.svelte';

  interface Props {
    case: Case;
    /** The job is closed: its evidence stands as it is. */
    closed: boolean;
    onadd: (finding: OwnFinding) => Promise<boolean>;
    onundo: (id: string) => void;
  }
  let { case: shown, closed, onadd, onundo }: Props = $props();

  const SHOWN = 5;
  const LEAST = 3;
  const SMALL = 0.02;
  const { opinion, popular } = $derived(shown);
  const { asked, now, leans } = $derived(opinion);
  /** While a repaired job is open, what was seen since stands apart from what the repair rests on. */
  const before = $derived(opinion === shown.opinionBefore ? null : shown.opinionBefore.now.suspects[0]);
  const leading = $derived(
    now.suspects.filter((s, i) => i < LEAST || s.probability >= SMALL).slice(0, SHOWN)
  );
  const pair = $derived(now.hypotheses.find((h) => h.faults.length === 2 && h.probability > 0.1) ?? null);
  const nameOf = (fault: FaultId) => FAULTS[fault].title;
  let adding = $state<{ fault: FaultId; way: OwnFinding['way'] } | null>(null);
</script>

<section
  class="card grid gap-x-8 gap-y-4 p-4 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]"
  aria-label="Suspects"
>
  <div>
    <h2>{before ? 'Suspects, from what was seen since the repair' : 'Suspects'}</h2>
    {#if before}
      <p class="text-ink-2 mt-1 text-sm">
        Before the repair: {midSentence(nameOf(before.fault))}
        <span class="reading whitespace-nowrap">{sayChance(before.probability)}</span>
      </p>
    {/if}
    <ol class="mt-2">
      {#each leading as s (s.fault)}
        <li class="border-line border-t first:border-t-0" data-suspect={s.fault}>
          <details>
            <summary class="flex min-h-11 cursor-pointer items-center gap-3 py-1">
              <span class="min-w-0 flex-1">{nameOf(s.fault)}</span>
              <span class="text-ink-2 text-sm max-sm:hidden">{sayLikely(s.probability)}</span>
              <span class="bg-well h-2.5 w-24 shrink-0 rounded-full sm:w-32" aria-hidden="true"
                ><span
                  class="bg-ink block h-2.5 rounded-full"
                  style:width="{Math.max(2, 100 * s.probability)}%"
                ></span></span
              >
              <span class="reading w-16 shrink-0 text-right font-semibold whitespace-nowrap"
                >{sayChance(s.probability)}</span
              >
            </summary>
            <Bearings fault={s.fault} findings={asked.findings} />
            {#if !closed}
              <div class="flex flex-wrap gap-2 pb-3">
                <button class="btn" onclick={() => (adding = { fault: s.fault, way: 'against' })}
                  >Rule out…</button
                >
                <button class="btn" onclick={() => (adding = { fault: s.fault, way: 'for' })}
                  >Add a finding for it…</button
                >
              </div>
            {/if}
          </details>
        </li>
      {/each}
    </ol>
    {#if pair}<p class="mt-1 text-sm">
        Two at once, {midSentence(nameOf(pair.faults[0]))} and {midSentence(nameOf(pair.faults[1]))}: {sayChance(
          pair.probability
        )}. Each share counts the cause alone and beside another, so together they may pass 100 %.
      </p>{/if}
    {#if now.impossible.length > 0}
      <details class="text-ink-2 mt-1 text-sm">
        <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
          >{now.impossible.length} not on this vehicle</summary
        >
        <p class="pb-2">{now.impossible.map((i) => `${nameOf(i.fault)} (${i.because})`).join(', ')}</p>
      </details>
    {/if}
  </div>
  <div class="space-y-4">
    <div>
      <h2>Second opinion</h2>
      {#if popular}
        <p class="mt-2" data-popular>
          Often replaced first for this complaint:
          <strong>the {midSentence(repairOf(popular.repair).title)}</strong>. Here that is {sayLikely(
            popular.probability
          )} (<span class="reading">{sayChance(popular.probability)}</span>).{popular.because
            ? ` Strongest ${popular.because.decibans > 0 ? 'for' : 'against'} it: ${midSentence(popular.because.finding.title)}, ${midSentence(inReaderUnits(popular.because.finding.says))}.`
            : ''}
        </p>
      {/if}
      {#if leans.length > 0}
        <p class="mt-2">If one of these is wrong, the answer changes:</p>
        <ul class="ml-5 list-disc">
          {#each leans.slice(0, 3) as { finding, then } (finding.id)}
            <li>
              <strong>{finding.title}</strong>: without it {midSentence(nameOf(then))} would lead.
            </li>
          {/each}
        </ul>
      {:else}
        <p class="text-ink-2 mt-2">
          {asked.findings.length > 1
            ? 'The answer stands even if any one finding is wrong.'
            : 'So far there is only the complaint.'}
        </p>
      {/if}
    </div>
    <OwnFindings
      own={shown.state.own}
      {closed}
      {adding}
      possible={now.suspects.map((s) => s.fault)}
      {onadd}
      {onundo}
      onclose={() => (adding = null)}
    />
  </div>
</section>
