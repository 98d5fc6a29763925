<script lang="ts">
  import { checkOf } from '$core/checks/registry';
  import { valueAt, withValue } from '$core/units/field';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';
  import { pictureOf } from './pictures';
  import type { SheetProps } from './types';

  let { id, readings = $bindable(), sheet, problems }: SheetProps<Record<string, unknown>> = $props();
  const fields = $derived(checkOf(id).fields);
  const picture = $derived(pictureOf(id));
  const LAYOUT = {
    above: 'space-y-5',
    narrow: 'grid items-start gap-6 sm:grid-cols-[260px_1fr]',
    large: 'grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_330px]'
  } as const;
  const COLUMNS = { above: 'sm:grid-cols-2 xl:grid-cols-3', narrow: 'sm:grid-cols-2', large: '' } as const;
  /** What is measured stands side by side, what is chosen takes a line of its own. */
  const narrow = (field: (typeof fields)[number]) => field.kind === 'quantity' && !field.taps;
</script>

<!-- The form of a check, drawn from the fields that its readings name. -->
<div class={LAYOUT[picture?.place ?? 'above']}>
  {#if picture}<div><picture.component readings={readings as never} {sheet} /></div>{/if}
  <div class="grid gap-x-4 gap-y-4 {COLUMNS[picture?.place ?? 'above']}">
    {#each fields as field (field.path)}
      <div class={narrow(field) ? '' : 'col-span-full'}>
        <FieldInput
          {field}
          value={valueAt(readings, field.path)}
          wrong={(path) => problems[path]}
          onvalue={(v) => (readings = withValue(readings, field.path, v))}
          tap
        />
      </div>
    {/each}
  </div>
</div>
