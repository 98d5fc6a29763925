<script lang="ts">
  import Camera from '@lucide/svelte/icons/camera';
  import { PHOTO_MAX_BYTES, PHOTO_TYPES } from '$core/record/events';
  import type { PhotoLine } from '$core/record/derive';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { recordPhoto } from '$lib/ui/outbox/record.svelte';
  import { when } from '$lib/ui/page-state/when';

  interface Props {
    jobId: string;
    photos: readonly PhotoLine[];
    zone: string;
  }
  let { jobId, photos, zone }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  let caption = $state('');
  let busy = $state(false);

  const LONGEST_PX = 1800;

  /** Large photos are made smaller before they go out; that also leaves the camera's own data behind. */
  async function smaller(file: File): Promise<Blob> {
    const image = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
    const canvas = new OffscreenCanvas(Math.round(image.width * scale), Math.round(image.height * scale));
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  }

  async function add(files: FileList | null) {
    problems = [];
    busy = true;
    for (const file of files ?? []) {
      if (!(PHOTO_TYPES as readonly string[]).includes(file.type)) {
        problems = [
          ...problems,
          { field: file.name, message: 'is no picture; JPEG, PNG or WebP would be right' }
        ];
        continue;
      }
      try {
        const picture = await smaller(file);
        if (picture.size > PHOTO_MAX_BYTES) throw new Error('too large');
        const answer = await recordPhoto(jobId, picture, caption);
        if (!answer.ok) problems = [...problems, ...answer.problems];
      } catch {
        problems = [...problems, { field: file.name, message: 'cannot be read as a picture' }];
      }
    }
    busy = false;
    caption = '';
  }
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
    <label class="btn no-print focus-within:outline-3">
      <Camera size={18} aria-hidden="true" />{busy ? 'Adding…' : 'Add a photo'}
      <input
        type="file"
        accept={PHOTO_TYPES.join(',')}
        multiple
        class="sr-only"
        disabled={busy}
        onchange={(e) =>
          void add(e.currentTarget.files).then(() => ((e.target as HTMLInputElement).value = ''))}
      />
    </label>
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
