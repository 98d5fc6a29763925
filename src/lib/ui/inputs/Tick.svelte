<script lang="ts">
  import { Checkbox } from 'bits-ui';
  import Check from '~icons/lucide/check';
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    value: boolean;
    /** The label is for those who cannot see the field among its words. */
    quiet?: boolean;
    disabled?: boolean;
    problem?: string;
    onvalue?: (value: boolean) => void;
    /** What is said instead of the plain label. */
    children?: Snippet;
  }
  let {
    label,
    value = $bindable(),
    quiet = false,
    disabled = false,
    problem,
    onvalue,
    children
  }: Props = $props();
  const id = $props.id();

  function choose(next: boolean) {
    value = next;
    onvalue?.(next);
  }
</script>

<div>
  <div class="flex min-h-11 gap-2.5 {children ? 'items-start py-2' : 'items-center'}">
    <Checkbox.Root
      {id}
      checked={value}
      {disabled}
      onCheckedChange={choose}
      aria-label={quiet ? label : undefined}
      aria-labelledby={quiet ? undefined : `${id}-label`}
      class="border-line-strong bg-card data-[state=checked]:border-act data-[state=checked]:bg-act data-[state=checked]:text-card flex size-6 shrink-0 items-center justify-center rounded border-2 disabled:opacity-45"
    >
      {#snippet children({ checked })}{#if checked}<Check size={18} aria-hidden="true" />{/if}{/snippet}
    </Checkbox.Root>
    {#if !quiet}<label id="{id}-label" for={id}
        >{#if children}{@render children()}{:else}{label}{/if}</label
      >{/if}
  </div>
  {#if problem}<p class="text-off text-sm font-semibold">{problem}</p>{/if}
</div>
