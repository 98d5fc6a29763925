<script lang="ts" generics="P extends Shown">
  import type { Snippet } from 'svelte';
  import { mayHere } from '../page-state/who';
  import type { Problem } from '$core/base/result';
  import AddPhoto from './AddPhoto.svelte';
  import PhotoGrid, { type Shown } from './PhotoGrid.svelte';
  import Problems from './Problems.svelte';

  interface Props {
    /** The record they belong to. */
    stream: string;
    photos: readonly P[];
    more?: Snippet<[P]>;
  }
  let { stream, photos, more }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  let caption = $state('');
</script>

<!-- The photos of a record, and one more. -->
<section class="card p-4" aria-label="Photos">
  <div class="flex flex-wrap items-end gap-3">
    <h2 class="mr-auto self-center">
      Photos <span class="text-ink-2 reading font-normal">{photos.length}</span>
    </h2>
    {#if mayHere('technician')}<label class="no-print w-64"
        ><span class="sr-only">What it shows</span><input
          class="field"
          placeholder="What it shows"
          maxlength="200"
          bind:value={caption}
        /></label
      >
      <AddPhoto
        {stream}
        {caption}
        ondone={(found) => {
          problems = found;
          caption = '';
        }}
      />{/if}
  </div>
  <Problems {problems} title="Not attached" />
  {#if photos.length > 0}<PhotoGrid {photos} {more} />{/if}
</section>
