<script lang="ts">
  import { sayChance } from '$core/base/text';
  import { sayMoney } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import { repairTitles } from '$core/record/repair-done';
  import type { Choice } from '$core/diagnosis/decide';

  interface Props {
    /** What is offered to decide between, the cheapest in the end first. */
    offers: readonly Choice[];
    costs: ShopCosts;
  }
  let { offers, costs }: Props = $props();
</script>

<section class="card p-4" aria-label="What acting would cost">
  <div class="flex flex-wrap items-baseline gap-x-4">
    <h2 class="mr-auto">What acting now would cost</h2>
    <a class="quiet-link text-sm" href="/shop">Rates and prices of the shop</a>
  </div>
  <!-- Wider than a phone: keys scroll it too. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="overflow-x-auto" role="group" aria-label="Repairs side by side" tabindex="0">
    <table class="mt-2 w-full text-sm">
      <thead class="text-ink-2 text-left">
        <tr>
          <th class="py-1 pr-3 font-normal">Repair</th>
          <th class="py-1 pr-3 text-right font-normal">Chance of cure</th>
          <th class="py-1 pr-3 text-right font-normal">Parts</th>
          <th class="py-1 pr-3 text-right font-normal">Labour</th>
          <th class="py-1 pr-3 text-right font-normal">Days off the road</th>
          <th class="py-1 text-right font-normal">Expected total</th>
        </tr>
      </thead>
      <tbody>
        {#each offers as c, i (c.repairs.join('+'))}
          <tr class="border-line border-t" data-choice={c.repairs.join('+')}>
            <td class="py-2 pr-3 {i === 0 ? 'font-semibold' : ''}">{repairTitles(c.repairs)}</td>
            <td class="reading py-2 pr-3 text-right whitespace-nowrap">{sayChance(c.cures)}</td>
            <td class="reading py-2 pr-3 text-right">{sayMoney(c.parts, costs)}</td>
            <td class="reading py-2 pr-3 text-right whitespace-nowrap">{c.labourMin} min</td>
            <td class="reading py-2 pr-3 text-right whitespace-nowrap"
              >{c.days === 0 ? '–' : `${c.days} d`}</td
            >
            <td class="reading py-2 text-right font-semibold">{sayMoney(c.expected, costs)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="text-ink-2 mt-2 text-sm">
    The expected total counts parts, labour, days off the road, and where it does not cure, the comeback and
    what is then repaired.
  </p>
</section>
