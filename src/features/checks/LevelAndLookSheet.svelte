<script lang="ts">
  import {
    LOOK_IDS,
    LOOKS,
    lookState,
    type LevelAndLookReadings,
    type LookId
  } from '$core/checks/coolant/level-and-look';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import type { SheetProps } from './types';

  let { readings = $bindable(), problems }: SheetProps<LevelAndLookReadings> = $props();

  const choices = (id: LookId) =>
    Object.keys(LOOKS[id].states).map((value) => {
      const state = lookState(id, value)!;
      return { value, label: state.title, tone: state.is };
    });
  const FILL: Record<string, number> = { over: 0.92, mark: 0.68, low: 0.34, empty: 0.04 };
  const fill = $derived(FILL[readings.level ?? ''] ?? null);
  const defects = $derived(
    LOOK_IDS.filter((id) => {
      const state = lookState(id, readings[id]);
      return state && state.is !== 'good';
    })
  );
  function allGood() {
    for (const id of LOOK_IDS)
      readings[id] ??= Object.keys(LOOKS[id].states).find((v) => lookState(id, v)!.is === 'good')!;
  }
  const aside = (id: LookId, on: boolean) =>
    (readings.fixAnyway = on ? [...readings.fixAnyway, id] : readings.fixAnyway.filter((x) => x !== id));
</script>

<div class="grid gap-6 sm:grid-cols-[130px_1fr]">
  <svg
    viewBox="0 0 130 200"
    class="hidden w-full max-w-36 sm:block"
    role="img"
    aria-label="Level in the tank: {readings.level ?? 'not looked at'}"
  >
    <rect
      x="44"
      y="2"
      width="42"
      height="22"
      rx="5"
      fill="var(--well)"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    <rect
      x="14"
      y="24"
      width="102"
      height="168"
      rx="18"
      fill="var(--card)"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    {#if fill !== null}
      <clipPath id="tank"><rect x="16" y="26" width="98" height="164" rx="16" /></clipPath>
      <rect
        x="16"
        y={190 - fill * 160}
        width="98"
        height={fill * 160}
        fill={readings.level === 'mark' ? 'var(--good)' : 'var(--heat-3)'}
        opacity="0.45"
        clip-path="url(#tank)"
      />
    {/if}
    {#each [70, 92] as y (y)}<line
        x1="92"
        x2="114"
        y1={y}
        y2={y}
        stroke="var(--ink)"
        stroke-width="3"
      />{/each}
    <text x="24" y="87" font-size="14" fill="var(--ink-2)">cold</text>
  </svg>
  <div class="grid gap-x-6 gap-y-3.5 xl:grid-cols-2">
    {#each LOOK_IDS as id (id)}
      <Choose
        label={LOOKS[id].title}
        choices={choices(id)}
        bind:value={readings[id]}
        optional
        problem={problems[id]}
      />
    {/each}
  </div>
</div>
<div class="flex flex-wrap items-end gap-4">
  <label class="block min-w-64 flex-1"
    ><span class="mb-1 block text-sm font-semibold">Where, and what else</span><input
      class="field"
      maxlength="1000"
      bind:value={readings.note}
    /></label
  >
  <button type="button" class="btn" onclick={allGood}>The rest is good</button>
</div>
{#if defects.length > 0}
  <fieldset class="border-line border-t pt-3">
    <legend class="sr-only">Real, and not the cause</legend>
    <p class="text-sm font-semibold">Put right anyway, not the cause of this complaint</p>
    <div class="mt-1 flex flex-wrap gap-x-6">
      {#each defects as id (id)}
        <label class="flex min-h-11 items-center gap-2"
          ><input
            type="checkbox"
            class="size-5"
            checked={readings.fixAnyway.includes(id)}
            onchange={(e) => aside(id, e.currentTarget.checked)}
          />{LOOKS[id].title}: {lookState(id, readings[id])!.title.toLowerCase()}</label
        >
      {/each}
    </div>
  </fieldset>
{/if}
