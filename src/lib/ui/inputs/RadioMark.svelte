<script lang="ts">
  /** The ring of a radio item, with its dot where it is chosen. */
  let { checked }: { readonly checked: boolean } = $props();
</script>

<span
  aria-hidden="true"
  class="grid h-5 w-5 flex-none place-items-center rounded-full border-2 {checked
    ? 'border-act'
    : 'border-line-strong'}"
>
  {#if checked}<span class="bg-act h-2.5 w-2.5 rounded-full"></span>{/if}
</span>
