<script lang="ts">
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import { FAULTS } from '$core/faults/registry';
  import { midSentence } from '$core/base/text';
  import { untrack } from 'svelte';
  import type { Floor } from '$core/record/floor';
  import type { ShopChecks } from '$core/record/shop-checks';
  import { REPAIR_IDS, repairOf } from '$core/vehicle/repairs';
  import { shopCostsSchema, type ShopCosts } from '$core/record/shop-costs';
  import type { Problem } from '$core/base/result';
  import { ENOUGH_JOBS, type Causes } from '$core/diagnosis/history';
  import type { FaultId } from '$core/vehicle/faults';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { keep } from './keep';
  import Files from './Files.svelte';
  import { mayHere } from '$lib/ui/page-state/who';
  import FloorForm from './FloorForm.svelte';
  import HowChecks from './HowChecks.svelte';
  import AmountInput from './AmountInput.svelte';

  interface Props {
    floor: Floor;
    costs: ShopCosts;
    causes: Causes;
    shop: ShopChecks;
  }
  let { floor, costs, causes, shop }: Props = $props();

  const PARTS = REPAIR_IDS.filter((id) => repairOf(id).price !== null);
  const rowsOf = (c: ShopCosts) =>
    PARTS.map((id) => ({ id, price: c.parts[id]?.price ?? null, shelf: c.parts[id]?.shelf ?? false }));
  let form = $state(untrack(() => ({ ...costs, rows: rowsOf(costs) })));
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  const of = (field: string) => problems.find((p) => p.field === field)?.message;
  const counted = $derived(
    Object.entries(causes).toSorted((a, b) => (b[1] ?? 0) - (a[1] ?? 0)) as [FaultId, number][]
  );
  const jobs = $derived(counted.reduce((sum, [, n]) => sum + n, 0));

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const { rows, ...rest } = form;
    const own = rows.filter((r) => r.price !== null || r.shelf);
    const said = {
      ...rest,
      parts: Object.fromEntries(
        own.map((r) => [r.id, { price: r.price ?? repairOf(r.id).price!, shelf: r.shelf }])
      )
    };
    problems = await keep('shop.priced', shopCostsSchema, said, 'Rates and prices saved');
    busy = false;
  }
</script>

<h1>Shop settings</h1>
<p class="text-ink-2 mt-1 mb-4 max-w-3xl">
  What the choice between acting and checking on is reckoned with. Without prices of your own, ours are taken:
  round numbers, good for an order and no quote.
</p>

<form
  class="grid items-start gap-4 lg:grid-cols-[340px_minmax(0,1fr)]"
  onsubmit={save}
  aria-label="Rates and prices"
  novalidate
>
  <div class="space-y-4">
    <section class="card space-y-3 p-4" aria-label="Rates">
      <h2>Rates</h2>
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Currency</span><input
          class="field max-w-28"
          maxlength="6"
          bind:value={form.currency}
          placeholder="nothing"
        /></label
      >
      <AmountInput
        label="Labour rate per hour"
        bind:value={form.labourPerHour}
        problem={of('labourPerHour')}
      />
      <AmountInput
        label="Cost of a comeback besides labour"
        bind:value={form.comeback}
        problem={of('comeback')}
      />
      <AmountInput
        label="Cost of a wrong cause on record"
        hint="The next job is misled by it"
        bind:value={form.misnamed}
        problem={of('misnamed')}
      />
      <AmountInput
        label="Cost of a day off the road"
        bind:value={form.dayOffRoad}
        problem={of('dayOffRoad')}
      />
      <AmountInput
        label="Days until an ordered part is here"
        hint="On average: half the gap between two ferries"
        bind:value={form.leadDays}
        problem={of('leadDays')}
      />
    </section>
    <section class="card p-4" aria-label="This shop’s causes">
      <h2>Causes so far</h2>
      {#if jobs === 0}
        <p class="text-ink-2 mt-2">No job has been closed with its cause yet.</p>
      {:else}
        <p class="text-ink-2 mt-1 text-sm">
          {jobs} closed jobs with their cause. {jobs < ENOUGH_JOBS
            ? `From ${ENOUGH_JOBS} on they bend how likely a suspect is before anything is measured.`
            : 'They bend how likely a suspect is before anything is measured.'}
        </p>
        <ul class="mt-2 text-sm">
          {#each counted.slice(0, 12) as [fault, n] (fault)}
            <li class="flex gap-3 py-0.5">
              <span class="flex-1">{FAULTS[fault].title}</span><span class="reading">{n}</span>
            </li>
          {/each}
        </ul>
      {/if}
    </section>
  </div>
  <section class="card p-4" aria-label="Parts">
    <h2>Parts</h2>
    <table class="mt-2 w-full">
      <thead class="text-ink-2 text-left text-sm">
        <tr
          ><th class="py-1 font-normal">For</th><th class="py-1 pl-3 font-normal">Your price</th><th
            class="py-1 pl-3 font-normal">In stock</th
          ></tr
        >
      </thead>
      <tbody>
        {#each form.rows as row, i (row.id)}
          <tr class="border-line border-t" data-part={row.id}>
            <td class="py-1 pr-3">{repairOf(row.id).title}</td>
            <td class="py-1 pl-3"
              ><AmountInput
                label="Price of {midSentence(repairOf(row.id).title)}"
                quiet
                placeholder={String(repairOf(row.id).price)}
                bind:value={form.rows[i].price}
                problem={of(`parts.${row.id}.price`)}
              /></td
            >
            <td class="py-1 pl-3"
              ><Tick label="{repairOf(row.id).title} in stock" quiet bind:value={form.rows[i].shelf} /></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <div class="mt-4 space-y-3">
      <Problems {problems} entry title="Not saved" />
      <button class="btn btn-main" type="submit" disabled={busy}>{busy ? 'Saving…' : 'Save'}</button>
    </div>
  </section>
</form>

<div class="mt-4 space-y-4">
  <HowChecks {shop} /><FloorForm {floor} />{#if mayHere('owner')}<Files />{/if}
</div>
