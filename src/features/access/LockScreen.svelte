<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { flush } from '$lib/ui/outbox/record.svelte';
  import { sessionEnded, setSessionEnded } from '$lib/ui/page-state/session.svelte';
  import SignIn from './SignIn.svelte';

  interface Props {
    /** Who was signed in when the page was loaded. */
    person: string;
    name: string;
  }
  let { person, name }: Props = $props();
  let people = $state<readonly { id: string; name: string }[]>([]);

  $effect(() => {
    if (!sessionEnded()) return;
    void fetch('/api/access/pin')
      .then(async (answer) => (people = answer.ok ? await answer.json() : []))
      .catch(() => (people = []));
  });

  function back(who: string | null) {
    setSessionEnded(false);
    // Another person gets pages of their own; what the one before entered goes out under their name.
    if (who === person) void flush();
    else location.reload();
  }
</script>

<Dialog.Root open={sessionEnded()}>
  <Dialog.Portal>
    <Dialog.Overlay class="bg-paper fixed inset-0 z-50" />
    <Dialog.Content
      class="card fixed top-1/2 left-1/2 z-50 max-h-[94vh] w-[min(32rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto p-6"
      escapeKeydownBehavior="ignore"
      interactOutsideBehavior="ignore"
    >
      <Dialog.Title class="text-xl font-bold">Locked</Dialog.Title>
      <Dialog.Description class="text-ink-2 mt-1 mb-4">
        {name} was signed in. What you entered is kept, and goes out when you are back.
      </Dialog.Description>
      <SignIn {people} onsignedin={back} />
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
