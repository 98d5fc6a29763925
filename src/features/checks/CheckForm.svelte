<script lang="ts">
  import type { CheckId } from '$core/checks/registry';
  import { valueAt, withValue, type Field } from '$core/units/field';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';
  import { pictureOf } from './pictures';
  import type { PictureProps } from './types';

  interface Props extends PictureProps<Record<string, unknown>> {
    id: CheckId;
    fields: readonly Field[];
    byHand: boolean;
    /** What the first row of a list begins with. */
    firstRow: Readonly<Record<string, unknown>>;
  }
  let { id, fields, byHand, firstRow, readings = $bindable(), ...known }: Props = $props();
  const picture = $derived(byHand ? undefined : pictureOf(id));
  const place = $derived(picture?.place ?? 'above');
  const after = $derived(place === 'large' || place === 'under');
  const LAYOUT = {
    above: 'space-y-5',
    under: 'space-y-5',
    narrow: 'grid items-start gap-6 sm:grid-cols-[260px_minmax(0,1fr)]',
    slim: 'grid items-start gap-6 sm:grid-cols-[140px_minmax(0,1fr)]',
    large: 'grid items-start gap-x-5 gap-y-4 lg:grid-cols-[300px_minmax(0,1fr)]',
    whole: ''
  } as const;
  const COLUMNS = {
    above: 'sm:grid-cols-2 xl:grid-cols-3',
    under: 'sm:grid-cols-2 xl:grid-cols-3',
    narrow: 'sm:grid-cols-2',
    slim: 'xl:grid-cols-2',
    large: 'grid-cols-2',
    whole: ''
  } as const;
  /** A reading and its instrument are as wide as two fields. */
  const columns = $derived(
    place === 'under' && fields.some((f) => f.kind === 'reading') ? 'lg:grid-cols-2' : COLUMNS[place]
  );
  /** What is measured stands side by side, what is chosen or listed takes a line of its own. */
  const narrow = (field: Field) =>
    (field.kind === 'reading' && place === 'under') ||
    (field.kind === 'quantity' && !field.taps && !field.presets && !field.slider) ||
    ((place === 'narrow' || place === 'slim') &&
      field.kind === 'choice' &&
      Object.keys(field.choices ?? {}).length < 5);
</script>

{#snippet drawn()}
  <div class="min-w-0">
    {#if picture}<picture.component bind:readings={readings as never} {...known} />{/if}
  </div>
{/snippet}

<!-- The form of a check, drawn from the fields that its readings name; a picture of them stands beside it. -->
<div class={LAYOUT[place]}>
  {#if picture && !after}{@render drawn()}{/if}
  {#if place !== 'whole'}
    <div class="grid min-w-0 gap-x-4 gap-y-4 {columns}">
      {#each fields as field (field.path)}
        <div class="min-w-0 {narrow(field) ? '' : 'col-span-full'}">
          <FieldInput
            {field}
            value={valueAt(readings, field.path)}
            wrong={(path) => known.problems[path]}
            onvalue={(v) => (readings = withValue(readings, field.path, v))}
            {firstRow}
            tap
          />
        </div>
      {/each}
    </div>
  {/if}
  {#if picture && after}{@render drawn()}{/if}
</div>
{#if picture?.below}<picture.below bind:readings={readings as never} {...known} />{/if}
