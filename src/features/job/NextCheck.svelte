<script lang="ts">
  import { sayChance, sayLikely, sentence } from '$core/base/text';
  import { checkOf } from '$core/checks/registry';
  import { repairTitles } from '$core/record/repair-done';
  import { sayMoney } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import type { Advice } from '$core/diagnosis/decide';
  import { foresee, type Asked } from '$core/diagnosis/next';
  import type { Planned } from '$core/diagnosis/plan';
  import type { ThermalState } from '$core/physics/heat/state';
  import Foresight from './Foresight.svelte';

  interface Props {
    next: Planned | null;
    /** What else could be done, the best first. */
    others: readonly Planned[];
    asked: Asked;
    advice: Advice | null;
    costs: ShopCosts;
    heat: ThermalState;
    /** A danger stands, and what runs the engine waits. */
    held: boolean;
    /** Where the repair is decided and done. */
    repairHref: string;
    onopen: (id: Planned['id']) => void;
  }
  let { next, others, asked, advice, costs, heat, held, repairHref, onopen }: Props = $props();

  const ALTERNATIVES = 4;
  const gone = $derived(
    next && heat.phase === 'cold' && next.check.needsSoak
      ? ' Once the key is turned it is gone until the next soak.'
      : ''
  );
  const first = $derived(next?.heldBack ?? '');
  const stops = $derived(advice?.actNow === true);
  const act = $derived(advice ? repairTitles(advice.act.repairs) : '');
  let looking = $state<Planned['id'] | null>(null);
  const shown = $derived(
    looking && [next, ...others].some((p) => p?.id === looking) ? looking : (next?.id ?? null)
  );
  const foreseen = $derived(shown ? foresee(shown, asked) : []);
</script>

<section class="card border-act border-2 px-4 py-2.5" aria-label="Next check">
  {#if stops && advice}
    <div class="flex items-center gap-x-5">
      <div class="min-w-0 flex-1">
        <p>
          <span class="text-ink-2">Ready to repair:</span>
          <strong class="text-xl leading-tight" data-act={advice.act.repairs.join('+')}>{act}</strong>
        </p>
        <p class="text-ink-2 leading-snug">
          {sentence(sayLikely(advice.act.cures))} to cure it ({sayChance(advice.act.cures)}). {advice.check
            ? `Another check would cost more than it can save: ${Math.round(advice.check.minutesToSure)} min and ${sayMoney(advice.check.toSureCosts, costs)} against an expected ${sayMoney(advice.unsureCosts, costs)}.`
            : 'No check that is left would change much.'}
        </p>
      </div>
      <a class="btn btn-main no-print min-h-14 px-6 max-md:hidden" href={repairHref}>Repair</a>
    </div>
    <a
      class="btn btn-main no-print fixed inset-x-3 bottom-16 z-20 min-h-14 shadow-lg md:hidden"
      href={repairHref}>{act}</a
    >
    {#if next}
      <button class="quiet-link min-h-11" data-next={next.id} onclick={() => onopen(next.id)}
        >Check further: {next.check.title} <kbd class="reading opacity-80">N</kbd></button
      >
    {/if}
  {:else if next}
    <div class="flex items-center gap-x-5">
      <div class="min-w-0 flex-1">
        <p>
          <span class="text-ink-2">Next</span>
          <strong class="text-xl leading-tight" data-next={next.id}>{next.check.title}</strong>
          <span class="text-ink-2 whitespace-nowrap">{next.minutes} min</span>
        </p>
        <p class="text-ink-2 leading-snug">
          {next.why}. {next.check.tools.join(', ')}.{first ? ` ${first}.` : ''}{gone}
        </p>
      </div>
      <button class="btn btn-main min-h-14 px-6 max-md:hidden" onclick={() => onopen(next.id)}
        >Start <kbd class="reading opacity-80">N</kbd></button
      >
    </div>
    <!-- Under the thumb, wherever the page is. -->
    <button
      class="btn btn-main no-print fixed inset-x-3 bottom-16 z-20 min-h-14 shadow-lg md:hidden"
      onclick={() => onopen(next.id)}>Start: {next.check.title}</button
    >
  {:else}
    <p>
      <strong class="text-xl leading-tight"
        >{held ? 'First the danger above' : 'No remaining check is worth the time'}</strong
      >
    </p>
    <p class="text-ink-2 leading-snug">
      {held
        ? 'What else would tell the suspects apart runs the engine, and waits for it.'
        : 'Every check that could tell the suspects apart is done.'}
    </p>
  {/if}
  {#if next}
    <details class="mt-0.5">
      <summary class="quiet-link flex min-h-11 w-fit cursor-pointer items-center text-sm"
        >What each result would mean, other checks</summary
      >
      <div class="grid gap-x-6 gap-y-2 pb-2 sm:grid-cols-2">
        <div>
          <p class="text-sm font-semibold">{shown ? checkOf(shown).title : ''}</p>
          <Foresight {foreseen} {asked} />
        </div>
        {#if others.length > 0}
          <ul>
            {#each others.slice(0, ALTERNATIVES) as other (other.id)}
              <li class="border-line flex min-h-11 items-center gap-3 border-t first:border-t-0">
                <button class="quiet-link flex-1 text-left text-sm" onclick={() => onopen(other.id)}
                  >{other.check.title}
                  <span class="text-ink-2 whitespace-nowrap">{other.minutes} min</span></button
                >
                <button
                  class="btn my-1 min-h-11 px-2 text-sm"
                  aria-pressed={shown === other.id}
                  onclick={() => (looking = shown === other.id ? null : other.id)}>Preview</button
                >
              </li>
            {/each}
          </ul>
        {/if}
      </div>
    </details>
  {/if}
</section>
