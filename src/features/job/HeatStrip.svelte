<script lang="ts">
  import { PHASE_TITLES, PHASES } from '$core/physics/heat/phases';
  import type { ThermalState } from '$core/physics/heat/state';
  import { stretchIndex, type Chip, type Line } from '$core/diagnosis/plan';
  import HeatCurve, { placeOf } from '$lib/ui/plots/HeatCurve.svelte';
  import { phaseTitle } from './words';

  interface Props {
    plan: Line;
    state: ThermalState;
  }
  let { plan, state: heat }: Props = $props();

  const place = $derived(placeOf(heat));
  const wanted = (p: Chip) => p.suggested || p.done !== null;

  /** What stands on a stretch, in a few words: 5 passed · 1 finding · 2 open. */
  function stands(of: readonly Chip[]): string {
    const count = (...results: string[]) =>
      of.filter((p) => p.done && results.includes(p.done.outcome.result)).length;
    const [passed, findings, unclear, void_] = [
      count('pass'),
      count('fail'),
      count('unclear'),
      count('void')
    ];
    const open = of.filter((p) => !p.done).length + void_;
    return [
      passed ? `${passed} passed` : '',
      findings ? `${findings} finding${findings === 1 ? '' : 's'}` : '',
      unclear ? `${unclear} unclear` : '',
      open ? `${open} open` : ''
    ]
      .filter(Boolean)
      .join(' · ');
  }
  const stretches = $derived(
    PHASES.map((phase, i) => ({
      phase,
      says: stands(plan.line.filter((p) => wanted(p) && stretchIndex(p.from) === i))
    }))
  );
  const anywhere = $derived(stands([...plan.any, ...plan.bench].filter(wanted)));
</script>

<!-- Where the engine stands on its way from cold to cold, and what was found where; the checks themselves are the plan below. -->
<a href="#plan" class="card mb-3 block px-3 py-1.5 lg:px-4">
  <span class="sr-only">Plan, along the engine’s heat</span>
  <HeatCurve
    marks={place === null ? [] : [{ at: place, label: phaseTitle(heat), strong: true }]}
    height={40}
  />
  <ol class="hidden grid-cols-5 gap-2 text-sm md:grid">
    {#each stretches as { phase, says } (phase)}
      <li class="border-line border-t pt-0.5 leading-tight">
        <span class={heat.phase === phase ? 'font-bold' : ''}>{PHASE_TITLES[phase]}</span>
        {#if says}<span class="text-ink-2 block text-xs">{says}</span>{/if}
      </li>
    {/each}
  </ol>
  <p class="text-ink-2 text-xs md:hidden">
    {[
      ...stretches.filter((s) => s.says).map((s) => `${PHASE_TITLES[s.phase]}: ${s.says}`),
      anywhere ? `elsewhere: ${anywhere}` : ''
    ]
      .filter(Boolean)
      .join('; ')}
  </p>
</a>
