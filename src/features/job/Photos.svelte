<script lang="ts">
  import type { PhotoLine } from '$core/record/derive';
  import PhotoCard from '$lib/ui/inputs/PhotoCard.svelte';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    jobId: string;
    photos: readonly PhotoLine[];
    zone: string;
  }
  let { jobId, photos, zone }: Props = $props();
</script>

<PhotoCard stream="job:{jobId}" {photos}>
  {#snippet more(p)}<span class="text-ink-2 block text-xs">{when(p.at, zone)} · {p.who}</span>{/snippet}
</PhotoCard>
