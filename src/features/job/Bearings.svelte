<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import type { FaultId } from '$core/vehicle/faults';
  import type { Finding } from '$core/diagnosis/finding';
  import { bearingsOn } from '$core/diagnosis/posterior';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    fault: FaultId;
    findings: readonly Finding[];
  }
  let { fault, findings }: Props = $props();
</script>

<ul class="text-ink-2 space-y-1.5 pb-3 text-sm">
  {#each bearingsOn(fault, findings) as { finding, decibans } (finding.id)}
    <li class="flex gap-3">
      <span class="reading w-16 shrink-0 text-right {decibans > 0 ? 'text-ink font-semibold' : ''}"
        >{decibans > 0 ? '+' : '−'}{Math.abs(decibans).toFixed(0)} dB</span
      >
      <span
        ><strong class="text-ink">{finding.title}</strong>, {decibans > 0 ? 'for' : 'against'}: {inReaderUnits(
          finding.says
        )}</span
      >
    </li>
  {:else}
    <li>Nothing bears on it yet: this is how often it happens.</li>
  {/each}
  <li>{FAULTS[fault].confirm} settles it.</li>
</ul>
