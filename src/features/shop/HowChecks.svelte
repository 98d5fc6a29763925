<script lang="ts">
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import { midSentence } from '$core/base/text';
  import { untrack } from 'svelte';
  import { CHECK_IDS, checkOf } from '$core/checks/registry';
  import { BOUGHT_TOOLS, type Tool } from '$core/measure/tools';
  import { shopChecksSchema, type ShopChecks } from '$core/record/shop-checks';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { keep } from './keep';
  import AmountInput from './AmountInput.svelte';

  let { shop }: { shop: ShopChecks } = $props();

  let without = $state<Tool[]>(untrack(() => [...shop.without]));
  let rows = $state(
    untrack(() => CHECK_IDS.map((id) => ({ id, minutes: (shop.minutes[id] ?? null) as number | null })))
  );
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  const of = (field: string) => problems.find((p) => p.field === field)?.message;
  const needing = (tool: Tool) => CHECK_IDS.filter((id) => checkOf(id).tools.includes(tool));
  const gone = $derived(CHECK_IDS.filter((id) => checkOf(id).tools.some((t) => without.includes(t))));
  const toggle = (tool: Tool) =>
    (without = without.includes(tool) ? without.filter((t) => t !== tool) : [...without, tool]);

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const said = {
      without: $state.snapshot(without),
      minutes: Object.fromEntries(rows.flatMap((r) => (r.minutes === null ? [] : [[r.id, r.minutes]])))
    };
    problems = await keep('shop.equipped', shopChecksSchema, said, 'Tools and minutes kept');
    busy = false;
  }
</script>

<form class="card p-4" onsubmit={save} aria-label="Tools and minutes" novalidate>
  <h2>Tools and minutes</h2>
  <p class="text-ink-2 mt-1 max-w-3xl">
    What is not at hand is not offered as the next check; what a check takes here is what it is weighed by.
  </p>
  <fieldset class="mt-3">
    <legend class="text-sm font-semibold">At hand</legend>
    <div class="mt-1 grid gap-x-6 sm:grid-cols-2 lg:grid-cols-4">
      {#each BOUGHT_TOOLS as tool (tool)}
        <Tick label={tool} value={!without.includes(tool)} onvalue={() => toggle(tool)}
          >{tool}
          <span class="text-ink-2 text-sm"
            >{needing(tool).length} check{needing(tool).length === 1 ? '' : 's'}</span
          ></Tick
        >
      {/each}
    </div>
  </fieldset>
  {#if gone.length > 0}
    <p class="mt-1 text-sm" role="status">
      Not offered: {gone.map((id) => checkOf(id).title).join(', ')}.
    </p>
  {/if}
  <details class="mt-2">
    <summary class="quiet-link flex min-h-11 w-fit cursor-pointer items-center"
      >Hands-on minutes of {CHECK_IDS.length} checks</summary
    >
    <div class="grid gap-x-8 lg:grid-cols-2">
      {#each rows as row, i (row.id)}
        <div class="border-line flex items-center gap-3 border-t py-1" data-check={row.id}>
          <span class="flex-1">{checkOf(row.id).title}</span>
          <AmountInput
            label="Minutes for {midSentence(checkOf(row.id).title)}"
            quiet
            placeholder={String(checkOf(row.id).minutes)}
            bind:value={rows[i].minutes}
            problem={of(`minutes.${row.id}`)}
          />
        </div>
      {/each}
    </div>
  </details>
  <div class="mt-3 space-y-3">
    <Problems {problems} title="Not kept" />
    <button class="btn btn-main" type="submit" disabled={busy}
      >{busy ? 'Keeping…' : 'Keep tools and minutes'}</button
    >
  </div>
</form>
