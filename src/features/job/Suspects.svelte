<script lang="ts">
  import * as Comlink from 'comlink';
  import type { CheckId } from '$core/checks/registry';
  import { checkOf } from '$core/checks/registry';
  import type { SpecSheet } from '$core/formats/spec-sheet';
  import type { FaultId } from '$core/plant/faults';
  import { SUSPECTS } from '$core/suspects/catalogue';
  import type { Finding } from '$core/suspects/findings';
  import { openChecks, type Foreseen, type Worth } from '$core/suspects/next';
  import { bearingsOn, leaningOn, posteriorOf } from '$core/suspects/posterior';
  import { midSentence } from '$core/run/words';
  import type { ThermalState } from '$core/thermal/state';
  import { told } from '$lib/ui/units';
  import type { WorthWorker } from '$lib/workers/worth';
  import WorthThread from '$lib/workers/worth?worker';

  interface Props {
    findings: readonly Finding[];
    done: Parameters<typeof openChecks>[0];
    sheet: SpecSheet | null;
    heat: ThermalState;
    onopen: (id: CheckId) => void;
  }
  let { findings, done, sheet, heat, onopen }: Props = $props();

  const SHOWN = 5;
  const SMALL = 0.02;
  /** A check that takes less uncertainty away than this is not worth an engine’s warm-up. */
  const LITTLE_BITS = 0.04;
  const now = $derived(posteriorOf(findings, sheet));
  const leading = $derived(now.suspects.filter((s, i) => i === 0 || s.probability >= SMALL).slice(0, SHOWN));
  const leans = $derived(leaningOn(findings, sheet).slice(0, 2));
  const pair = $derived(now.hypotheses.find((h) => h.faults.length === 2 && h.probability > 0.1) ?? null);
  const pct = (p: number) => (p < 0.01 ? '< 1 %' : p > 0.99 ? '> 99 %' : `${Math.round(100 * p)} %`);
  const nameOf = (fault: FaultId) => SUSPECTS[fault].title;

  // What a check is worth takes some tenths of a second: asked of a worker, the last question counts.
  const question = $derived(
    JSON.stringify({ findings, sheet, state: { phase: heat.phase }, open: openChecks(done) })
  );
  let worth = $state.raw<Worth[] | null>(null);
  $effect(() => {
    const asked = question;
    const thread = new WorthThread();
    void Comlink.wrap<WorthWorker>(thread)
      .worth(JSON.parse(asked) as Parameters<WorthWorker['worth']>[0])
      .then((answer) => (worth = answer))
      .catch(() => (worth = []));
    return () => thread.terminate();
  });

  const before = (fault: FaultId) => now.suspects.find((s) => s.fault === fault)?.probability ?? 0;
  const after = (f: Foreseen, fault: FaultId) =>
    f.after.suspects.find((s) => s.fault === fault)?.probability ?? 0;
  /** What a result would do, told of the suspect it moves most. */
  function preview(f: Foreseen): string {
    const fault =
      f.finds ??
      now.suspects.reduce((a, b) =>
        Math.abs(after(f, b.fault) - b.probability) > Math.abs(after(f, a.fault) - a.probability) ? b : a
      ).fault;
    const what = f.finds ? `If it speaks for ${midSentence(nameOf(f.finds))}` : 'If it clears what it can';
    return `${what}: ${f.finds ? '' : `${midSentence(nameOf(fault))} `}from ${pct(before(fault))} to ${pct(after(f, fault))}`;
  }
</script>

<section
  class="card grid gap-x-8 gap-y-4 p-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
  aria-label="Suspects"
>
  <div>
    <h2>Suspects</h2>
    <ol class="mt-2">
      {#each leading as s (s.fault)}
        {@const bears = bearingsOn(s.fault, findings)}
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
            <ul class="text-ink-2 space-y-1.5 pb-3 text-sm">
              {#each bears as { finding, decibans } (finding.id)}
                <li class="flex gap-3">
                  <span
                    class="reading w-16 shrink-0 text-right {decibans > 0 ? 'text-ink font-semibold' : ''}"
                    >{decibans > 0 ? '+' : '−'}{Math.abs(decibans).toFixed(0)} dB</span
                  >
                  <span
                    ><strong class="text-ink">{finding.title}</strong>, {decibans > 0 ? 'for' : 'against'}: {told(
                      finding.says
                    )}</span
                  >
                </li>
              {:else}
                <li>Nothing bears on it yet: this is how often it happens.</li>
              {/each}
              <li>{SUSPECTS[s.fault].confirm} settles it.</li>
            </ul>
          </details>
        </li>
      {/each}
    </ol>
    {#if pair}<p class="mt-1 text-sm">
        Two at once, {midSentence(nameOf(pair.faults[0]))} and {midSentence(nameOf(pair.faults[1]))}: {pct(
          pair.probability
        )}.
      </p>{/if}
    {#each leans as { finding, then } (finding.id)}
      <p class="text-ink-2 mt-1 text-sm">
        It rests on <strong class="text-ink">{midSentence(finding.title)}</strong>: were that wrong, {midSentence(
          nameOf(then)
        )} would lead.
      </p>
    {/each}
    {#if now.impossible.length > 0}
      <details class="text-ink-2 mt-1 text-sm">
        <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
          >{now.impossible.length} that this vehicle cannot have</summary
        >
        <p class="pb-2">{now.impossible.map((i) => `${nameOf(i.fault)} (${i.because})`).join(', ')}</p>
      </details>
    {/if}
  </div>
  <div aria-live="polite">
    <h2>Worth checking most</h2>
    {#if worth === null}
      <p class="text-ink-2 mt-2">Weighing the checks…</p>
    {:else if !worth[0] || worth[0].bits < LITTLE_BITS}
      <p class="text-ink-2 mt-2">
        No check that is left would change much. {SUSPECTS[leading[0].fault].confirm}
        {leading[0].fault === 'none' ? '' : 'confirms it before a part is bought.'}
      </p>
    {:else}
      {@const best = worth[0]}
      <p class="mt-2 text-lg" data-worth={best.id}>
        <button class="quiet-link text-left font-bold" onclick={() => onopen(best.id)}
          >{checkOf(best.id).title}</button
        >
        <span class="text-ink-2 text-base whitespace-nowrap"
          >{checkOf(best.id).minutes} min{best.minutes > checkOf(best.id).minutes
            ? `, and ${best.minutes - checkOf(best.id).minutes} to have the engine there`
            : ''}</span
        >
      </p>
      <ul class="text-ink-2 mt-1 space-y-1 text-sm">
        {#each best.foreseen.slice(0, 3) as f (f.finds)}<li>
            <span class="reading whitespace-nowrap">{pct(f.probability)}</span>
            {preview(f)}
          </li>{/each}
      </ul>
      {#if worth.length > 1}
        <p class="mt-3 text-sm font-semibold">Or</p>
        <ul>
          {#each worth.slice(1, 4) as w (w.id)}
            <li class="border-line flex min-h-11 items-center gap-3 border-t first:border-t-0">
              <button class="quiet-link flex-1 text-left" onclick={() => onopen(w.id)}
                >{checkOf(w.id).title}</button
              >
              <span class="text-ink-2 text-sm whitespace-nowrap">{w.minutes} min</span>
              <span class="reading text-sm whitespace-nowrap" title="Of what the first is worth, for the time"
                >{Math.round((100 * w.rate) / best.rate)} %</span
              >
            </li>
          {/each}
        </ul>
      {/if}
    {/if}
  </div>
</section>
