<script lang="ts">
  import { untrack } from 'svelte';
  import { afterDrains, exchangeFor, freezesC, MOST_PCT } from '$core/physics/coolant/mixture';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown } from '$lib/ui/page-state/units';

  interface Props {
    volumeL: number;
    fromPct: number;
    needed: number | null;
  }
  let { volumeL, fromPct, needed }: Props = $props();

  let start = $state<number | null>(null);
  let withPct = $state<number | null>(50);
  let drainedL = $state<number | null>(untrack(() => Math.round(0.7 * volumeL * 10) / 10));
  let target = $state<number | null>(null);
  const from = $derived(start ?? fromPct);
  const wanted = $derived(target ?? Math.max(50, Math.ceil(needed ?? 0)));
  const bounded = (pct: number | null) => pct !== null && (pct < 0 || pct > 100);
  const share = $derived(drainedL === null ? 0 : Math.min(1, Math.max(0, drainedL / volumeL)));
  const steps = $derived(withPct === null || share <= 0 ? [] : afterDrains(from, withPct, share, 4));
  const protects = (pct: number) => (pct <= MOST_PCT ? shown(freezesC(pct), 'temperature', 0) : '–');
  /** Concentrate where the mixture is too weak, water where it is too strong. */
  const purePct = $derived(wanted > from ? 100 : 0);
  const swap = $derived(exchangeFor(volumeL, from, wanted, purePct));
</script>

<section class="card space-y-3 p-4" aria-label="Drain and fill">
  <h2>Drain and fill</h2>
  <div class="grid grid-cols-3 gap-3">
    <QuantityInput
      label="Mixture now"
      kind="share"
      bind:value={start}
      hint={start === null ? `${Math.round(fromPct)} % taken` : ''}
      problem={bounded(start) ? 'From 0 to 100 %' : undefined}
    />
    <QuantityInput
      label="Drain"
      kind="volume"
      bind:value={drainedL}
      problem={drainedL !== null && (drainedL < 0 || drainedL > volumeL)
        ? `At most ${shown(volumeL, 'volume')}`
        : undefined}
    />
    <QuantityInput
      label="Refill with"
      kind="share"
      bind:value={withPct}
      problem={bounded(withPct) ? 'From 0 to 100 %' : undefined}
    />
  </div>
  {#if steps.every((pct) => Math.abs(pct - from) < 0.05)}
    <p class="text-ink-2" data-drains>
      {drainedL === null || withPct === null
        ? 'What each drain comes to stands here once it is known how much comes out and what goes in.'
        : `Filled with the same mixture it stays ${from.toFixed(1)} %.`}
    </p>
  {:else}
    <table class="w-full text-right" data-drains>
      <thead class="text-ink-2 text-sm"
        ><tr
          ><th class="py-1 text-left font-normal">After drain</th><th class="font-normal">Mixture</th><th
            class="font-normal">First ice</th
          ><th class="font-normal">Used</th></tr
        ></thead
      >
      <tbody>
        {#each steps as pct, i (i)}
          <tr class="border-line border-t"
            ><td class="py-1.5 text-left">{i + 1}</td><td class="reading font-semibold">{pct.toFixed(1)} %</td
            ><td class="reading">{protects(pct)}</td><td class="reading"
              >{shown((i + 1) * share * volumeL, 'volume')}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
  <div class="border-line grid grid-cols-[140px_1fr] items-start gap-3 border-t pt-3">
    <QuantityInput
      label="Target mixture"
      kind="share"
      bind:value={target}
      hint={target === null ? `${wanted} % taken` : ''}
      problem={target !== null && (target < 0 || target > MOST_PCT) ? `From 0 to ${MOST_PCT} %` : undefined}
    />
    <p class="pt-7" data-top-up>
      {#if swap === null}
        Cannot be reached by one exchange with {purePct === 100 ? 'concentrate' : 'water'}.
      {:else if swap === 0}
        Target reached.
      {:else}
        Let out <strong class="reading">{shown(swap, 'volume')}</strong> and fill up with {purePct === 100
          ? 'concentrate'
          : 'water'}: {wanted} %, first ice at {protects(wanted)}.
      {/if}
    </p>
  </div>
</section>
