<script lang="ts">
  import { Tabs } from 'bits-ui';
  import { toast } from 'svelte-sonner';
  import { goto } from '$app/navigation';
  import { readSpecSheet } from '$core/vehicle/read-sheet';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { named, saveSheet } from '$lib/ui/outbox/save-sheet';
  import { changesOf, cleanSheet } from '$core/vehicle/sheet-fields';
  import { shown } from '$lib/ui/page-state/units';
  import PastePage from './PastePage.svelte';
  import SheetForm from './SheetForm.svelte';
  import type { Vehicle } from './types';

  interface Props {
    vehicle: Vehicle;
    /** Vehicles whose sheets this one may begin with. */
    others: readonly { readonly id: string; readonly title: string }[];
  }
  let { vehicle, others }: Props = $props();

  // svelte-ignore state_referenced_locally
  let typed = $state.raw<Record<string, unknown>>(vehicle.sheet ?? { name: vehicle.name });
  let tab = $state('form');
  let text = $state('');
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  /** What saving would change, so that a slip of the hand is seen. */
  const changes = $derived(
    tab === 'form' && vehicle.sheet
      ? changesOf(vehicle.sheet, cleanSheet(typed), (value, kind) => shown(value, kind))
      : []
  );

  function turnTo(next: string) {
    if (tab === 'text') {
      const read = fromText();
      if (!read) return;
      typed = read;
    }
    if (next === 'text') text = JSON.stringify(cleanSheet(typed), null, 2);
    problems = [];
    tab = next;
  }

  /** The text as a sheet; undefined, with the problems shown, where it is none. */
  function fromText(): SpecSheet | undefined {
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch (error) {
      problems = [{ message: `not JSON: ${(error as Error).message}` }];
      return undefined;
    }
    const read = readSpecSheet(json);
    problems = read.ok ? [] : read.problems;
    return read.ok ? read.value : undefined;
  }

  /** Begins with the sheet of a vehicle like it; its name stays its own, and what it learned is not taken over. */
  async function copyFrom(id: string | null) {
    if (!id) return;
    const response = await fetch(`/api/vehicles/${id}/sheet.json`);
    const read = response.ok ? readSpecSheet(await response.json()) : null;
    problems = read?.ok ? [] : [{ message: 'the sheet of that vehicle could not be read; try once more' }];
    if (read?.ok) typed = { ...read.value, name: String(typed.name ?? vehicle.name), learned: null };
  }

  async function takeFile(file: File | undefined) {
    if (!file) return;
    text = await file.text();
    tab = 'text';
    fromText();
  }

  async function save(event: SubmitEvent) {
    event.preventDefault();
    const read = tab === 'text' ? fromText() : checked(cleanSheet(typed));
    if (!read) return;
    busy = true;
    const id = crypto.randomUUID();
    const stream = `vehicle:${vehicle.id}`;
    const answer = await saveSheet(vehicle.id, read, id);
    busy = false;
    if (!answer.ok) {
      problems = answer.problems;
      return;
    }
    await goto(`/vehicles/${vehicle.id}`, { invalidateAll: true });
    toast(`Spec sheet of ${vehicle.fleetNo} saved`, {
      action: {
        label: 'Undo',
        onClick: () =>
          void record(stream, { kind: 'undo', payload: { of: id } }).then(() =>
            goto(`/vehicles/${vehicle.id}`, { invalidateAll: true })
          )
      }
    });
  }

  function checked(sheet: unknown): SpecSheet | undefined {
    const read = readSpecSheet(sheet);
    problems = read.ok ? [] : read.problems;
    return read.ok ? read.value : undefined;
  }
</script>

<p class="text-ink-2">
  <a class="quiet-link" href="/vehicles/{vehicle.id}">{vehicle.fleetNo} {vehicle.name}</a>
</p>
<h1 class="mt-1">Spec sheet</h1>
<p class="text-ink-2 mt-1 mb-4 max-w-3xl">
  What this vehicle should do, from the maker’s service information. Leave out what you do not know: it is
  taken as typical for such an engine and marked so. Any unit may be typed: 187F, 5.2k, 1.1 bar.
</p>

<form onsubmit={save}>
  <Problems problems={named(problems)} title="Not saved yet" />
  <Tabs.Root value={tab} onValueChange={turnTo}>
    <div class="mt-3 mb-3 flex flex-wrap items-center gap-3">
      <Tabs.List class="border-line-strong flex rounded-lg border p-0.5">
        <Tabs.Trigger
          value="form"
          class="data-[state=active]:bg-ink data-[state=active]:text-card min-h-11 rounded-md px-4 font-semibold"
          >Fields</Tabs.Trigger
        >
        <Tabs.Trigger
          value="text"
          class="data-[state=active]:bg-ink data-[state=active]:text-card min-h-11 rounded-md px-4 font-semibold"
          >Whole sheet as text</Tabs.Trigger
        >
        <Tabs.Trigger
          value="paste"
          class="data-[state=active]:bg-ink data-[state=active]:text-card min-h-11 rounded-md px-4 font-semibold"
          >Paste a page</Tabs.Trigger
        >
      </Tabs.List>
      <label class="btn focus-within:outline-3"
        >Open a file<input
          type="file"
          accept=".json,application/json"
          class="sr-only"
          onchange={(e) => takeFile(e.currentTarget.files?.[0])}
        /></label
      >
      {#if others.length > 0}
        <div class="min-w-56">
          <Select
            label="Copy from a vehicle like it"
            choices={others.map((o) => ({ value: o.id, label: o.title }))}
            value={null}
            blank="none"
            onvalue={copyFrom}
          />
        </div>
      {/if}
    </div>
    <Tabs.Content value="paste"
      ><PastePage
        {typed}
        onuse={(next) => {
          typed = next;
          tab = 'form';
        }}
      /></Tabs.Content
    >
    <Tabs.Content value="form"><SheetForm bind:typed {problems} /></Tabs.Content>
    <Tabs.Content value="text"
      ><textarea
        class="field reading min-h-[60vh] text-sm"
        aria-label="Whole sheet as text"
        spellcheck="false"
        bind:value={text}></textarea></Tabs.Content
    >
  </Tabs.Root>
  {#if changes.length > 0}
    <section class="card mt-4 p-4" aria-label="What changes">
      <h2>What changes</h2>
      <ul class="mt-1">
        {#each changes as c (c.field.path)}<li>
            {c.part}, {c.field.label.toLowerCase()}: {c.before ?? 'not given'} →
            <strong>{c.after ?? 'not given'}</strong>
          </li>{/each}
      </ul>
    </section>
  {/if}
  <div class="border-line bg-paper sticky bottom-0 -mx-3 mt-4 flex gap-3 border-t px-3 py-3 max-md:bottom-14">
    <button class="btn btn-main min-w-36" disabled={busy}>{busy ? 'Saving…' : 'Save the sheet'}</button><a
      class="btn"
      href="/vehicles/{vehicle.id}">Cancel</a
    >
  </div>
</form>
