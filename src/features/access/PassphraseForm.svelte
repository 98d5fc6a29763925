<script lang="ts">
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Problem } from '$core/base/result';
  import TextInput from '$lib/ui/inputs/TextInput.svelte';
  import CodeInput from './CodeInput.svelte';
  import NewPin from './NewPin.svelte';
  import { deviceName, send } from './send';

  interface Props {
    onsignedin: () => void;
  }
  let { onsignedin }: Props = $props();
  let name = $state('');
  let passphrase = $state('');
  let code = $state('');
  let pin = $state('');
  let codeAsked = $state(false);
  let busy = $state(false);
  let problems = $state<readonly Problem[]>([]);

  async function enter(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const answer = await send('sign-in', { name, passphrase, code, pin, deviceName: deviceName() });
    busy = false;
    if (answer.ok) return onsignedin();
    // The code is asked of those who have one, after their passphrase was right.
    const first = !codeAsked && answer.problems.some((p) => p.field === 'Code');
    codeAsked ||= first;
    problems = first ? [] : answer.problems;
  }
</script>

<form class="space-y-4" onsubmit={enter}>
  <TextInput label="Name" autocomplete="username" maxlength={60} required bind:value={name} />
  <TextInput
    label="Passphrase"
    type="password"
    autocomplete="current-password"
    maxlength={400}
    required
    bind:value={passphrase}
  />
  {#if codeAsked}<CodeInput label="Code of your authenticator" autofocus bind:code />{/if}
  <NewPin bind:pin />
  <Problems {problems} title="Not signed in" />
  <button class="btn btn-main" disabled={busy}>Sign in</button>
</form>
