<script lang="ts">
  interface Props {
    photos: readonly { readonly id: string; readonly caption: string; readonly job: number }[];
  }
  let { photos }: Props = $props();
</script>

<!-- Where the parts of this vehicle sit, and how they were found: the photos of its jobs. -->
<section class="card mt-4 p-4" aria-label="Photos">
  <h2>Photos <span class="text-ink-2 reading font-normal">{photos.length}</span></h2>
  <ul class="mt-3 flex flex-wrap gap-3">
    {#each photos as p (p.id)}
      <li class="w-40">
        <a href="/api/photos/{p.id}" target="_blank" rel="noopener"
          ><img
            src="/api/photos/{p.id}"
            alt={p.caption || 'Photo without a caption'}
            loading="lazy"
            class="bg-well border-line h-28 w-40 rounded-lg border object-cover"
          /></a
        >
        <p class="mt-1 text-sm leading-snug">
          {p.caption}
          <a class="quiet-link block text-xs" href="/jobs/{p.job}">job {p.job}</a>
        </p>
      </li>
    {/each}
  </ul>
</section>
