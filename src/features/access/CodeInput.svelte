<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import TextInput from '$lib/ui/inputs/TextInput.svelte';

  interface Props extends Omit<HTMLInputAttributes, 'value'> {
    label: string;
    code: string;
  }
  let { label, code = $bindable(), ...rest }: Props = $props();
</script>

<TextInput
  {label}
  class="reading max-w-40"
  inputmode="numeric"
  autocomplete="one-time-code"
  maxlength={6}
  bind:value={code}
  {...rest}
/>
