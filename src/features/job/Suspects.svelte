<script lang="ts">
  import type { FaultId } from '$core/vehicle/faults';
  import type { OwnFinding } from '$core/record/own-finding';
  import { repairOf } from '$core/vehicle/repairs';
  import { midSentence } from '$core/base/text';
  import { SUSPECTS } from '$core/vehicle/fault-words';
  import type { Asked } from '$core/diagnosis/next';
  import { popularFirst } from '$core/diagnosis/popular';
  import { bearingsOn, leaningOn, posteriorOf } from '$core/diagnosis/posterior';
  import type { Symptom } from '$core/vehicle/symptoms';
  import { told } from '$lib/ui/page-state/units';
  import Bearings from './Bearings.svelte';
  import OwnFindings from './OwnFindings.svelte';
  import { pct } from './words';

  interface Props {
    asked: Asked;
    symptoms: readonly Symptom[];
    codes: readonly string[];
    own: readonly { readonly id: string; readonly finding: OwnFinding }[];
    onadd: (finding: OwnFinding) => Promise<boolean>;
    onundo: (id: string) => void;
  }
  let { asked, symptoms, codes, own, onadd, onundo }: Props = $props();

  const SHOWN = 5;
  const LEAST = 3;
  const SMALL = 0.02;
  const now = $derived(posteriorOf(asked.findings, asked.sheet, asked.history));
  const leading = $derived(
    now.suspects.filter((s, i) => i < LEAST || s.probability >= SMALL).slice(0, SHOWN)
  );
  const leans = $derived(leaningOn(asked.findings, asked.sheet, asked.history).slice(0, 2));
  const pair = $derived(now.hypotheses.find((h) => h.faults.length === 2 && h.probability > 0.1) ?? null);
  const nameOf = (fault: FaultId) => SUSPECTS[fault].title;
  const chance = (fault: FaultId) => now.suspects.find((s) => s.fault === fault)?.probability ?? 0;

  /** The part that most would change first, with what speaks most about it. */
  const popular = $derived.by(() => {
    const [id] = popularFirst(symptoms, codes, asked.sheet);
    if (!id) return null;
    const { title, cures } = repairOf(id);
    const able = cures.filter((f) => !now.impossible.some((i) => i.fault === f));
    if (able.length === 0) return null;
    // What people have in mind with that part is what the complaint points at.
    const complaint = asked.findings.filter((f) => f.group === 'complaint');
    const pointed = (f: FaultId) => complaint.reduce((sum, c) => sum + (c.llr[f] ?? 0), 0);
    const meant = able.reduce((x, y) => (pointed(y) > pointed(x) ? y : x));
    return {
      title,
      chance: able.reduce((sum, f) => sum + chance(f), 0),
      because: bearingsOn(meant, asked.findings).filter((b) => b.finding.group !== 'complaint')[0] ?? null
    };
  });
  let adding = $state<{ fault: FaultId; way: OwnFinding['way'] } | null>(null);
</script>

<section
  class="card grid gap-x-8 gap-y-4 p-4 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]"
  aria-label="Suspects"
>
  <div>
    <h2>Suspects</h2>
    <ol class="mt-2">
      {#each leading as s (s.fault)}
        <li class="border-line border-t first:border-t-0" data-suspect={s.fault}>
          <details>
            <summary class="flex min-h-11 cursor-pointer items-center gap-3 py-1">
              <span class="min-w-0 flex-1">{nameOf(s.fault)}</span>
              <span class="bg-well h-2.5 w-28 shrink-0 rounded-full sm:w-40" aria-hidden="true"
                ><span
                  class="bg-ink block h-2.5 rounded-full"
                  style:width="{Math.max(2, 100 * s.probability)}%"
                ></span></span
              >
              <span class="reading w-16 shrink-0 text-right font-semibold whitespace-nowrap"
                >{pct(s.probability)}</span
              >
            </summary>
            <Bearings fault={s.fault} findings={asked.findings} />
            <div class="flex flex-wrap gap-2 pb-3">
              <button class="btn" onclick={() => (adding = { fault: s.fault, way: 'against' })}
                >Exclude…</button
              >
              <button class="btn" onclick={() => (adding = { fault: s.fault, way: 'for' })}
                >Add what speaks for it…</button
              >
            </div>
          </details>
        </li>
      {/each}
    </ol>
    {#if pair}<p class="mt-1 text-sm">
        Two at once, {midSentence(nameOf(pair.faults[0]))} and {midSentence(nameOf(pair.faults[1]))}: {pct(
          pair.probability
        )}.
      </p>{/if}
    {#if now.impossible.length > 0}
      <details class="text-ink-2 mt-1 text-sm">
        <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
          >{now.impossible.length} that this vehicle cannot have</summary
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
          Often changed first for this: <strong>{midSentence(popular.title)}</strong>. Here it is the cause
          with <span class="reading font-semibold">{pct(popular.chance)}</span>{popular.because
            ? `. What weighs most ${popular.because.decibans > 0 ? 'for' : 'against'} it, ${midSentence(popular.because.finding.title)}: ${midSentence(told(popular.because.finding.says))}`
            : ''}.
        </p>
      {/if}
      {#each leans as { finding, then } (finding.id)}
        <p class="mt-2">
          <span class="text-ink-2">What would have to be wrong:</span>
          <strong>{midSentence(finding.title)}</strong>. Without it {midSentence(nameOf(then))} would lead.
        </p>
      {:else}
        <p class="text-ink-2 mt-2">
          {asked.findings.length > 1
            ? 'No single finding carries this: whichever were wrong, the same suspect would lead.'
            : 'So far only the complaint speaks.'}
        </p>
      {/each}
    </div>
    <OwnFindings
      {own}
      {adding}
      possible={now.suspects.map((s) => s.fault)}
      {onadd}
      {onundo}
      onclose={() => (adding = null)}
    />
  </div>
</section>
