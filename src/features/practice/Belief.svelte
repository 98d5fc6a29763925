<script lang="ts">
  import { untrack } from 'svelte';
  import type { Move, Share } from '$core/practice/moves';
  import Select from '$lib/ui/inputs/Select.svelte';
  import SliderInput from '$lib/ui/inputs/SliderInput.svelte';

  interface Props {
    suspects: readonly { readonly id: Share['fault']; readonly title: string }[];
    belief: readonly Share[];
    busy: boolean;
    /** Whether it was taken. */
    onmove: (move: Move) => Promise<boolean>;
  }
  let { suspects, belief, busy, onmove }: Props = $props();
  let shares = $state<Share[]>(untrack(() => [...belief]));
  let said = $state(untrack(() => belief.length > 0));
  const left = $derived(Math.round(100 * (1 - shares.reduce((sum, s) => sum + s.share, 0))));
  const titleOf = (id: string) => suspects.find((s) => s.id === id)!.title;
  const others = $derived(suspects.filter((s) => !shares.some((o) => o.fault === s.id)));

  function add(id: string | null) {
    const found = suspects.find((s) => s.id === id);
    if (found) shares = [...shares, { fault: found.id, share: Math.min(0.2, Math.max(0, left / 100)) }];
    said = false;
  }
  function set(i: number, percent: number) {
    // What one takes is left by the others as far as it must be.
    const most = 1 - shares.reduce((sum, s, j) => (j === i ? sum : sum + s.share), 0);
    shares = shares.map((s, j) => (j === i ? { ...s, share: Math.min(most, percent / 100) } : s));
    said = false;
  }
  async function say() {
    said = await onmove({ kind: 'believe', shares: shares.filter((s) => s.share > 0) });
  }
</script>

<section class="card p-4" aria-label="What I believe">
  <h2>What I believe</h2>
  <ul class="mt-2 space-y-2">
    {#each shares as s, i (s.fault)}
      <li class="flex items-end gap-3">
        <div class="grow">
          <SliderInput
            label={titleOf(s.fault)}
            min={0}
            max={100}
            step={5}
            value={Math.round(s.share * 100)}
            onvalue={(v) => set(i, v)}
          />
        </div>
        <span class="reading w-14 pb-2 text-right font-bold" data-share={s.fault}
          >{Math.round(s.share * 100)} %</span
        >
      </li>
    {/each}
  </ul>
  <div class="mt-2">
    <Select
      label="Add a suspect"
      quiet
      blank="Add a suspect"
      choices={others.map((s) => ({ value: s.id, label: s.title }))}
      value={null}
      onvalue={add}
    />
  </div>
  <p class="text-ink-2 mt-2 text-sm">{left} % for everything else.</p>
  <button class="btn mt-2 w-full" disabled={busy || shares.length === 0 || said} onclick={say}
    >{said ? 'Said' : 'Say so'}</button
  >
</section>
