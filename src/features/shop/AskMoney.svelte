<script lang="ts">
  import { untrack } from 'svelte';
  import type { Problem } from '$core/base/result';
  import { shopCostsSchema, type ShopCosts } from '$core/record/shop-costs';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { keep } from './keep';

  interface Props {
    costs: ShopCosts;
  }
  let { costs }: Props = $props();
  let currency = $state(untrack(() => costs.currency));
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problems = await keep('shop.priced', shopCostsSchema, { ...costs, currency }, 'Currency saved');
    busy = false;
  }
</script>

<!-- Asked once, at the first start: every price and every choice is told in it. -->
<form
  class="card mb-4 flex flex-wrap items-center gap-x-3 gap-y-2 px-4 py-2.5"
  onsubmit={save}
  aria-label="Currency"
  novalidate
>
  <label class="flex flex-wrap items-center gap-3"
    ><span class="font-semibold">Which currency does this shop work in?</span><input
      class="field max-w-28"
      maxlength="6"
      placeholder="EUR, $"
      bind:value={currency}
    /></label
  >
  <button class="btn btn-main" type="submit" disabled={busy}>{busy ? 'Saving…' : 'Save'}</button>
  <span class="text-ink-2 text-sm"
    >A sign or three letters. <a class="quiet-link" href="/shop">Rates and prices</a></span
  >
  <Problems {problems} entry title="Not saved" />
</form>
