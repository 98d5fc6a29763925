<script lang="ts">
  import Delete from '~icons/lucide/delete';

  interface Props {
    /** For gloved hands: big keys; the number keys of a keyboard do it too. */
    label: string;
    busy?: boolean;
    onpin: (pin: string) => void;
  }
  let { label, busy = false, onpin }: Props = $props();
  let pin = $state('');
  const MOST = 8;

  const press = (digit: string) => {
    if (pin.length < MOST) pin += digit;
  };
  function enter() {
    if (pin.length < 4 || busy) return;
    onpin(pin);
    pin = '';
  }
</script>

<form
  class="mx-auto w-72"
  onsubmit={(e) => {
    e.preventDefault();
    enter();
  }}
>
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">{label}</span>
    <!-- svelte-ignore a11y_autofocus -->
    <input
      class="field reading text-center text-2xl tracking-[0.4em]"
      type="password"
      inputmode="none"
      autocomplete="off"
      maxlength={MOST}
      autofocus
      bind:value={() => pin, (v) => (pin = v.replaceAll(/\D/g, ''))}
    /></label
  >
  <div class="mt-3 grid grid-cols-3 gap-2">
    {#each ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as d (d)}
      <button type="button" class="btn reading min-h-14 text-2xl" onclick={() => press(d)}>{d}</button>
    {/each}
    <button
      type="button"
      class="btn min-h-14"
      aria-label="Remove the last digit"
      onclick={() => (pin = pin.slice(0, -1))}><Delete size={22} aria-hidden="true" /></button
    >
    <button type="button" class="btn reading min-h-14 text-2xl" onclick={() => press('0')}>0</button>
    <button type="submit" class="btn btn-main min-h-14" disabled={pin.length < 4 || busy}>Enter</button>
  </div>
</form>
