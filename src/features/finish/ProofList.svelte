<script lang="ts">
  import CircleCheck from '@lucide/svelte/icons/circle-check';
  import Circle from '@lucide/svelte/icons/circle';
  import type { Proof } from '$core/diagnosis/proof';

  interface Props {
    proof: Proof | null;
    jobNumber: number;
    inReaderUnits: (text: string) => string;
  }
  let { proof, jobNumber, inReaderUnits }: Props = $props();
</script>

<section class="card p-4" aria-label="Proof">
  <h2>Proof</h2>
  {#if !proof}
    <p class="text-ink-2 mt-2">Nothing to prove before a repair is written down.</p>
  {:else}
    <p class="mt-1" data-proven={proof.proven}>
      {proof.proven ? 'Proven by the record.' : 'Not proven yet. Only what came after the repair counts.'}
    </p>
    <ul class="mt-2">
      {#each proof.items as item (item.id)}
        <li
          class="border-line flex gap-3 border-t py-2 first:border-t-0"
          data-proof={item.id}
          data-met={item.met}
        >
          {#if item.met}<CircleCheck class="mt-0.5 shrink-0" size={20} aria-label="shown" />{:else}<Circle
              class="mt-0.5 shrink-0"
              size={20}
              aria-label="open"
            />{/if}
          <span>
            <strong class={item.met ? '' : 'text-off'}>{item.title}</strong>{item.needed
              ? ''
              : ' (not needed to close)'}
            <span class="text-ink-2 block text-sm">{inReaderUnits(item.says)}</span>
          </span>
        </li>
      {/each}
    </ul>
    {#if !proof.proven}
      <p class="no-print mt-2 flex flex-wrap gap-2">
        <a class="btn" href="/jobs/{jobNumber}/live">Record the run again</a>
        <a class="btn" href="/jobs/{jobNumber}/import">Import it</a>
        <a class="btn" href="/jobs/{jobNumber}?check=codes">Read the codes</a>
        <a class="btn" href="/jobs/{jobNumber}?check=pressure-hold">Pressure hold</a>
      </p>
    {/if}
  {/if}
</section>
