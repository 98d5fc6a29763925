<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { untrack } from 'svelte';
  import type { Problem } from '$core/base/result';
  import { valueAt, withValue } from '$core/units/field';
  import { askedOn, cleanSheet, fieldName, SHEET_PARTS } from '$core/vehicle/sheet-fields';
  import { readSpecSheet, type SpecSheet } from '$core/vehicle/spec-sheet';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';

  interface Props {
    vehicle: { readonly id: string; readonly name: string };
    sheet: SpecSheet | null;
    /** Fields of the sheet that would decide. */
    asks: readonly string[];
  }
  let { vehicle, sheet, asks }: Props = $props();
  let typed = $state.raw<Record<string, unknown>>(untrack(() => sheet ?? { name: vehicle.name }));
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);

  /** A stage of the fan is asked for as the list that it is part of. */
  const wanted = $derived([...new Set(asks.map((a) => a.replace(/\.\d+\..*$/, '')))]);
  const fields = $derived(
    SHEET_PARTS.flatMap((p) => askedOn(typed, p.fields)).filter((f) => wanted.includes(f.path))
  );

  async function save() {
    const read = readSpecSheet(cleanSheet(typed));
    problems = read.ok ? [] : read.problems.map((p) => (p.field ? { ...p, field: fieldName(p.field) } : p));
    if (!read.ok) return;
    busy = true;
    const answer = await record(
      `vehicle:${vehicle.id}`,
      { kind: 'spec.saved', payload: { sheet: read.value } },
      crypto.randomUUID()
    );
    busy = false;
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) await invalidateAll();
  }
</script>

{#if fields.length > 0}
  <section class="card p-4" aria-label="What would decide">
    <h3 class="font-bold">Do you know it?</h3>
    <p class="text-ink-2 text-sm">
      The sheet does not give it, and it would decide here. It goes into the sheet.
    </p>
    <div class="mt-2 grid gap-x-3 gap-y-1">
      {#each fields as field (field.path)}
        <FieldInput
          field={{ ...field, label: fieldName(field.path) }}
          value={valueAt(typed, field.path)}
          wrong={() => undefined}
          onvalue={(v) => (typed = withValue(typed, field.path, v))}
        />
      {/each}
    </div>
    <Problems {problems} title="Not saved yet" />
    <button type="button" class="btn mt-2" disabled={busy} onclick={save}>Save to the sheet</button>
  </section>
{/if}
