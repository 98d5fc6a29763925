<script lang="ts">
  import type { Move } from '$core/practice/moves';
  import { heatVar } from '$lib/ui/plots/heat';
  import { shown } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';
  import { basisText, phaseTitle, waitText } from '../job/words';

  interface Props {
    view: PracticeNow['view'];
    mine: boolean;
    busy: boolean;
    onmove: (move: Move) => Promise<boolean>;
  }
  let { view, mine, busy, onmove }: Props = $props();
  const { heat } = $derived(view);
  // The bay keeps the world's clock: it has no place.
  const wait = $derived(waitText(heat, view.at, 'UTC'));
  const WAITS = [
    { hours: 1, says: 'Let it stand 1 h' },
    { hours: 4, says: '4 h' },
    { hours: 15, says: 'Overnight' }
  ];
</script>

<section
  class="card flex flex-wrap items-center gap-2 border-l-6 p-4"
  style="border-left-color: {heat.coolantC === null ? 'var(--line-strong)' : heatVar(heat.coolantC)}"
  aria-label="The engine now"
>
  <div class="mr-auto">
    <p data-phase={heat.phase} aria-live="polite">
      <strong class="text-xl">{view.running ? 'Engine runs' : phaseTitle(heat)}</strong>
      {#if heat.coolantC !== null && !view.running}<span class="reading ml-1 text-xl font-bold"
          >about {shown(heat.coolantC, 'temperature', 0)}</span
        >{/if}
    </p>
    <p class="text-ink-2 text-sm">{basisText(heat, view.at)}{wait ? ` · ${wait}` : ''}</p>
  </div>
  {#if mine}
    {#if view.running}<button class="btn" disabled={busy} onclick={() => onmove({ kind: 'stop-engine' })}
        >Engine off</button
      >{/if}
    {#each WAITS as w (w.hours)}<button
        class="btn"
        disabled={busy}
        onclick={() => onmove({ kind: 'wait', hours: w.hours })}>{w.says}</button
      >{/each}
    <button class="btn" disabled={busy} onclick={() => onmove({ kind: 'fill' })}>Fill coolant</button>
  {/if}
</section>
