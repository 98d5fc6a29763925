<script lang="ts">
  import CloudOff from '~icons/lucide/cloud-off';
  import Hourglass from '~icons/lucide/hourglass';
  import { later } from '$lib/ui/page-state/later.svelte';
  import { serverAway } from '$lib/ui/sync/live.svelte';
  import { waiting } from '$lib/ui/outbox/record.svelte';

  const list = later(() => import('./WaitingList.svelte'));
  let open = $state(false);

  async function show() {
    open = await list.get();
  }
  const waits = $derived(waiting().filter((w) => !w.refused));
  const refused = $derived(waiting().filter((w) => w.refused));
  const words = $derived(
    [
      waits.length > 0 ? `${waits.length} wait${waits.length === 1 ? 's' : ''}` : '',
      refused.length > 0 ? `${refused.length} refused` : '',
      serverAway() && waits.length === 0 ? 'Server away' : ''
    ]
      .filter(Boolean)
      .join(' · ')
  );
</script>

<p class="sr-only" role="status">{words}</p>
{#if words}
  <button
    class="btn px-3 {refused.length > 0 ? 'border-off text-off' : ''}"
    data-waiting={waits.length}
    onclick={show}
  >
    {#if serverAway()}<CloudOff size={18} aria-hidden="true" />{:else}<Hourglass
        size={18}
        aria-hidden="true"
      />{/if}
    {words}
  </button>
{/if}

{#if list.part}<list.part bind:open />{/if}
