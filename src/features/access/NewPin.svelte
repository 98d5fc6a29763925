<script lang="ts">
  import TextInput from '$lib/ui/inputs/TextInput.svelte';

  interface Props {
    pin: string;
  }
  let { pin = $bindable() }: Props = $props();
</script>

<TextInput
  label="New PIN for this device"
  hint="Four to eight digits. You sign in with it here from now on. Leave it empty on a device that is not the shop’s."
  class="reading max-w-40"
  type="password"
  inputmode="numeric"
  autocomplete="off"
  maxlength={8}
  bind:value={pin}
/>
