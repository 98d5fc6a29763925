<script lang="ts">
  import { SWAPPED, type RelaySwapReadings } from '$core/checks/fan/relay-swap';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import type { SheetProps } from './types';

  type Reading = Omit<RelaySwapReadings, 'then'> & { then: string | null };
  let { readings = $bindable(), problems }: SheetProps<Reading> = $props();
  const STEPS = $derived([
    { key: 'identical', text: 'The part number is the same, letter for letter', done: readings.identical },
    {
      key: 'donorSafe',
      text: 'The engine runs safely without the circuit it comes from',
      done: readings.donorSafe
    }
  ] as const);
</script>

<ol class="space-y-3">
  {#each STEPS as step, i (step.key)}
    <li class="flex gap-4">
      <span
        class="reading flex size-9 shrink-0 items-center justify-center rounded-full border-2 font-bold {step.done
          ? 'border-good bg-good-wash text-good'
          : 'border-line-strong'}">{i + 1}</span
      >
      <div>
        <label class="flex min-h-11 items-center gap-2.5"
          ><input
            type="checkbox"
            class="size-6"
            checked={step.done}
            onchange={(e) => (readings[step.key] = e.currentTarget.checked)}
          />{step.text}</label
        >
        {#if problems[step.key]}<p class="text-off text-sm font-semibold">{problems[step.key]}</p>{/if}
      </div>
    </li>
  {/each}
  <li class="flex gap-4">
    <span
      class="reading border-line-strong flex size-9 shrink-0 items-center justify-center rounded-full border-2 font-bold"
      >3</span
    >
    <label class="block grow"
      ><span class="mb-1 block text-sm font-semibold">Borrowed from</span><input
        class="field max-w-sm"
        maxlength="60"
        placeholder="e.g. horn"
        bind:value={readings.donor}
        aria-invalid={problems.donor ? 'true' : undefined}
      />{#if problems.donor}<span class="text-off text-xs font-semibold">{problems.donor}</span>{/if}</label
    >
  </li>
  <li class="flex gap-4">
    <span
      class="reading border-line-strong flex size-9 shrink-0 items-center justify-center rounded-full border-2 font-bold"
      >4</span
    >
    <Choose
      label="With it in place"
      choices={choicesOf(SWAPPED)}
      bind:value={readings.then}
      problem={problems.then}
    />
  </li>
  <li class="flex gap-4">
    <span
      class="reading flex size-9 shrink-0 items-center justify-center rounded-full border-2 font-bold {readings.putBack
        ? 'border-good bg-good-wash text-good'
        : 'border-line-strong'}">5</span
    >
    <label class="flex min-h-11 items-center gap-2.5"
      ><input type="checkbox" class="size-6" bind:checked={readings.putBack} />Both relays are back where they
      belong</label
    >
  </li>
</ol>
