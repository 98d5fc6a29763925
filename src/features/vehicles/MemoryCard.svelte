<script lang="ts">
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import { sayTrait, spanWords, traitTitle, type Memory } from '$core/handover/memory/memory';
  import { sayDeltaC } from '$core/units/say';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    memory: Memory;
  }
  let { memory }: Props = $props();
</script>

<section class="card p-4" aria-label="Normal behaviour">
  <h2>Normal behaviour</h2>
  <p class="text-ink-2 text-sm">
    {memory.runs} run{memory.runs === 1 ? '' : 's'}{memory.since ? ' since its last repair' : ''}, the weather
    taken out.
  </p>
  {#each memory.warnings as warning (warning)}
    <p class="text-off mt-2 flex gap-2 font-semibold" data-warning>
      <TriangleAlert class="mt-0.5 shrink-0" size={20} aria-hidden="true" />{inReaderUnits(warning)}
    </p>
  {/each}
  <table class="mt-2 w-full text-sm">
    <tbody>
      {#each memory.typical as t (t.trait)}
        {@const drift = memory.drifts.find((d) => d.trait === t.trait)}
        <tr class="border-line border-t" data-trait={t.trait}>
          <th class="py-1.5 pr-3 text-left font-semibold">{traitTitle(t.trait)}</th>
          <td class="reading py-1.5 pr-3 text-right whitespace-nowrap"
            >{inReaderUnits(`${sayTrait(t.trait, t.celsius)} ± ${sayDeltaC(t.withinC)}`)}</td
          >
          <td class="text-ink-2 py-1.5"
            >{#if drift}{inReaderUnits(
                `last three ${drift.byC > 0 ? '+' : '−'}${sayDeltaC(Math.abs(drift.byC))} ± ${sayDeltaC(drift.withinC)}`
              )} against {spanWords(drift.then)}{:else}{t.runs} run{t.runs === 1 ? '' : 's'}{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</section>
