<script lang="ts">
  import { mayUndo } from '$lib/ui/page-state/who';
  import { RadioGroup } from 'bits-ui';
  import { midSentence, sayChance } from '$core/base/text';
  import type { Decision, Quote } from '$core/record/decision';
  import type { Entered } from '$core/record/derive';
  import { repairTitles } from '$core/record/repair-done';
  import type { RepairId } from '$core/vehicle/repairs';
  import { sayMoney } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import type { Choice } from '$core/diagnosis/decide';
  import RadioMark from '$lib/ui/inputs/RadioMark.svelte';
  import Quotes from './Quotes.svelte';

  interface Props {
    /** What is offered to decide between, the cheapest in the end first. */
    offers: readonly Choice[];
    /** The shop’s costs, with the best quotes of this job in them. */
    costs: ShopCosts;
    quotes: readonly Entered<Quote>[];
    decision: Entered<Decision> | null;
    /** What the stop rule would do. */
    proposed: readonly RepairId[];
    ondecide: (decision: Decision) => Promise<boolean>;
    onquote: (quote: Quote) => Promise<boolean>;
    onundo: (id: string) => void;
    /** The job is closed: what was decided stands. */
    closed: boolean;
  }
  let { offers, costs, quotes, decision, proposed, ondecide, onquote, onundo, closed }: Props = $props();

  const key = (repairs: readonly RepairId[]) => repairs.join('+');
  let wanted = $state<string | null>(null);
  let why = $state('');
  const chosen = $derived(offers.find((o) => key(o.repairs) === (wanted ?? key(proposed))) ?? offers[0]);

  async function decide(event: SubmitEvent) {
    event.preventDefault();
    const ok = await ondecide({
      repairs: [...chosen.repairs],
      why,
      expected: Math.round(chosen.expected),
      cures: Number(chosen.cures.toFixed(3)),
      over: offers
        .filter((o) => o !== chosen)
        .map((o) => ({ repairs: [...o.repairs], expected: Math.round(o.expected) }))
    });
    if (ok) why = '';
  }
</script>

<section class="card p-4" aria-label="Decide">
  {#if decision}
    {@const d = decision.done}
    <div class="flex items-start gap-3">
      <div class="min-w-0 flex-1" data-decided={key(d.repairs)}>
        <h2>Decided: {midSentence(repairTitles(d.repairs))}</h2>
        <p class="mt-1">{d.why}</p>
        <p class="text-ink-2 text-sm">
          By {decision.who}{d.expected === null
            ? ''
            : `; expected total ${sayMoney(d.expected, costs)}${d.cures === null ? '' : `, chance of cure ${sayChance(d.cures)}`}`}{d
            .over.length > 0
            ? `, over ${d.over
                .slice(0, 2)
                .map((o) => `${midSentence(repairTitles(o.repairs))} (${sayMoney(o.expected, costs)})`)
                .join(' and ')}`
            : ''}
        </p>
      </div>
      {#if !closed && mayUndo(decision.who)}<button class="btn no-print" onclick={() => onundo(decision.id)}
          >Undo</button
        >{/if}
    </div>
  {:else}
    <h2>Decide what to do</h2>
    <form onsubmit={decide}>
      <RadioGroup.Root
        class="mt-2"
        aria-label="What is to be done"
        value={key(chosen.repairs)}
        onValueChange={(next) => (wanted = next)}
      >
        {#each offers as o (key(o.repairs))}
          <RadioGroup.Item
            value={key(o.repairs)}
            class="border-line grid min-h-11 w-full grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 border-t py-2 text-left first:border-t-0"
            data-offer={key(o.repairs)}
          >
            {#snippet children({ checked })}
              <RadioMark {checked} />
              <span
                ><span class={checked ? 'font-semibold' : ''}>{repairTitles(o.repairs)}</span>
                <span class="text-ink-2 block text-sm"
                  >{sayMoney(o.parts, costs)} parts · {o.labourMin} min · {o.days === 0
                    ? 'no wait'
                    : `${o.days} d off the road`}</span
                ></span
              >
              <span class="text-right"
                ><span class="reading block font-semibold">{sayMoney(o.expected, costs)}</span><span
                  class="text-ink-2 text-sm">cures {sayChance(o.cures)}</span
                ></span
              >
            {/snippet}
          </RadioGroup.Item>
        {/each}
      </RadioGroup.Root>
      <label class="mt-2 block"
        ><span class="mb-1 block text-sm font-semibold">Reason</span><input
          class="field w-full"
          maxlength="500"
          bind:value={why}
        /></label
      >
      <button class="btn btn-main mt-3 min-h-14 w-full"
        >Decide: {midSentence(repairTitles(chosen.repairs))}</button
      >
    </form>
    <Quotes {quotes} {costs} asked={chosen.repairs} {onquote} {onundo} />
  {/if}
</section>
