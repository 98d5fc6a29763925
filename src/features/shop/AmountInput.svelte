<script lang="ts">
  interface Props {
    label: string;
    value: number | null;
    hint?: string;
    problem?: string;
    placeholder?: string;
    /** The label is for those who cannot see the field among its words. */
    quiet?: boolean;
  }
  let { label, value = $bindable(), hint, problem, placeholder, quiet = false }: Props = $props();
  const id = $props.id();
</script>

<div>
  <label for={id} class={quiet ? 'sr-only' : 'mb-1 block text-sm font-semibold'}>{label}</label>
  <input
    {id}
    class="field reading max-w-36"
    type="number"
    inputmode="decimal"
    min="0"
    step="any"
    {placeholder}
    bind:value
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby={problem || hint ? `${id}-more` : undefined}
  />
  {#if problem}<p id="{id}-more" class="text-sm font-semibold">{problem}</p>{:else if hint}<p
      id="{id}-more"
      class="text-ink-2 text-sm"
    >
      {hint}
    </p>{/if}
</div>
