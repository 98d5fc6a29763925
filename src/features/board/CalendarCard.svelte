<script lang="ts">
  import CalendarPlus from '~icons/lucide/calendar-plus';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { answerOf, type Answer } from '$lib/ui/outbox/record.svelte';

  type Feed = Answer & { readonly address?: string; readonly ended?: boolean };
  interface Props {
    who: string;
    onclose: () => void;
  }
  let { who, onclose }: Props = $props();

  let address = $state('');
  let said = $state('');
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);

  async function ask(deed: 'make' | 'end') {
    busy = true;
    const answer = await answerOf<Feed>(
      fetch('/api/board/feed', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ who, deed })
      })
    );
    busy = false;
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    address = answer.address ?? '';
    if (deed === 'end') said = answer.ended ? 'The address has ended.' : 'There was no address.';
  }
</script>

<section class="card mb-4 p-4" aria-label="Calendar">
  <h2>Tasks in a calendar</h2>
  <p class="text-ink-2 mt-1">
    Vehicle, task and place; nothing of the customer. A file is as it is now. An address is read again and
    again by your calendar program, and is as good as a key: whoever has it sees these tasks.
  </p>
  <div class="my-2 empty:hidden"><Problems {problems} title="Not done" /></div>
  {#if address}
    <div class="bg-well rounded-card mt-2 p-3" role="status">
      <p>Give this address to your calendar program. It is shown once; another one ends it.</p>
      <p class="reading mt-1 text-sm break-all select-all" data-feed>{address}</p>
      <button class="btn mt-2" onclick={() => navigator.clipboard?.writeText(address)}>Copy</button>
    </div>
  {:else if said}<p class="mt-2" role="status">{said}</p>{/if}
  <div class="mt-3 flex flex-wrap gap-2">
    <a class="btn" href="/api/board/calendar.ics?who={encodeURIComponent(who)}"
      ><CalendarPlus size={18} aria-hidden="true" />File</a
    >
    <button class="btn" disabled={busy} onclick={() => ask('make')}
      >{address ? 'Make another address' : 'Make an address'}</button
    >
    <button class="btn" disabled={busy} onclick={() => ask('end')}>End the address</button>
    <button class="btn ml-auto" onclick={onclose}>Close</button>
  </div>
</section>
