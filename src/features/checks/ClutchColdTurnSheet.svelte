<script lang="ts">
  import { DRAGS, type ClutchColdTurnReadings } from '$core/checks/clutch/clutch-cold-turn';
  import { choicesOf } from '$lib/ui/inputs/choices';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), problems, earlier }: SheetProps<Draft<ClutchColdTurnReadings>> = $props();

  const choices = choicesOf(DRAGS);
  const TURNS = [0, 1, 2, 3, 4, 5, 6, 8];
  /** How far round a fan with this drag goes by itself, for the drawing. */
  const arc = $derived(Math.min(readings.freeTurns ?? 0, 8));
  const spiral = $derived(
    Array.from({ length: Math.round(arc * 40) + 1 }, (_, i) => {
      const turn = i / 40;
      const r = 46 + turn * 6.5;
      const a = turn * 2 * Math.PI - Math.PI / 2;
      return `${i ? 'L' : 'M'}${(110 + r * Math.cos(a)).toFixed(1)} ${(110 + r * Math.sin(a)).toFixed(1)}`;
    }).join('')
  );
</script>

<div class="grid items-start gap-6 sm:grid-cols-[220px_1fr]">
  <svg
    viewBox="0 0 220 220"
    class="w-full max-w-56"
    role="img"
    aria-label="Turns after a flick: {readings.freeTurns ?? 'not tried'}"
  >
    <circle cx="110" cy="110" r="105" fill="none" stroke="var(--line)" stroke-width="2" />
    {#each [0, 60, 120, 180, 240, 300] as angle (angle)}
      <path
        d="M110 96 C128 84 132 62 122 40 L104 40 C100 60 100 80 110 96Z"
        transform="rotate({angle} 110 110)"
        fill="var(--well)"
        stroke="var(--line-strong)"
      />
    {/each}
    <circle cx="110" cy="110" r="20" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
    {#if arc > 0}<path
        d={spiral}
        fill="none"
        stroke={arc >= 5 ? 'var(--off)' : 'var(--act)'}
        stroke-width="4"
        stroke-linecap="round"
      />{/if}
  </svg>
  <div class="space-y-4">
    <Choose
      label={earlier.length > 0 ? 'The very first turn after standing' : 'The very first turn by hand'}
      {choices}
      bind:value={readings.firstTurn}
      problem={problems.firstTurn}
    />
    <div>
      <p class="mb-1 text-sm font-semibold">Turns it makes by itself after a flick</p>
      <div class="flex flex-wrap gap-2">
        {#each TURNS as n (n)}
          <button
            type="button"
            class="reading min-h-11 min-w-11 rounded-lg border px-3 {readings.freeTurns === n
              ? 'border-act bg-well border-2 font-semibold'
              : 'border-line-strong bg-card hover:bg-well'}"
            aria-pressed={readings.freeTurns === n}
            onclick={() => (readings.freeTurns = readings.freeTurns === n ? null : n)}
            >{n === 8 ? '8+' : n}</button
          >
        {/each}
      </div>
    </div>
    <Choose label="Later turns, kept and not judged" {choices} bind:value={readings.laterTurns} optional />
  </div>
</div>
