<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { FAULTS } from '$core/faults/registry';
  import type { FaultId } from '$core/vehicle/faults';
  import { OWN_WEIGHTS, ownFindingSchema, type OwnFinding } from '$core/record/own-finding';
  import type { Problem } from '$core/base/result';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';

  interface Props {
    /** What was asked for on the ladder; null where it begins empty. */
    asked: { readonly fault: FaultId; readonly way: OwnFinding['way'] } | null;
    possible: readonly FaultId[];
    onadd: (finding: OwnFinding) => Promise<boolean>;
    onclose: () => void;
  }
  let { asked, possible, onadd, onclose }: Props = $props();

  let fault = $state<FaultId>('none');
  let way = $state<string | null>('for');
  let weight = $state<string | null>('finding');
  let says = $state('');
  let problems = $state<readonly Problem[]>([]);
  let first = $state<HTMLTextAreaElement | null>(null);

  $effect(() => {
    if (!asked) return;
    fault = asked.fault;
    way = asked.way;
    weight = asked.way === 'against' ? 'sure' : 'finding';
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
    if (await onadd(read.data)) onclose();
  }
  const WAYS = choicesOf({ for: 'Points to it', against: 'Rules against it' });
  const WEIGHTS = Object.entries(OWN_WEIGHTS).map(([value, { title }]) => ({ value, label: title }));
</script>

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
    <button class="btn" type="button" onclick={onclose}>Cancel</button>
  </div>
</form>
