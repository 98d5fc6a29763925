<script lang="ts">
  import type { Problem } from '$core/base/result';
  import { fieldWords } from '$core/record/field-names';
  import { valueAt } from '$core/units/field';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Waiting } from '$lib/ui/outbox/outbox-store';
  import { dropWaiting, sendAgain } from '$lib/ui/outbox/record.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    entry: Waiting;
  }
  let { entry }: Props = $props();
  let mended = $state<Record<string, string>>({});
  let found = $state<readonly Problem[]>([]);
  const problems = $derived(found.length > 0 ? found : (entry.refused ?? []));
  /** Texts and numbers that were named as wrong: they are typed anew here. */
  const fields = $derived(
    [...new Set((entry.refused ?? []).flatMap((p) => p.field ?? []))].filter((path) =>
      ['string', 'number'].includes(typeof valueAt(entry.event?.payload, path))
    )
  );
  const was = (path: string) => String(valueAt(entry.event?.payload, path));

  async function send() {
    const changed = fields.flatMap((path) => {
      const typed = mended[path];
      if (typed === undefined || typed === was(path)) return [];
      return [[path, typeof valueAt(entry.event?.payload, path) === 'number' ? Number(typed) : typed]];
    });
    found = await sendAgain(entry, Object.fromEntries(changed) as Record<string, unknown>);
  }
</script>

<!-- An entry that the server would not have: mended, sent again as it is, or dropped by a person. -->
<li class="border-line border-t py-2" data-refused={entry.id}>
  <p>{inReaderUnits(entry.label)}</p>
  <Problems {problems} entry title="The server refused it">
    {#each fields as path (path)}
      <label class="mt-2 block max-w-80"
        ><span class="mb-1 block text-sm font-semibold">{fieldWords(path)}</span><input
          class="field"
          value={mended[path] ?? was(path)}
          oninput={(e) => (mended[path] = e.currentTarget.value)}
        /></label
      >
    {/each}
    <div class="mt-2 flex flex-wrap gap-3">
      <button class="btn btn-main" onclick={send}>Send again</button>
      <button class="btn" onclick={() => dropWaiting(entry.id)}>Discard entry</button>
    </div>
  </Problems>
</li>
