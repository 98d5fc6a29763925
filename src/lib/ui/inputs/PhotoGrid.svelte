<script lang="ts" module>
  export interface Shown {
    readonly id: string;
    readonly caption: string;
  }
</script>

<script lang="ts" generics="P extends Shown">
  import type { Snippet } from 'svelte';

  interface Props {
    photos: readonly P[];
    /** What stands under a photo beside its caption. */
    more?: Snippet<[P]>;
  }
  let { photos, more }: Props = $props();
</script>

<ul class="mt-3 grid grid-cols-[repeat(auto-fill,minmax(9rem,11rem))] gap-3">
  {#each photos as p (p.id)}
    <li>
      <a href="/api/photos/{p.id}" target="_blank" rel="noopener"
        ><img
          src="/api/photos/{p.id}"
          alt={p.caption || 'Photo without a caption'}
          loading="lazy"
          class="bg-well border-line h-32 w-full rounded-lg border object-cover"
        /></a
      >
      <div class="mt-1 text-sm leading-snug">{p.caption}{@render more?.(p)}</div>
    </li>
  {/each}
</ul>
