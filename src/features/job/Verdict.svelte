<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import Check from '~icons/lucide/check';
  import ChevronDown from '~icons/lucide/chevron-down';
  import CircleCheck from '~icons/lucide/circle-check';
  import CircleHelp from '~icons/lucide/circle-question-mark';
  import Dot from '~icons/lucide/dot';
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import {
    explainedBy,
    groupedBlindSpots,
    notShownSpots,
    verdictSentence,
    verdictTitle
  } from '$core/runs/words';
  import { midSentence, sayChance, sentence } from '$core/base/text';
  import type { Analysis } from '$core/runs/analyse';

  interface Props {
    analysis: Analysis;
  }
  let { analysis }: Props = $props();

  const tone = $derived(
    analysis.verdict === 'none' ? 'good' : analysis.verdict === 'not-enough' ? 'open' : 'off'
  );
  const shown = $derived(explainedBy(analysis.suspects).slice(0, 5));

  const notShown = $derived(notShownSpots(analysis));
  const blind = $derived(groupedBlindSpots(notShown));
</script>

<section class="card overflow-hidden" aria-label="Verdict">
  <div
    class="border-l-6 p-4 {tone === 'good'
      ? 'border-good bg-good-wash'
      : tone === 'off'
        ? 'border-off bg-off-wash'
        : 'border-line-strong bg-well'}"
  >
    <p class="text-sm font-semibold">{tone === 'open' ? 'This run' : 'Best match for this run'}</p>
    <h2 class="mt-0.5 flex items-center gap-2 text-2xl" data-verdict={analysis.verdict}>
      {#if tone === 'good'}<CircleCheck size={26} aria-hidden="true" />{:else if tone === 'off'}<TriangleAlert
          size={26}
          aria-hidden="true"
        />{:else}<CircleHelp size={26} aria-hidden="true" />{/if}
      {verdictTitle(analysis)}
    </h2>
    <p class="mt-1.5">{verdictSentence(analysis)}</p>
  </div>

  <div class="p-4">
    <h3 class="font-bold">What could explain it</h3>
    <ol class="mt-2 space-y-2.5">
      {#each shown as s (s.faults[0])}
        <li>
          <div class="flex items-baseline gap-3">
            <span>{s.title}</span><span class="reading ml-auto">{sayChance(s.probability)}</span>
          </div>
          <div class="bg-well mt-1 h-2 rounded-full" aria-hidden="true">
            <div class="bg-ink h-2 rounded-full" style="width: {Math.max(1, s.probability * 100)}%"></div>
          </div>
          {#if s.alike.length > 0}<p class="text-ink-2 mt-1 text-sm">
              Looks the same in a log: {s.alike.map((id) => midSentence(FAULTS[id].title)).join(', ')}
            </p>{/if}
          {#if s.faults[0] !== 'none' && s === shown[0]}<p class="text-ink-2 mt-1 text-sm">
              To confirm: {FAULTS[s.faults[0]].confirm}
            </p>{/if}
        </li>
      {/each}
    </ol>
  </div>

  <div class="border-line border-t p-4">
    <h3 class="font-bold">Evidence</h3>
    <ul class="mt-2 space-y-1.5">
      {#each analysis.evidence as e, i (i)}
        <li class="grid grid-cols-[26px_1fr] gap-x-1 {e.state === 'off' ? 'text-off font-semibold' : ''}">
          <span class="pt-0.5">
            {#if e.state === 'off'}<TriangleAlert
                size={18}
                aria-label="Off"
              />{:else if e.state === 'as-expected'}<Check size={18} aria-label="As expected" />{:else}<Dot
                size={18}
                aria-label="Note"
              />{/if}
          </span>
          <span>{inReaderUnits(e.text)}</span>
        </li>
      {/each}
    </ul>
  </div>

  {#if blind.length > 0}
    <details class="border-line group border-t" open={tone !== 'off'}>
      <summary class="flex min-h-14 w-full cursor-pointer list-none items-center gap-2 px-4 font-bold">
        What this run could not show <span class="text-ink-2 reading font-normal">{notShown.length}</span>
        <ChevronDown
          class="ml-auto transition-transform group-open:rotate-180"
          size={20}
          aria-hidden="true"
        />
      </summary>
      <div class="px-4 pb-4">
        <ul class="space-y-3">
          {#each blind as b (b.because + b.toShow)}
            <li>
              <p class="font-semibold">{b.titles.join(', ')}</p>
              <p class="text-ink-2 text-sm">
                {inReaderUnits(sentence(b.because))}.
                <span class="text-ink">{inReaderUnits(b.toShow)}.</span>
              </p>
            </li>
          {/each}
        </ul>
      </div>
    </details>
  {/if}
</section>
