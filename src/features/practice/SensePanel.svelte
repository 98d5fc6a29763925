<script lang="ts">
  import type { Move } from '$core/practice/moves';
  import type { PracticeNow } from '$lib/views';
  import Sight from './sights/Sight.svelte';

  interface Props {
    toSense: NonNullable<PracticeNow['view']['toSense']>;
    busy: boolean;
    onmove: (move: Move) => Promise<boolean>;
  }
  let { toSense, busy, onmove }: Props = $props();
  let said = $state<Record<string, string>>({});
  const left = $derived(toSense.senses.filter((s) => said[s.field] === undefined).length);
</script>

<section class="card border-act border-2 p-4" aria-label="What do you find?">
  <h2>{toSense.title}: what do you find?</h2>
  <p class="text-ink-2 text-sm">
    What you say is what is written down, right or not. What you leave out was not looked at.
  </p>
  <ul class="mt-2 grid gap-x-5 gap-y-4 sm:grid-cols-2 {toSense.senses.length > 3 ? 'xl:grid-cols-3' : ''}">
    {#each toSense.senses as s (s.field)}
      <li class="border-line border-t pt-2" data-sense={s.field}>
        <p class="font-semibold" id="sense-{s.field}">{s.label}</p>
        <div class="my-1"><Sight look={s.field} is={s.is} /></div>
        <div class="flex flex-wrap gap-1.5" role="group" aria-labelledby="sense-{s.field}">
          {#each s.choices as c (c.value)}
            <button
              class="btn {said[s.field] === c.value ? 'btn-main' : ''}"
              aria-pressed={said[s.field] === c.value}
              onclick={() => (said[s.field] = c.value)}>{c.label}</button
            >
          {/each}
        </div>
      </li>
    {/each}
  </ul>
  <button
    class="btn btn-main mt-4 min-h-12 px-6"
    disabled={busy}
    onclick={() => onmove({ kind: 'sense', as: { ...said } })}
    >{left > 0 ? `Save reading, ${left} not looked at` : 'Save reading'}</button
  >
</section>
