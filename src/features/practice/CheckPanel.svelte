<script lang="ts">
  import type { PrecautionId } from '$core/practice/danger';
  import type { PracticeNow } from '$lib/views';

  interface Props {
    check: PracticeNow['view']['checks'][number];
    precautions: readonly { readonly id: PrecautionId; readonly title: string }[];
    busy: boolean;
    ondo: (careful: readonly PrecautionId[]) => void;
    onclose: () => void;
  }
  let { check, precautions, busy, ondo, onclose }: Props = $props();
  let careful = $state<PrecautionId[]>([]);
  const toggle = (id: PrecautionId) =>
    (careful = careful.includes(id) ? careful.filter((c) => c !== id) : [...careful, id]);
</script>

<section class="card border-act border-2 p-4" aria-label={check.title}>
  <h2>{check.title}</h2>
  <p class="text-ink-2">{check.decides} {check.tools.join(', ')}.</p>
  <p class="mt-3 text-sm font-semibold">What do you see to first?</p>
  <div class="mt-1 flex flex-wrap gap-2">
    {#each precautions as p (p.id)}
      <button
        class="btn {careful.includes(p.id) ? 'btn-main' : ''}"
        aria-pressed={careful.includes(p.id)}
        onclick={() => toggle(p.id)}>{p.title}</button
      >
    {/each}
  </div>
  <div class="mt-3 flex gap-2">
    <button class="btn btn-main min-h-12 px-6" disabled={busy} onclick={() => ondo(careful)}
      >{busy ? 'Working…' : `Do it, ${check.minutes} min`}</button
    >
    <button class="btn" onclick={onclose}>Not now</button>
  </div>
</section>
