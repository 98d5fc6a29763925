<script lang="ts">
  import CircleCheck from '~icons/lucide/circle-check';
  import Circle from '~icons/lucide/circle';
  import { checkOf } from '$core/checks/registry';
  import type { Proof } from '$core/diagnosis/proof';
  import type { EventInput } from '$core/record/events';
  import type { SymptomId } from '$core/vehicle/symptoms';

  type Tried = Extract<EventInput, { kind: 'complaint.tried' }>['payload'];
  interface Props {
    proof: Proof | null;
    jobNumber: number;
    /** The job is open: what is open can be done. */
    open: boolean;
    inReaderUnits: (text: string) => string;
    /** A complaint was tried again by a person. */
    ontry: (tried: Tried) => void;
    /** No code was stored after the drive. */
    onnocodes: () => void;
  }
  let { proof, jobNumber, open, inReaderUnits, ontry, onnocodes }: Props = $props();
  const complaintOf = (id: string) => id.slice('complaint/'.length) as SymptomId;
</script>

<section class="card p-4" aria-label="Proof">
  <h2>Proof</h2>
  {#if !proof}
    <p class="text-ink-2 mt-2">Nothing to prove until a repair is saved.</p>
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
          <div class="min-w-0 flex-1">
            <strong class={item.met ? '' : 'text-off'}>{item.title}</strong>{item.needed
              ? ''
              : ' (not needed to close)'}
            <span class="text-ink-2 block text-sm">{inReaderUnits(item.says)}</span>
            {#if open && item.id.startsWith('complaint/')}
              <span class="no-print mt-1 flex flex-wrap gap-2">
                {#if !item.met}<button
                    type="button"
                    class="btn"
                    onclick={() => ontry({ what: complaintOf(item.id), gone: true })}
                    >Tried again: gone</button
                  >{/if}
                <button
                  type="button"
                  class="btn"
                  onclick={() => ontry({ what: complaintOf(item.id), gone: false })}>Still there</button
                >
              </span>
            {/if}
          </div>
          {#if open && !item.met && item.check}
            {#if item.id === 'run'}
              <span class="no-print flex flex-col gap-2">
                <a class="btn" href="/jobs/{jobNumber}/live">Record it</a>
                <a class="btn" href="/jobs/{jobNumber}/import">Import it</a>
              </span>
            {:else}
              <span class="no-print flex flex-col gap-2 self-start">
                {#if item.check === 'codes'}<button type="button" class="btn" onclick={onnocodes}
                    >No code stored</button
                  >{/if}
                <a class="btn" href="/jobs/{jobNumber}?check={item.check}">{checkOf(item.check).title}</a>
              </span>
            {/if}
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</section>
