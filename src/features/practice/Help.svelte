<script lang="ts">
  import type { Move } from '$core/practice/moves';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';

  interface Props {
    view: PracticeNow['view'];
    busy: boolean;
    onmove: (move: Move) => Promise<boolean>;
  }
  let { view, busy, onmove }: Props = $props();
</script>

<section class="card p-4" aria-label="Help">
  <h2>Help</h2>
  {#each view.hint as h (h)}<p class="mt-1" data-hint>{inReaderUnits(h)}</p>{/each}
  {#if view.opinion}
    <ul class="mt-2" data-opinion>
      {#each view.opinion as o (o.fault)}
        <li class="flex gap-2">
          <span class="mr-auto">{o.title}</span><span class="reading"
            >{Math.round(o.probability * 100)} %</span
          >
        </li>
      {/each}
    </ul>
  {/if}
  <div class="mt-2 grid grid-cols-2 gap-2">
    <button class="btn" disabled={busy || view.hint.length >= 3} onclick={() => onmove({ kind: 'hint' })}
      >Hint, −3</button
    >
    <button class="btn" disabled={busy || view.opinion !== null} onclick={() => onmove({ kind: 'opinion' })}
      >Opinion, −8</button
    >
  </div>
</section>
