<script lang="ts">
  import type { Problem } from '$core/base/result';
  import type { PhotoLine } from '$core/record/derive';
  import AddPhoto from '$lib/ui/inputs/AddPhoto.svelte';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    jobId: string;
    /** Of the check: what a picture that is added here shows, and which of the job's are shown. */
    title: string;
    photos: readonly PhotoLine[];
    zone: string;
    onproblems: (problems: readonly Problem[]) => void;
  }
  let { jobId, title, photos, zone, onproblems }: Props = $props();
  const pictures = $derived(photos.filter((p) => p.caption.startsWith(title)));
</script>

<!-- A picture of a screen, a meter or a place, kept beside a reading. -->
<section class="card p-4" aria-label="Pictures">
  <div class="flex flex-wrap items-center gap-3">
    <h3 class="mr-auto font-bold">Picture of the screen or the place</h3>
    <AddPhoto stream="job:{jobId}" caption={title} label="Add" ondone={onproblems} />
  </div>
  {#if pictures.length > 0}
    <ul class="mt-2 flex flex-wrap gap-2">
      {#each pictures as p (p.id)}<li>
          <a href="/api/photos/{p.id}" target="_blank" rel="noopener"
            ><img
              src="/api/photos/{p.id}"
              alt="{p.caption}, {when(p.at, zone)}"
              loading="lazy"
              class="bg-well border-line h-20 w-28 rounded-lg border object-cover"
            /></a
          >
        </li>{/each}
    </ul>
  {/if}
</section>
