<script lang="ts">
  import { mayUndo } from '$lib/ui/page-state/who';
  import Select from '$lib/ui/inputs/Select.svelte';
  import type { Quote } from '$core/record/decision';
  import type { Entered } from '$core/record/derive';
  import { REPAIR_IDS, repairOf, type RepairId } from '$core/vehicle/repairs';
  import { quoteCosts, sayMoney } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import AmountInput from '$features/shop/AmountInput.svelte';

  interface Props {
    quotes: readonly Entered<Quote>[];
    costs: ShopCosts;
    /** The repairs that are being thought of: their parts are asked for first. */
    asked: readonly RepairId[];
    onquote: (quote: Quote) => Promise<boolean>;
    onundo: (id: string) => void;
  }
  let { quotes, costs, asked, onquote, onundo }: Props = $props();

  const bought = REPAIR_IDS.filter((id) => repairOf(id).price !== null);
  const first = $derived(asked.find((id) => bought.includes(id)) ?? bought[0]);
  let wanted = $state<RepairId | null>(null);
  const repair = $derived(wanted ?? first);
  let supplier = $state('');
  let partNo = $state('');
  let price = $state<number | null>(null);
  let days = $state<number | null>(null);
  /** The cheapest in the end, the wait counted in. */
  const sorted = $derived(
    [...quotes].sort(
      (a, b) =>
        a.done.repair.localeCompare(b.done.repair) || quoteCosts(a.done, costs) - quoteCosts(b.done, costs)
    )
  );
  const best = (q: Entered<Quote>) => sorted.find((o) => o.done.repair === q.done.repair) === q;

  async function add(event: SubmitEvent) {
    event.preventDefault();
    // A field that was left open is no number: the entry's own check says so by name.
    const quote = { repair, supplier, partNo, price: price ?? NaN, days: days ?? NaN };
    if (await onquote(quote)) [supplier, partNo, price, days] = ['', '', null, null];
  }
</script>

<details class="border-line no-print mt-3 border-t pt-2" open={quotes.length > 0}>
  <summary class="min-h-11 cursor-pointer py-2 font-semibold"
    >Quotes from suppliers{quotes.length > 0 ? ` (${quotes.length})` : ''}</summary
  >
  {#if sorted.length > 0}
    <ul class="mb-2">
      {#each sorted as q (q.id)}
        <li
          class="border-line flex items-center gap-3 border-t py-1 first:border-t-0"
          data-quote={q.done.supplier}
        >
          <span class="min-w-0 flex-1"
            ><span class={best(q) ? 'font-semibold' : ''}
              >{repairOf(q.done.repair).title}, {q.done.supplier}</span
            >{q.done.partNo ? ` · ${q.done.partNo}` : ''}<span class="text-ink-2 block text-sm"
              >{sayMoney(q.done.price, costs)}, {q.done.days === 0 ? 'in stock' : `${q.done.days} d`}; with
              the wait {sayMoney(quoteCosts(q.done, costs), costs)}{best(q) ? ': counted with' : ''}</span
            ></span
          >
          {#if mayUndo(q.who)}
            <button
              class="btn"
              onclick={() => onundo(q.id)}
              aria-label="Remove the quote of {q.done.supplier}">Undo</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
  <form class="grid grid-cols-2 gap-3" onsubmit={add}>
    <Select
      label="Part of"
      choices={bought.map((id) => ({ value: id, label: repairOf(id).title }))}
      value={repair}
      onvalue={(id) => (wanted = id as RepairId)}
    />
    <label class="block"
      ><span class="mb-1 block text-sm font-semibold">Supplier</span><input
        class="field w-full"
        maxlength="60"
        bind:value={supplier}
      /></label
    >
    <label class="block"
      ><span class="mb-1 block text-sm font-semibold">Part number</span><input
        class="field w-full"
        maxlength="60"
        bind:value={partNo}
      /></label
    >
    <div class="flex gap-3">
      <AmountInput label="Price" bind:value={price} />
      <AmountInput label="Delivery, days" bind:value={days} />
    </div>
    <button class="btn col-span-2">Add the quote</button>
  </form>
</details>
