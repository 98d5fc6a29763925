<script lang="ts">
  import { Slider } from 'bits-ui';

  interface Props {
    label: string;
    min: number;
    max: number;
    low: string;
    high: string;
    /** null until it is set. */
    value: number | null;
    problem?: string;
    onvalue: (value: number) => void;
  }
  let { label, min, max, low, high, value, problem, onvalue }: Props = $props();
  const id = $props.id();
</script>

<div>
  <p id="{id}-label" class="mb-1 text-sm font-semibold">{label}</p>
  <Slider.Root
    type="single"
    {min}
    {max}
    step={1}
    value={value ?? (min + max) / 2}
    onValueChange={onvalue}
    class="relative flex h-11 w-full touch-none items-center select-none"
  >
    <span class="bg-line-strong relative h-2.5 w-full grow rounded-full"></span>
    <Slider.Thumb
      index={0}
      aria-labelledby="{id}-label"
      class="bg-card size-8 rounded-full border-3 {value === null ? 'border-line-strong' : 'border-act'}"
    />
  </Slider.Root>
  <p class="text-ink-2 flex justify-between text-sm"><span>{low}</span><span>{high}</span></p>
  {#if problem}<p class="text-off text-xs font-semibold">{problem}</p>{/if}
</div>
