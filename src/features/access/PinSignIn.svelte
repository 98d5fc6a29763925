<script lang="ts">
  import UserRound from '~icons/lucide/user-round';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Problem } from '$core/base/result';
  import { send } from './send';
  import PinPad from './PinPad.svelte';

  interface Props {
    /** Who has a PIN on this device. */
    people: readonly { id: string; name: string }[];
    onsignedin: (person: string) => void;
  }
  let { people, onsignedin }: Props = $props();
  let chosen = $state<string | null>(null);
  let busy = $state(false);
  let problems = $state<readonly Problem[]>([]);
  const person = $derived(people.find((p) => p.id === (people.length === 1 ? people[0]!.id : chosen)));

  async function enter(pin: string) {
    busy = true;
    const answer = await send('pin', { person: person!.id, pin });
    busy = false;
    if (answer.ok) onsignedin(person!.id);
    else problems = answer.problems;
  }
</script>

<Problems {problems} title="Not signed in" />
{#if person}
  <div class="mt-4">
    {#key person.id}<PinPad label="PIN of {person.name}" {busy} onpin={enter} />{/key}
    {#if people.length > 1}
      <p class="mt-4 text-center">
        <button type="button" class="btn" onclick={() => (chosen = null)}>Somebody else</button>
      </p>
    {/if}
  </div>
{:else}
  <ul class="mt-4 grid gap-3 sm:grid-cols-2">
    {#each people as p (p.id)}
      <li>
        <button
          type="button"
          class="btn min-h-16 w-full justify-start gap-3 text-lg"
          onclick={() => {
            chosen = p.id;
            problems = [];
          }}><UserRound size={22} aria-hidden="true" />{p.name}</button
        >
      </li>
    {/each}
  </ul>
{/if}
