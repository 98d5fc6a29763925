<script lang="ts">
  import type { Choice } from './choices';

  interface Props {
    label: string;
    choices: readonly Choice[];
    value: string | null | undefined;
    /** Tapping the chosen one again takes it back. */
    optional?: boolean;
    wide?: boolean;
    problem?: string;
    onvalue?: (value: string | null) => void;
  }
  let {
    label,
    choices,
    value = $bindable(),
    optional = false,
    wide = false,
    problem,
    onvalue
  }: Props = $props();
  const id = $props.id();

  function choose(next: string) {
    value = optional && next === value ? null : next;
    onvalue?.(value);
  }

  /** Arrow keys move and choose, as in any group of radio buttons. */
  function arrow(event: KeyboardEvent) {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    const at = choices.findIndex((c) => c.value === value);
    const next = choices[(at + step + choices.length) % choices.length];
    value = next.value;
    onvalue?.(value);
    document.getElementById(`${id}-${next.value}`)?.focus();
  }
  const reachable = (c: Choice, i: number) =>
    choices.some((x) => x.value === value) ? c.value === value : i === 0;
</script>

<div>
  <p id="{id}-label" class="mb-1 text-sm font-semibold">{label}</p>
  <div
    role="radiogroup"
    tabindex="-1"
    aria-labelledby="{id}-label"
    class="flex flex-wrap gap-2 {wide ? 'flex-col' : ''}"
    onkeydown={arrow}
  >
    {#each choices as c, i (c.value)}
      <button
        type="button"
        id="{id}-{c.value}"
        role="radio"
        aria-checked={c.value === value}
        tabindex={reachable(c, i) ? 0 : -1}
        class="min-h-11 rounded-lg border px-3.5 py-1.5 text-left leading-tight {c.value === value
          ? c.tone === 'bad'
            ? 'border-off bg-off-wash text-off border-2 font-semibold'
            : 'border-act bg-well border-2 font-semibold'
          : 'border-line-strong bg-card hover:bg-well'}"
        onclick={() => choose(c.value)}>{c.label}</button
      >
    {/each}
  </div>
  {#if problem}<p class="text-off mt-1 text-xs font-semibold">{problem}</p>{/if}
</div>
