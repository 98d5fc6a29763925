<script lang="ts" module>
  /** Where a note is written, for whoever leads there. */
  export const NOTE_ID = 'note';
</script>

<script lang="ts">
  import type { EventInput } from '$core/record/events';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Answer } from '$lib/ui/outbox/record.svelte';

  interface Props {
    write: (body: EventInput) => Promise<Answer>;
  }
  let { write }: Props = $props();
  let text = $state('');
  let problems = $state<readonly Problem[]>([]);

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const answer = await write({ kind: 'job.noted', payload: { text } });
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) text = '';
  }
</script>

<form class="no-print flex gap-3" onsubmit={add}>
  <label class="flex-1"
    ><span class="sr-only">Note</span><input
      class="field"
      id={NOTE_ID}
      maxlength="2000"
      placeholder="Write a note into the record"
      bind:value={text}
    /></label
  >
  <button class="btn" disabled={!text.trim()}>Add the note</button>
</form>
<Problems {problems} title="Not saved yet" />
