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
      ? ' Once the key is turned it is gone until the next soak.'
      : ''
  );
</script>

<section class="card border-act flex items-center gap-x-5 border-2 px-4 py-2.5" aria-label="Next check">
  <div class="min-w-0 flex-1">
    <p>
      <span class="text-ink-2">Next</span> <strong class="text-xl leading-tight">{next.check.title}</strong>
      <span class="text-ink-2 whitespace-nowrap">{next.check.minutes} min</span>
    </p>
    <p class="text-ink-2 leading-snug">{next.why}. {next.check.tools.join(', ')}.{gone}</p>
  </div>
  <button class="btn btn-main min-h-14 px-6" onclick={() => onopen(next.id)}
    >Start <kbd class="reading opacity-80">N</kbd></button
  >
</section>
