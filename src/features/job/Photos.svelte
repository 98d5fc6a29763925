<script lang="ts">
  import type { PhotoLine } from '$core/record/derive';
  import type { Problem } from '$core/base/result';
  import AddPhoto from '$lib/ui/inputs/AddPhoto.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    jobId: string;
    photos: readonly PhotoLine[];
    zone: string;
  }
  let { jobId, photos, zone }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  let caption = $state('');
</script>

<section class="card p-4" aria-label="Photos">
  <div class="flex flex-wrap items-end gap-3">
    <h2 class="mr-auto self-center">
      Photos <span class="text-ink-2 reading font-normal">{photos.length}</span>
    </h2>
    <label class="no-print w-64"
      ><span class="sr-only">What it shows</span><input
        class="field"
        placeholder="What it shows"
        maxlength="200"
        bind:value={caption}
      /></label
    >
    <AddPhoto
      {jobId}
      {caption}
      ondone={(found) => {
        problems = found;
        caption = '';
      }}
    />
  </div>
  <Problems {problems} title="Not attached" />
  {#if photos.length > 0}
    <ul class="mt-3 flex flex-wrap gap-3">
      {#each photos as p (p.id)}
        <li class="w-44">
          <a href="/api/photos/{p.id}" target="_blank" rel="noopener"
            ><img
              src="/api/photos/{p.id}"
              alt={p.caption || 'Photo without a caption'}
              loading="lazy"
              class="bg-well border-line h-32 w-44 rounded-lg border object-cover"
            /></a
          >
          <p class="mt-1 text-sm leading-snug">
            {p.caption}<span class="text-ink-2 block text-xs">{when(p.at, zone)} · {p.who}</span>
          </p>
        </li>
      {/each}
    </ul>
  {/if}
</section>
