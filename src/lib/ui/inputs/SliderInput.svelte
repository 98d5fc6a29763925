<script lang="ts">
  import { Slider } from 'bits-ui';

  interface Props {
    label: string;
    min: number;
    max: number;
    step?: number;
    /** What its ends are called. */
    low?: string;
    high?: string;
    /** null until it is set. */
    value: number | null;
    problem?: string;
    onvalue?: (value: number) => void;
  }
  let { label, min, max, step = 1, low, high, value = $bindable(), problem, onvalue }: Props = $props();
  const id = $props.id();

  function choose(next: number) {
    // The middle, where it stands before it is set, is no answer.
    if (value === null && next === (min + max) / 2) return;
    value = next;
    onvalue?.(next);
  }
</script>

<div>
  <p id="{id}-label" class="text-sm font-semibold">{label}</p>
  <Slider.Root
    type="single"
    {min}
    {max}
    {step}
    value={value ?? (min + max) / 2}
    onValueChange={choose}
    class="relative flex h-11 w-full touch-none items-center select-none"
  >
    <span class="bg-line-strong relative h-2.5 w-full grow rounded-full">
      <Slider.Range class="bg-act absolute h-full rounded-full {value === null ? 'opacity-0' : ''}" />
    </span>
    <Slider.Thumb
      index={0}
      aria-labelledby="{id}-label"
      class="bg-card block size-8 rounded-full border-3 {value === null
        ? 'border-line-strong'
        : 'border-act'}"
    />
  </Slider.Root>
  {#if low}<p class="text-ink-2 flex justify-between text-sm"><span>{low}</span><span>{high}</span></p>{/if}
  {#if problem}<p class="text-off text-xs font-semibold">{problem}</p>{/if}
</div>
