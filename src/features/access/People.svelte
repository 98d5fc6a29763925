<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { ROLES, type Role } from '$core/record/roles';
  import type { Problem } from '$core/base/result';
  import { page } from '$app/state';
  import { when } from '$lib/ui/page-state/when';
  import { send } from './send';

  interface Props {
    people: readonly { id: string; name: string; role: Role; seenAt: Date | null }[];
    devices: readonly { id: string; name: string; by: string; seenAt: Date }[];
    lines: readonly {
      at: Date;
      what: string;
      person: string | null;
      device: string | null;
      address: string;
      details: string;
    }[];
    /** The one this page is read on. */
    device: string | null;
  }
  let { people, devices, lines, device }: Props = $props();
  let role = $state<Role>('technician');
  let link = $state<{ text: string; what: string } | null>(null);
  let problems = $state<readonly Problem[]>([]);
  let asking = $state<string | null>(null);

  const whenText = (at: Date) => when(new Date(at).toISOString(), page.data.zone as string);
  const roles = ROLES.map((r) => ({ value: r, label: r }));

  async function ask(body: object, what = '') {
    asking = null;
    const answer = await send('people', body);
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok && answer.link) link = { text: answer.link, what };
    await invalidateAll();
  }
</script>

<h1 class="mb-4">People and devices</h1>
<div class="mb-4 empty:hidden"><Problems {problems} title="Not changed" /></div>
<div class="grid gap-4 lg:grid-cols-[3fr_2fr]">
  <section class="card p-4" aria-label="People">
    <div class="flex flex-wrap items-center gap-3">
      <h2 class="mr-auto self-center">
        People <span class="text-ink-2 reading font-normal">{people.length}</span>
      </h2>
      <div class="w-40">
        <Select label="Role" quiet choices={roles} value={role} onvalue={(v) => (role = v as Role)} />
      </div>
      <button
        class="btn btn-main"
        onclick={() => ask({ deed: 'invite', role, person: null }, `a new ${role}`)}>Make a link</button
      >
    </div>
    {#if link}
      <div class="bg-well rounded-card mt-3 p-3" role="status">
        <p>Give this link to {link.what}. It works once, within 48 hours.</p>
        <p class="reading mt-1 text-sm break-all select-all" data-link>{link.text}</p>
        <p class="mt-2">
          <button class="btn" onclick={() => navigator.clipboard?.writeText(link!.text)}>Copy</button>
          <button class="btn" onclick={() => (link = null)}>Done</button>
        </p>
      </div>
    {/if}
    <ul class="mt-2">
      {#each people as p (p.id)}
        <li class="border-line flex flex-wrap items-center gap-3 border-t py-2" data-person={p.name}>
          <span class="mr-auto min-w-40"
            ><span class="font-semibold">{p.name}</span><span class="text-ink-2 block text-sm"
              >{p.seenAt ? `here ${whenText(p.seenAt)}` : 'never signed in'}</span
            ></span
          >
          <div class="w-36">
            <Select
              label="Role of {p.name}"
              quiet
              choices={roles}
              value={p.role}
              onvalue={(v) =>
                v === 'owner' && p.role !== 'owner'
                  ? ask(
                      { deed: 'invite', role: 'owner', person: p.id },
                      `${p.name}, who becomes an owner with it`
                    )
                  : ask({ deed: 'change', person: p.id, role: v })}
            />
          </div>
          <button
            class="btn"
            onclick={() =>
              ask({ deed: 'invite', role: p.role, person: p.id }, `${p.name}, for a new passphrase`)}
            >New passphrase</button
          >
          {#if asking === p.id}
            <button
              class="btn border-off text-off"
              onclick={() => ask({ deed: 'change', person: p.id, role: null })}>Yes, remove {p.name}</button
            ><button class="btn" onclick={() => (asking = null)}>Cancel</button>
          {:else}
            <button class="btn" onclick={() => (asking = p.id)}>Remove</button>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
  <section class="card p-4" aria-label="Devices">
    <h2>Devices <span class="text-ink-2 reading font-normal">{devices.length}</span></h2>
    <ul class="mt-2">
      {#each devices as d (d.id)}
        <li class="border-line flex flex-wrap items-center gap-3 border-t py-2">
          <span class="mr-auto"
            ><span class="font-semibold">{d.name}</span>{d.id === device ? ' (this one)' : ''}<span
              class="text-ink-2 block text-sm">enrolled by {d.by} · used {whenText(d.seenAt)}</span
            ></span
          >
          {#if asking === d.id}
            <button class="btn border-off text-off" onclick={() => ask({ deed: 'revoke', device: d.id })}
              >Yes, sign everybody out on it</button
            ><button class="btn" onclick={() => (asking = null)}>Cancel</button>
          {:else}
            <button class="btn" onclick={() => (asking = d.id)}>Revoke</button>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
</div>
<section class="card mt-4 p-4" aria-label="Security">
  <h2>Security log</h2>
  <div class="mt-2 overflow-x-auto">
    <table class="w-full text-sm">
      <thead class="text-ink-2 text-left"
        ><tr
          ><th class="py-1 pr-4">When</th><th class="pr-4">What</th><th class="pr-4">Person</th><th
            class="pr-4">Device</th
          ><th class="pr-4">From</th><th>Details</th></tr
        ></thead
      >
      <tbody>
        {#each lines as l, i (i)}
          <tr class="border-line border-t"
            ><td class="reading py-1 pr-4 whitespace-nowrap">{whenText(l.at)}</td><td class="pr-4"
              >{l.what}</td
            ><td class="pr-4">{l.person ?? ''}</td><td class="pr-4">{l.device ?? ''}</td><td
              class="reading pr-4">{l.address}</td
            ><td class="break-all">{l.details}</td></tr
          >
        {/each}
      </tbody>
    </table>
  </div>
</section>
