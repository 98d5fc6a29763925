<script lang="ts">
  import UserRound from '~icons/lucide/user-round';
  import { keepWho, UNSIGNED } from '$lib/ui/page-state/who';

  interface Props {
    who: string;
  }
  let { who }: Props = $props();
  // svelte-ignore state_referenced_locally
  let name = $state(who === UNSIGNED ? '' : who);
  let names = $state<readonly string[]>([]);

  async function offer() {
    if (names.length > 0) return;
    const response = await fetch('/api/names').catch(() => null);
    if (response?.ok) names = await response.json();
  }
</script>

<label
  class="border-line-strong focus-within:outline-act flex min-h-11 items-center gap-2 rounded-lg border px-3 focus-within:outline-3"
>
  <UserRound size={18} aria-hidden="true" />
  <span class="sr-only">Signed in as</span>
  <input
    class="w-20 bg-transparent py-2 outline-none md:w-28 lg:w-32"
    placeholder="Your name"
    maxlength="60"
    list="known-names"
    bind:value={name}
    onfocus={offer}
    onchange={() => keepWho(name)}
  />
  <datalist id="known-names"
    >{#each names as n (n)}<option value={n}></option>{/each}</datalist
  >
</label>
