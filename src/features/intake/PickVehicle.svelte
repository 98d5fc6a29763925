<script lang="ts">
  import type { FoundVehicle, IntakeView } from '$lib/views';

  interface Props {
    /** Those that are offered before anything is typed: all of a usual fleet, the first of a very large one. */
    vehicles: IntakeView['vehicles'];
    vehicleId: string;
  }
  let { vehicles: offered, vehicleId = $bindable() }: Props = $props();

  let wanted = $state('');
  /** What the server finds beyond those that are offered. */
  let more = $state.raw<readonly FoundVehicle[]>([]);
  $effect(() => {
    const q = wanted.trim();
    if (q.length < 2) return;
    void fetch(`/api/find?${new URLSearchParams({ q }).toString()}`)
      .then(async (r) => (r.ok ? ((await r.json()) as { vehicles: FoundVehicle[] }).vehicles : []))
      .catch(() => [])
      .then((found) => {
        if (q === wanted.trim()) more = found.filter((f) => !offered.some((v) => v.id === f.id));
      });
  });
  const vehicles = $derived([...offered, ...more.map((f) => ({ ...f, openJobs: 0 }))]);
  const found = $derived(
    vehicles.filter((v) =>
      wanted
        .toLowerCase()
        .split(/\s+/)
        .every((w) => `${v.fleetNo} ${v.name} ${v.note}`.toLowerCase().includes(w))
    )
  );
  const picked = $derived(vehicles.find((v) => v.id === vehicleId));

  /** Enter takes the only one left, or the first. */
  function enter(event: KeyboardEvent) {
    if (event.key !== 'Enter' || !wanted.trim()) return;
    event.preventDefault();
    if (found[0]) vehicleId = found[0].id;
  }
</script>

<fieldset>
  <legend class="mb-1.5 font-semibold">Vehicle</legend>
  {#if picked}
    <div
      class="border-act bg-well flex min-h-14 flex-wrap items-center gap-3 rounded-lg border-2 px-3 py-1.5"
      data-picked={picked.fleetNo}
    >
      <span class="min-w-0 flex-1"
        ><span class="reading text-lg font-bold">{picked.fleetNo}</span>
        {picked.name} <span class="text-ink-2">{picked.note}</span></span
      >
      <button type="button" class="btn" onclick={() => (vehicleId = '')}>Another</button>
    </div>
  {:else}
    <div class="flex flex-wrap gap-3">
      <!-- svelte-ignore a11y_autofocus -->
      <input
        class="field max-w-sm"
        type="search"
        placeholder="Fleet number or name, Enter takes it"
        aria-label="Find the vehicle"
        autofocus
        bind:value={wanted}
        onkeydown={enter}
      />
      <a class="btn" href="/vehicles/new?for=job">Add a vehicle</a>
    </div>
    <ul class="mt-2 grid max-h-64 gap-2 overflow-y-auto sm:grid-cols-2">
      {#each found as v (v.id)}
        <li>
          <button
            type="button"
            class="border-line-strong hover:bg-well min-h-14 w-full rounded-lg border px-3 py-1.5 text-left"
            onclick={() => (vehicleId = v.id)}
            ><span class="reading font-bold">{v.fleetNo}</span>
            {v.name}<br /><span class="text-ink-2 text-sm"
              >{v.note}{v.openJobs > 0 ? ` · ${v.openJobs} open` : ''}</span
            ></button
          >
        </li>
      {:else}<li class="text-ink-2 py-3">
          {vehicles.length === 0 ? 'No vehicle yet.' : 'None like this.'}
        </li>{/each}
    </ul>
  {/if}
</fieldset>
