<script lang="ts">
  import type { Problem } from '$core/base/result';
  import { curvesWith } from '$core/physics/thermistor/library';
  import { valueAt, withValue } from '$core/units/field';
  import { askedOn, SHEET_PARTS } from '$core/vehicle/sheet-fields';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { shopCurves } from '$lib/ui/page-state/curves';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';
  import SheetRows from './SheetRows.svelte';

  interface Props {
    /** The sheet as it is typed: cleaned and read when it is saved. */
    typed: Record<string, unknown>;
    problems: readonly Problem[];
  }
  let { typed = $bindable(), problems }: Props = $props();
  const wrong = (path: string) => problems.find((p) => p.field === path)?.message;

  const library = $derived(curvesWith(shopCurves()));
  function take(id: string | null) {
    const curve = library.find((c) => c.id === id)?.curve;
    if (curve) typed = withValue(typed, 'ect.curve', curve);
  }
</script>

<div class="gap-4 lg:columns-2 2xl:columns-3">
  {#each SHEET_PARTS as { title, fields } (title)}
    <fieldset class="card mb-4 break-inside-avoid p-4">
      <legend class="sr-only">{title}</legend>
      <h2 class="mb-3">{title}</h2>
      <div class="grid grid-cols-2 items-end gap-x-3 gap-y-1 sm:grid-cols-3">
        {#each askedOn(typed, fields) as field (field.path)}
          {#if field.path === 'ect.curve'}
            <Select
              label="Take a curve from the library"
              choices={library.map((c) => ({ value: c.id, label: c.title }))}
              value={null}
              blank="as below"
              onvalue={take}
            />
          {/if}
          {@const value = valueAt(typed, field.path)}
          {@const put = (v: unknown) => (typed = withValue(typed, field.path, v))}
          {#if field.kind === 'rows'}
            <SheetRows {field} rows={(value ?? []) as Record<string, unknown>[]} {wrong} onvalue={put} />
          {:else}
            <FieldInput {field} {value} {wrong} onvalue={put} />
          {/if}
        {/each}
      </div>
    </fieldset>
  {/each}
</div>
