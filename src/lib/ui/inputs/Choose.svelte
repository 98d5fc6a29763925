<script lang="ts">
  import { RadioGroup } from 'bits-ui';
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

  function choose(next: string | null) {
    value = next;
    onvalue?.(next);
  }
  const lookOf = (c: Choice) =>
    c.value !== value
      ? 'border-line-strong bg-card hover:bg-well'
      : c.tone === 'bad'
        ? 'border-off bg-off-wash text-off border-2 font-semibold'
        : 'border-act bg-well border-2 font-semibold';
</script>

<div>
  <p id="{id}-label" class="mb-1 text-sm font-semibold">{label}</p>
  <RadioGroup.Root
    value={value ?? ''}
    onValueChange={choose}
    aria-labelledby="{id}-label"
    class="flex flex-wrap gap-2 {wide ? 'flex-col' : ''}"
  >
    {#each choices as c (c.value)}
      <RadioGroup.Item
        value={c.value}
        id="{id}-{c.value}"
        class="min-h-11 rounded-lg border px-3.5 py-1.5 text-left leading-tight {lookOf(c)}"
        onclick={(event) => {
          if (!optional || c.value !== value) return;
          event.preventDefault();
          choose(null);
        }}>{c.label}</RadioGroup.Item
      >
    {/each}
  </RadioGroup.Root>
  {#if problem}<p class="text-off mt-1 text-xs font-semibold">{problem}</p>{/if}
</div>
