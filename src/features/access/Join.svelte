<script lang="ts">
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Problem } from '$core/base/result';
  import type { Role } from '$core/record/roles';
  import TextInput from '$lib/ui/inputs/TextInput.svelte';
  import CodeInput from './CodeInput.svelte';
  import NewPin from './NewPin.svelte';
  import { deviceName, send } from './send';

  interface Props {
    token: string;
    role: Role;
    /** Of somebody who is here already and gets a new passphrase. */
    name: string | null;
    /** An owner's second factor, as text and as a code to scan; empty for others. */
    secret: string;
    picture: string;
  }
  let { token, role, name, secret, picture }: Props = $props();
  let typed = $state('');
  let passphrase = $state('');
  let code = $state('');
  let pin = $state('');
  let busy = $state(false);
  let problems = $state<readonly Problem[]>([]);

  const ROLE_WORDS: Record<Role, string> = {
    reader: 'You read jobs and reports.',
    technician: 'You record jobs, checks and runs, and undo your own entries.',
    lead: 'You record, close jobs, set prices and undo anyone’s entries.',
    owner: 'You have people, devices, files and backups in your hands, besides all a lead does.'
  };

  async function enter(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    const answer = await send('join', {
      token,
      name: typed,
      passphrase,
      secret,
      code,
      pin,
      deviceName: deviceName()
    });
    busy = false;
    if (answer.ok) location.assign('/');
    else problems = answer.problems;
  }
</script>

<form class="card mx-auto max-w-lg space-y-4 p-6" onsubmit={enter}>
  <h1>{name ? `A new passphrase for ${name}` : `Join as ${role === 'owner' ? 'an' : 'a'} ${role}`}</h1>
  <p class="text-ink-2">{ROLE_WORDS[role]}</p>
  {#if !name}
    <TextInput
      label="Name"
      hint="As it stands in the record beside what you enter."
      autocomplete="username"
      maxlength={60}
      required
      bind:value={typed}
    />
  {/if}
  <TextInput
    label="Passphrase"
    hint="At least 12 characters. Four words that do not belong together are easy to keep."
    type="password"
    autocomplete="new-password"
    maxlength={400}
    required
    bind:value={passphrase}
  />
  {#if secret}
    <fieldset class="border-line rounded-card border p-4">
      <legend class="px-1 text-sm font-semibold">Second factor</legend>
      <p>Scan this with an authenticator app on your phone, and enter the six digits it shows.</p>
      <div class="mt-3 flex flex-wrap items-center gap-4">
        <img
          src={picture}
          alt="Code for an authenticator"
          width="208"
          height="208"
          class="rounded bg-white"
        />
        <p class="min-w-40 flex-1 text-sm">
          Or type this into it: <span class="reading break-all select-all"
            >{secret.match(/.{1,4}/g)?.join(' ')}</span
          >
        </p>
      </div>
      <div class="mt-3"><CodeInput label="Code" required bind:code /></div>
    </fieldset>
  {/if}
  <NewPin bind:pin />
  <Problems {problems} title="Not joined yet" />
  <button class="btn btn-main" disabled={busy}>{name ? 'Save passphrase' : 'Join'}</button>
</form>
