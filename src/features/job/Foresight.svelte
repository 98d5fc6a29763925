<script lang="ts">
  import { FAULTS } from '$core/faults/registry';
  import type { FaultId } from '$core/vehicle/faults';
  import { midSentence, sayChance } from '$core/base/text';
  import type { Asked, Foreseen } from '$core/diagnosis/next';
  import { posteriorOf } from '$core/diagnosis/posterior';

  interface Props {
    foreseen: readonly Foreseen[];
    asked: Asked;
  }
  let { foreseen, asked }: Props = $props();

  const SHOWN = 4;
  const RARE = 0.02;
  const now = $derived(posteriorOf(asked.findings, asked.sheet, asked.history));
  const before = (fault: FaultId) => now.suspects.find((s) => s.fault === fault)?.probability ?? 0;
  const after = (f: Foreseen, fault: FaultId) =>
    f.after.suspects.find((s) => s.fault === fault)?.probability ?? 0;

  /** Of what a result speaks for, or else of what it moves most: from what to what. */
  function moved(f: Foreseen): string {
    const fault = (f.finds.length > 0 ? f.finds : now.suspects.slice(0, 8).map((s) => s.fault)).reduce(
      (a, b) => (Math.abs(after(f, b) - before(b)) > Math.abs(after(f, a) - before(a)) ? b : a)
    );
    const [from, to] = [sayChance(before(fault)), sayChance(after(f, fault))];
    return from === to ? 'nothing changes' : `${midSentence(FAULTS[fault].title)} from ${from} to ${to}`;
  }
</script>

<ul class="text-ink-2 mt-1 space-y-1 text-sm">
  {#each foreseen.filter((f, i) => i === 0 || f.probability >= RARE).slice(0, SHOWN) as f (f.seen)}
    <li class="flex gap-2">
      <span class="reading w-12 shrink-0 text-right whitespace-nowrap">{sayChance(f.probability)}</span>
      <span>If {f.seen}: {moved(f)}</span>
    </li>
  {:else}
    <li>It would change nothing that is suspected now.</li>
  {/each}
</ul>
