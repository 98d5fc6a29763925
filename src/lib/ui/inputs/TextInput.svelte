<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends Omit<HTMLInputAttributes, 'value'> {
    label: string;
    value: string;
    /** What stands under the field, and is told with it to those who hear it. */
    hint?: string;
  }
  let { label, value = $bindable(), hint, class: more = '', ...rest }: Props = $props();
  const id = $props.id();
</script>

<div>
  <label class="mb-1 block text-sm font-semibold" for="{id}-input">{label}</label>
  <input
    id="{id}-input"
    class="field {more}"
    aria-describedby={hint ? `${id}-hint` : undefined}
    bind:value
    {...rest}
  />
  {#if hint}<p id="{id}-hint" class="text-ink-2 mt-1 text-sm">{hint}</p>{/if}
</div>
