<script lang="ts">
  import { Select } from 'bits-ui';
  import Check from '@lucide/svelte/icons/check';
  import ChevronsUpDown from '@lucide/svelte/icons/chevrons-up-down';

  interface Props {
    label: string;
    /** What it is called to those who hear it, where the label says too little by itself. */
    name?: string;
    choices: readonly { readonly value: string; readonly label: string }[];
    /** null where nothing is chosen. */
    value: string | null | undefined;
    /** What stands for nothing chosen; without it something always is. */
    blank?: string;
    problem?: string;
    onvalue?: (value: string | null) => void;
  }
  let { label, name, choices, value = $bindable(), blank, problem, onvalue }: Props = $props();
  const id = $props.id();
  const items = $derived([...(blank === undefined ? [] : [{ value: '', label: blank }]), ...choices]);
  const shown = $derived(items.find((i) => i.value === (value ?? ''))?.label ?? '');

  function choose(next: string) {
    value = next === '' ? null : next;
    onvalue?.(value);
  }
</script>

<div>
  <p id="{id}-label" class="mb-1 text-sm font-semibold">{label}</p>
  <Select.Root type="single" value={value ?? ''} onValueChange={choose} {items}>
    <Select.Trigger
      {id}
      class="field flex items-center justify-between gap-2 text-left"
      aria-labelledby={name ? undefined : `${id}-label ${id}`}
      aria-label={name ? `${name}: ${shown}` : undefined}
      aria-invalid={problem ? 'true' : undefined}
    >
      <span class={value ? '' : 'text-ink-2'}>{shown}</span><ChevronsUpDown size={16} aria-hidden="true" />
    </Select.Trigger>
    <Select.Portal>
      <Select.Content
        class="bg-card border-line-strong z-50 max-h-80 min-w-[var(--bits-select-anchor-width)] overflow-y-auto rounded-lg border p-1 shadow-lg"
        sideOffset={4}
        aria-labelledby="{id}-label"
      >
        <Select.Viewport>
          {#each items as item (item.value)}
            <Select.Item
              value={item.value}
              label={item.label}
              class="data-highlighted:bg-well flex min-h-11 cursor-default items-center justify-between gap-3 rounded-md px-3 outline-none"
            >
              {#snippet children({ selected })}{item.label}{#if selected}<Check
                    size={16}
                    aria-hidden="true"
                  />{/if}{/snippet}
            </Select.Item>
          {/each}
        </Select.Viewport>
      </Select.Content>
    </Select.Portal>
  </Select.Root>
  {#if problem || !name}<p class="mt-1 min-h-5 text-xs {problem ? 'text-off font-semibold' : ''}">
      {problem ?? ''}
    </p>{/if}
</div>
