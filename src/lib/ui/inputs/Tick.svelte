<script lang="ts">
  import { Checkbox } from 'bits-ui';
  import Check from '@lucide/svelte/icons/check';

  interface Props {
    label: string;
    value: boolean;
    problem?: string;
    onvalue: (value: boolean) => void;
  }
  let { label, value, problem, onvalue }: Props = $props();
  const id = $props.id();
</script>

<div>
  <div class="flex min-h-11 items-center gap-2.5">
    <Checkbox.Root
      {id}
      checked={value}
      onCheckedChange={onvalue}
      aria-labelledby="{id}-label"
      class="border-line-strong bg-card data-[state=checked]:border-act data-[state=checked]:bg-act data-[state=checked]:text-card flex size-6 shrink-0 items-center justify-center rounded border-2"
    >
      {#snippet children({ checked })}{#if checked}<Check size={18} aria-hidden="true" />{/if}{/snippet}
    </Checkbox.Root>
    <label id="{id}-label" for={id}>{label}</label>
  </div>
  {#if problem}<p class="text-off text-sm font-semibold">{problem}</p>{/if}
</div>
