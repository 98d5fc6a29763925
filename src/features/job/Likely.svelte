<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import { sayChance, sayLikely } from '$core/base/text';
  import type { Case } from '$core/diagnosis/case';

  interface Props {
    case: Case;
    /** Where their evidence stands. */
    evidenceHref: string;
  }
  let { case: shown, evidenceHref }: Props = $props();

  const SHOWN = 3;
  const SMALL = 0.02;
  const leading = $derived(
    shown.suspected
      ? shown.opinion.now.suspects.filter((s, i) => i === 0 || s.probability >= SMALL).slice(0, SHOWN)
      : []
  );
</script>

<!-- What it is most likely, and how sure: the first suspects of the ladder below. -->
<section class="card px-4 py-2" aria-label="Likely">
  {#if leading.length > 0}
    <ol>
      {#each leading as s, i (s.fault)}
        <li class="flex flex-wrap items-baseline gap-x-3 {i === 0 ? '' : 'text-ink-2 text-sm'}">
          <span class="min-w-0 flex-1 {i === 0 ? 'text-xl font-bold' : ''}">{FAULTS[s.fault].title}</span>
          <span class="whitespace-nowrap {i === 0 ? 'font-semibold' : ''}"
            >{sayLikely(s.probability)} <span class="reading">{sayChance(s.probability)}</span></span
          >
        </li>
      {/each}
    </ol>
    <a class="quiet-link no-print flex min-h-11 w-fit items-center text-sm" href={evidenceHref}
      >Evidence and other suspects</a
    >
  {:else}
    <p class="text-xl font-bold">No suspect yet</p>
    <p class="text-ink-2 text-sm">Nothing that was told or measured points to a cause.</p>
  {/if}
</section>
