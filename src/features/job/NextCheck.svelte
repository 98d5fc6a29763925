<script lang="ts">
  import type { Planned } from '$core/thermal/plan';
  import type { ThermalState } from '$core/thermal/state';

  interface Props {
    next: Planned;
    heat: ThermalState;
    onopen: (id: Planned['id']) => void;
  }
  let { next, heat, onopen }: Props = $props();
  const gone = $derived(
    heat.phase === 'cold' && next.check.needsSoak
      ? ' Only now: once the key is turned it is gone until the next soak.'
      : ''
  );
</script>

<section
  class="card border-act mb-4 flex flex-wrap items-center gap-x-5 gap-y-2 border-2 px-4 py-2.5"
  aria-label="Next check"
>
  <p class="min-w-0 flex-1 basis-96">
    <span class="text-ink-2">Next</span> <strong class="text-lg">{next.check.title}</strong>
    <span class="text-ink-2">{next.check.minutes} min · {next.check.tools.join(', ').toLowerCase()}</span><br
    />
    {next.check.decides}
    {next.why}.{gone}
  </p>
  <button class="btn btn-main min-h-14 px-6" onclick={() => onopen(next.id)}
    >Start <kbd class="reading opacity-80">N</kbd></button
  >
</section>
