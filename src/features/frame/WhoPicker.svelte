<script lang="ts">
  import UserRound from '@lucide/svelte/icons/user-round';

  interface Props {
    who: string;
  }
  let { who }: Props = $props();
  // svelte-ignore state_referenced_locally
  let name = $state(who === 'Unsigned' ? '' : who);

  function keep() {
    document.cookie = `who=${encodeURIComponent(name.trim())}; path=/; max-age=31536000; samesite=lax`;
  }
</script>

<label
  class="border-line-strong focus-within:outline-act flex min-h-11 items-center gap-2 rounded-lg border px-3 focus-within:outline-3"
>
  <UserRound size={18} aria-hidden="true" />
  <span class="sr-only">Who is at the bench</span>
  <input
    class="w-28 bg-transparent py-2 outline-none lg:w-36"
    placeholder="Your name"
    maxlength="60"
    bind:value={name}
    onchange={keep}
  />
</label>
