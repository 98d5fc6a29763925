<script lang="ts">
  import Camera from '~icons/lucide/camera';
  import { PHOTO_MAX_BYTES, PHOTO_TYPES } from '$core/record/photo';
  import type { Problem } from '$core/base/result';
  import { recordPhoto } from '$lib/ui/outbox/record.svelte';

  interface Props {
    /** The record it is added to. */
    stream: string;
    /** What it shows. */
    caption: string;
    label?: string;
    quiet?: boolean;
    /** What went wrong, by file; nothing where all were taken. */
    ondone: (problems: readonly Problem[]) => void;
  }
  let { stream, caption, label = 'Add a photo', quiet = false, ondone }: Props = $props();
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

  async function problemsOf(file: File): Promise<readonly Problem[]> {
    if (!(PHOTO_TYPES as readonly string[]).includes(file.type))
      return [{ field: file.name, message: 'is no picture; JPEG, PNG or WebP would be right' }];
    try {
      const picture = await smaller(file);
      if (picture.size > PHOTO_MAX_BYTES) throw new Error('too large');
      const answer = await recordPhoto(stream, picture, caption);
      return answer.ok ? [] : answer.problems;
    } catch {
      return [{ field: file.name, message: 'cannot be read as a picture' }];
    }
  }

  async function add(input: HTMLInputElement) {
    busy = true;
    const problems: Problem[] = [];
    for (const file of input.files ?? []) problems.push(...(await problemsOf(file)));
    busy = false;
    input.value = '';
    ondone(problems);
  }
</script>

<label
  class="no-print focus-within:outline-3 {quiet ? 'quiet-link flex min-h-11 items-center gap-1' : 'btn'}"
>
  <Camera size={quiet ? 16 : 18} aria-hidden="true" />{busy ? 'Adding…' : label}
  <input
    type="file"
    accept={PHOTO_TYPES.join(',')}
    multiple
    class="sr-only"
    disabled={busy}
    onchange={(e) => add(e.currentTarget)}
  />
</label>
