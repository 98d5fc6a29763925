<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import type { FaultId } from '$core/vehicle/faults';
  import { sayOdds, sayWeight } from '$core/base/text';
  import type { Finding } from '$core/diagnosis/finding';
  import { bearingsOn } from '$core/diagnosis/posterior';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    fault: FaultId;
    findings: readonly Finding[];
  }
  let { fault, findings }: Props = $props();
  const bearings = $derived(bearingsOn(fault, findings));
  let figures = $state(false);
</script>

<ul class="text-ink-2 space-y-1.5 pb-3 text-sm">
  {#each bearings as { finding, decibans } (finding.id)}
    <li class="flex gap-3">
      <span class="w-28 shrink-0 {decibans > 0 ? 'text-ink font-semibold' : ''}"
        >{sayWeight(decibans)}
        {decibans > 0 ? 'for' : 'against'}{#if figures}
          <span class="reading block text-xs font-normal">{sayOdds(decibans)}</span>{/if}</span
      >
      <span><strong class="text-ink">{finding.title}</strong>: {inReaderUnits(finding.says)}</span>
    </li>
  {:else}
    <li>No evidence yet. This is how common it is.</li>
  {/each}
  <li>{FAULTS[fault].confirm} settles it.</li>
  {#if bearings.length > 0}
    <li>
      <button class="quiet-link min-h-11" aria-pressed={figures} onclick={() => (figures = !figures)}
        >{figures ? 'Hide the figures' : 'Show the figures'}</button
      >
    </li>
  {/if}
</ul>
