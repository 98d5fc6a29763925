<script lang="ts">
  import { Select } from 'bits-ui';
  import Check from '~icons/lucide/check';
  import ChevronsUpDown from '~icons/lucide/chevrons-up-down';

  interface Choice {
    readonly value: string;
    readonly label: string;
    /** Choices of one group stand together under its name. */
    readonly group?: string;
  }
  interface Props {
    label: string;
    choices: readonly Choice[];
    /** null where nothing is chosen. */
    value: string | null | undefined;
    /** What stands for nothing chosen; without it something always is. */
    blank?: string;
    /** What it is called to those who hear it, where the label says too little by itself. */
    name?: string;
    /** The label is for those who cannot see the field among its words. */
    quiet?: boolean;
    problem?: string;
    onvalue?: (value: string | null) => void;
  }
  let { label, choices, value = $bindable(), blank, name, quiet = false, problem, onvalue }: Props = $props();
  const id = $props.id();
  const items = $derived([...(blank === undefined ? [] : [{ value: '', label: blank }]), ...choices]);
  const shown = $derived(items.find((i) => i.value === (value ?? ''))?.label ?? '');
  const groups = $derived([...new Set(items.map((i) => ('group' in i ? i.group : undefined)))]);

  function choose(next: string) {
    value = next === '' ? null : next;
    onvalue?.(value);
  }
</script>

<div>
  {#if !quiet}<p id="{id}-label" class="mb-1 text-sm font-semibold">{label}</p>{/if}
  <Select.Root type="single" value={value ?? ''} onValueChange={choose} {items}>
    <Select.Trigger
      {id}
      class="field flex items-center justify-between gap-2 text-left"
      aria-labelledby={quiet || name ? undefined : `${id}-label ${id}`}
      aria-label={quiet || name ? `${name ?? label}: ${shown}` : undefined}
      aria-invalid={problem ? 'true' : undefined}
    >
      <span class="min-w-0 truncate {value ? '' : 'text-ink-2'}">{shown}</span><ChevronsUpDown
        size={16}
        class="shrink-0"
        aria-hidden="true"
      />
    </Select.Trigger>
    <Select.Portal>
      <Select.Content
        class="bg-card border-line-strong z-60 max-h-80 min-w-[var(--bits-select-anchor-width)] overflow-y-auto rounded-lg border p-1 shadow-lg"
        sideOffset={4}
        aria-label={name ?? label}
      >
        <Select.Viewport>
          {#each groups as group (group)}
            <Select.Group>
              {#if group}<Select.GroupHeading class="text-ink-2 px-3 pt-2 pb-1 text-sm font-semibold"
                  >{group}</Select.GroupHeading
                >{/if}
              {#each items.filter((i) => ('group' in i ? i.group : undefined) === group) as item (item.value)}
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
            </Select.Group>
          {/each}
        </Select.Viewport>
      </Select.Content>
    </Select.Portal>
  </Select.Root>
  {#if problem || !(quiet || name)}<p class="mt-1 min-h-5 text-xs {problem ? 'text-off font-semibold' : ''}">
      {problem ?? ''}
    </p>{/if}
</div>
