<script lang="ts">
  import PassphraseForm from './PassphraseForm.svelte';
  import PinSignIn from './PinSignIn.svelte';

  interface Props {
    people: readonly { id: string; name: string }[];
    onsignedin: (person: string | null) => void;
  }
  let { people, onsignedin }: Props = $props();
  let byPassphrase = $state(false);
</script>

{#if people.length > 0 && !byPassphrase}
  <PinSignIn {people} {onsignedin} />
  <p class="border-line mt-6 border-t pt-4 text-center">
    <button type="button" class="btn" onclick={() => (byPassphrase = true)}>Sign in with a passphrase</button>
  </p>
{:else}
  <PassphraseForm onsignedin={() => onsignedin(null)} />
  {#if people.length > 0}
    <p class="border-line mt-6 border-t pt-4 text-center">
      <button type="button" class="btn" onclick={() => (byPassphrase = false)}>Sign in with a PIN</button>
    </p>
  {/if}
{/if}
