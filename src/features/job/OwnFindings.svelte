<script lang="ts">
  import type { FaultId } from '$core/vehicle/faults';
  import { mayUndo } from '$lib/ui/page-state/who';
  import { ownWords, type OwnFinding } from '$core/record/own-finding';
  import { later } from '$lib/ui/page-state/later.svelte';

  interface Props {
    own: readonly { readonly id: string; readonly who: string; readonly finding: OwnFinding }[];
    /** What was asked for on the ladder; null while nothing is being added there. */
    adding: { readonly fault: FaultId; readonly way: OwnFinding['way'] } | null;
    possible: readonly FaultId[];
    /** The job is closed: nothing is added or taken back. */
    closed: boolean;
    onadd: (finding: OwnFinding) => Promise<boolean>;
    onundo: (id: string) => void;
    onclose: () => void;
  }
  let { own, closed, adding, possible, onadd, onundo, onclose }: Props = $props();

  const form = later(() => import('./OwnFindingForm.svelte'));
  let open = $state(false);

  $effect(() => {
    if (adding) void show();
  });

  async function show() {
    open = await form.get();
  }
  function close() {
    open = false;
    onclose();
  }
</script>

{#if !closed || own.length > 0}
  <div>
    <h3>Your own findings</h3>
    {#if own.length > 0}
      <ul class="mt-1">
        {#each own as { id, who, finding } (id)}
          <li class="border-line flex items-center gap-3 border-t py-1 text-sm first:border-t-0">
            <span class="min-w-0 flex-1">{ownWords(finding)}</span>
            {#if !closed && mayUndo(who)}<button class="btn min-h-11 px-3" onclick={() => onundo(id)}
                >Remove</button
              >{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if open && form.part}
      <form.part asked={adding} {possible} {onadd} onclose={close} />
    {:else if !closed}
      <button class="quiet-link min-h-11 text-sm" onclick={show}>Add a finding of your own</button>
    {/if}
  </div>
{/if}
