<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import { valueAt, withValue } from '$core/units/field';
  import { askedOn, cleanSheet, fieldName, SHEET_PARTS } from '$core/vehicle/sheet-fields';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { bareSheet } from '$core/vehicle/three-taps';
  import FieldInput from '$lib/ui/inputs/FieldInput.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { named, saveSheet } from '$lib/ui/outbox/save-sheet';

  interface Props {
    vehicle: { readonly id: string; readonly name: string };
    sheet: SpecSheet | null;
    /** Fields of the sheet that would decide. */
    asks: readonly string[];
  }
  let { vehicle, sheet, asks }: Props = $props();
  /** What was answered here; the rest of the sheet is as it stands now, whoever wrote it meanwhile. */
  let answers = $state.raw<Readonly<Record<string, unknown>>>({});
  const typed = $derived(
    Object.entries(answers).reduce<Record<string, unknown>>(
      (made, [path, value]) => withValue(made, path, value),
      sheet ?? bareSheet(vehicle.name)
    )
  );
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);

  /** A stage of the fan is asked for as the list that it is part of. */
  const wanted = $derived([...new Set(asks.map((a) => a.replace(/\.\d+\..*$/, '')))]);
  const fields = $derived(
    SHEET_PARTS.flatMap((p) => askedOn(typed, p.fields)).filter((f) => wanted.includes(f.path))
  );

  async function save() {
    busy = true;
    const answer = await saveSheet(vehicle.id, cleanSheet(typed));
    busy = false;
    problems = answer.ok ? [] : named(answer.problems);
    if (!answer.ok) return;
    answers = {};
    await invalidateAll();
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
          onvalue={(v) => (answers = { ...answers, [field.path]: v })}
        />
      {/each}
    </div>
    <Problems {problems} title="Not saved yet" />
    <button type="button" class="btn mt-2" disabled={busy} onclick={save}>Save to the sheet</button>
  </section>
{/if}
