<script lang="ts">
  import type { VehiclePhoto } from '$lib/views';
  import { mayHere } from '$lib/ui/page-state/who';
  import { toast } from 'svelte-sonner';
  import PhotoCard from '$lib/ui/inputs/PhotoCard.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';

  interface Props {
    vehicleId: string;
    photos: readonly VehiclePhoto[];
  }
  let { vehicleId, photos }: Props = $props();
  const stream = $derived(`vehicle:${vehicleId}`);

  async function takeAway(of: string) {
    const answer = await record(stream, { kind: 'undo', payload: { of } });
    if (!answer.ok) toast(`Not taken away: ${answer.problems[0]!.message}`);
  }
</script>

<!-- Where the parts of this vehicle sit, and how they were found: its own photos, and those of its jobs. -->
<div class="mt-4">
  <PhotoCard {stream} {photos}>
    {#snippet more(p)}
      {#if p.job !== null}<a class="quiet-link block text-xs" href="/jobs/{p.job}">job {p.job}</a>
      {:else if p.entry && mayHere('technician')}<button
          type="button"
          class="quiet-link no-print block min-h-11 text-xs"
          onclick={() => takeAway(p.entry!)}
          >Take it away<span class="sr-only">: {p.caption || 'photo without a caption'}</span></button
        >{/if}
    {/snippet}
  </PhotoCard>
</div>
