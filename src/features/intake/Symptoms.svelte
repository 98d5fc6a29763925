<script lang="ts">
  import {
    SITUATIONS,
    SITUATION_IDS,
    SYMPTOM_IDS,
    SYMPTOM_KINDS,
    SYMPTOMS,
    type SituationId,
    type Symptom,
    type SymptomId,
    type SymptomKind
  } from '$core/vehicle/symptoms';

  interface Props {
    symptoms: Symptom[];
  }
  let { symptoms = $bindable() }: Props = $props();

  const KINDS = Object.keys(SYMPTOM_KINDS) as SymptomKind[];
  const of = (kind: SymptomKind) => SYMPTOM_IDS.filter((id) => SYMPTOMS[id].kind === kind);
  const chosen = (id: SymptomId) => symptoms.find((s) => s.what === id);

  function toggle(id: SymptomId) {
    symptoms = chosen(id) ? symptoms.filter((s) => s.what !== id) : [...symptoms, { what: id, when: [] }];
  }
  function toggleWhen(id: SymptomId, when: SituationId) {
    symptoms = symptoms.map((s) =>
      s.what !== id
        ? s
        : { ...s, when: s.when.includes(when) ? s.when.filter((w) => w !== when) : [...s.when, when] }
    );
  }
</script>

<div class="divide-line divide-y">
  {#each KINDS as kind (kind)}
    <div class="grid gap-x-3 gap-y-2 py-2 sm:grid-cols-[130px_1fr]">
      <p class="pt-2.5 font-semibold">{SYMPTOM_KINDS[kind]}</p>
      <div class="flex flex-wrap gap-2">
        {#each of(kind) as id (id)}
          <button
            type="button"
            class="min-h-11 rounded-lg border px-3.5 {chosen(id)
              ? 'border-act bg-act text-act-ink font-semibold'
              : 'border-line-strong bg-card hover:bg-well'}"
            aria-pressed={!!chosen(id)}
            onclick={() => toggle(id)}>{SYMPTOMS[id].title}</button
          >
        {/each}
        {#each of(kind).filter(chosen) as id (id)}
          <div
            role="group"
            aria-label="When: {SYMPTOMS[id].title}"
            class="border-act flex w-full flex-wrap items-center gap-1.5 border-l-4 pl-3"
          >
            {#if of(kind).filter(chosen).length > 1}<span class="text-ink-2 w-full text-sm"
                >{SYMPTOMS[id].title}</span
              >{/if}
            {#each SITUATION_IDS as when (when)}
              <button
                type="button"
                class="min-h-11 rounded-full border px-3 text-sm {chosen(id)!.when.includes(when)
                  ? 'border-act bg-well border-2 font-semibold'
                  : 'border-line-strong hover:bg-well'}"
                aria-pressed={chosen(id)!.when.includes(when)}
                onclick={() => toggleWhen(id, when)}>{SITUATIONS[when]}</button
              >
            {/each}
          </div>
        {/each}
      </div>
    </div>
  {/each}
</div>
