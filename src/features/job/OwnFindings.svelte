<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { FAULTS } from '$core/faults/registry';
  import type { FaultId } from '$core/vehicle/faults';
  import { OWN_WEIGHTS, ownFindingSchema, ownWords, type OwnFinding } from '$core/record/own-finding';
  import type { Problem } from '$core/base/result';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';

  interface Props {
    own: readonly { readonly id: string; readonly finding: OwnFinding }[];
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

  let open = $state(false);
  let fault = $state<FaultId>('none');
  let way = $state<string | null>('for');
  let weight = $state<string | null>('finding');
  let says = $state('');
  let problems = $state<readonly Problem[]>([]);
  let first = $state<HTMLTextAreaElement | null>(null);

  $effect(() => {
    if (!adding) return;
    open = true;
    fault = adding.fault;
    way = adding.way;
    weight = adding.way === 'against' ? 'sure' : 'finding';
    first?.focus();
  });

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const read = ownFindingSchema.safeParse({ fault, way, weight, says });
    if (!read.success) {
      problems = read.error.issues.map((i) => ({ field: i.path.join('.'), message: i.message }));
      return;
    }
    problems = [];
    if (await onadd(read.data)) {
      says = '';
      close();
    }
  }
  function close() {
    open = false;
    problems = [];
    onclose();
  }
  const WAYS = choicesOf({ for: 'Points to it', against: 'Rules against it' });
  const WEIGHTS = Object.entries(OWN_WEIGHTS).map(([value, { title }]) => ({ value, label: title }));
</script>

{#if !closed || own.length > 0}
  <div>
    <h3>Your own findings</h3>
    {#if own.length > 0}
      <ul class="mt-1">
        {#each own as { id, finding } (id)}
          <li class="border-line flex items-center gap-3 border-t py-1 text-sm first:border-t-0">
            <span class="min-w-0 flex-1">{ownWords(finding)}</span>
            {#if !closed}<button class="btn min-h-11 px-3" onclick={() => onundo(id)}>Remove</button>{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if open}
      <form class="mt-2 space-y-3" onsubmit={add} aria-label="Own finding">
        <Select
          label="About"
          choices={possible.map((id) => ({ value: id, label: FAULTS[id].title }))}
          value={fault}
          onvalue={(id) => (fault = id as typeof fault)}
        />
        <Choose label="It" choices={WAYS} bind:value={way} />
        <Choose label="Weight" choices={WEIGHTS} bind:value={weight} />
        <label class="block"
          ><span class="mb-1 block text-sm font-semibold">Reason</span>
          <textarea class="field w-full" rows="2" maxlength="300" bind:value={says} bind:this={first}
          ></textarea></label
        >
        <Problems {problems} title="Not added" />
        <div class="flex gap-2">
          <button class="btn btn-main" type="submit">Add</button>
          <button class="btn" type="button" onclick={close}>Cancel</button>
        </div>
      </form>
    {:else if !closed}
      <button class="quiet-link min-h-11 text-sm" onclick={() => (open = true)}
        >Add a finding of your own</button
      >
    {/if}
  </div>
{/if}
