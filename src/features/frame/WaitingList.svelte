<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { flush, takeWaiting, waiting } from '$lib/ui/outbox/record.svelte';
  import { readWaitingFile, waitingFile } from '$lib/ui/outbox/waiting-file';
  import RefusedEntry from './RefusedEntry.svelte';
  import type { Problem } from '$core/base/result';
  import { inReaderUnits } from '$lib/ui/page-state/units';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();
  let unread = $state<readonly Problem[]>([]);
  const waits = $derived(waiting().filter((w) => !w.refused));
  const refused = $derived(waiting().filter((w) => w.refused));

  async function save() {
    const now = new Date().toISOString();
    const url = URL.createObjectURL(
      new Blob([await waitingFile(waiting(), now)], { type: 'application/json' })
    );
    const link = Object.assign(document.createElement('a'), {
      href: url,
      download: `waiting-${now.slice(0, 16).replaceAll(':', '')}.json`
    });
    link.click();
    URL.revokeObjectURL(url);
  }

  async function takeIn(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    let json: unknown;
    try {
      json = JSON.parse(await file.text());
    } catch {
      json = null;
    }
    const read = readWaitingFile(json);
    unread = read.ok ? [] : read.problems;
    if (read.ok) await takeWaiting(read.value);
    input.value = '';
  }
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
    <Dialog.Content
      class="card fixed top-1/2 left-1/2 z-50 max-h-[85vh] w-[min(38rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-6"
    >
      <Dialog.Title class="text-xl font-bold">Waiting on this device</Dialog.Title>
      <Dialog.Description class="text-ink-2 mt-1">
        {serverAway()
          ? 'The server does not answer. Go on working: entries go out by themselves, once each, when it is back.'
          : waits.length > 0 || refused.length === 0
            ? 'On the way to the server.'
            : 'The server refused these. Mend them and send them again, or drop them.'}
      </Dialog.Description>
      <ul class="mt-4">
        {#each waits as w (w.id)}<li class="border-line border-t py-2">{inReaderUnits(w.label)}</li>{/each}
        {#each refused as w (w.id)}<RefusedEntry entry={w} />{/each}
      </ul>
      <Problems problems={unread} title="Not taken in" />
      <div class="mt-4 flex flex-wrap gap-3">
        <button class="btn btn-main" onclick={() => flush()}>Send now</button>
        <button class="btn" onclick={save}>Save as a file</button>
        <label class="btn focus-within:outline-3"
          >Send from a file<input
            type="file"
            accept=".json"
            class="sr-only"
            onchange={(e) => takeIn(e.currentTarget)}
          /></label
        >
        <Dialog.Close class="btn">Close</Dialog.Close>
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
