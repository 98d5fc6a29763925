<script lang="ts">
  import { PHASE_TITLES, PHASES } from '$core/physics/heat/phases';
  import type { ThermalState } from '$core/physics/heat/state';
  import { stretchIndex, type Chip, type Line } from '$core/diagnosis/plan';
  import CheckChip from './CheckChip.svelte';

  interface Props {
    plan: Line;
    state: ThermalState;
    now: string;
    zone: string;
    closed: boolean;
    onopen: (id: Chip['id']) => void;
  }
  let { plan, state: heat, now, zone, closed, onopen }: Props = $props();

  let all = $state(false);
  const shows = (p: Chip) => (closed ? p.done !== null : all || p.suggested);
  /** What passed folds into its stretch; a finding, what did not count and what is open stand. */
  const folds = (p: Chip) => !closed && !all && p.done?.outcome.result === 'pass';
  const line = $derived(plan.line.filter((p) => shows(p) && !folds(p)));
  const passed = $derived(
    PHASES.map((_, i) => plan.line.filter((p) => shows(p) && folds(p) && stretchIndex(p.from) === i))
  );
  const any = $derived(plan.any.filter(shows));
  const bench = $derived(plan.bench.filter(shows));
  const hidden = $derived(
    closed ? 0 : [...plan.line, ...plan.any, ...plan.bench].filter((p) => !p.suggested).length
  );
  const coldLeft = $derived(
    line.filter((p) => p.to === 'cold' && (!p.done || p.done.outcome.result === 'void')).length
  );

  /** Left and right go from stretch to stretch, up and down within one. */
  function arrows(event: KeyboardEvent) {
    if (!event.key.startsWith('Arrow') || !(event.target instanceof HTMLElement)) return;
    const here = event.target.closest<HTMLElement>('[data-stretch]');
    if (!here) return;
    const root = event.currentTarget as HTMLElement;
    const chips = [...root.querySelectorAll<HTMLElement>('[data-stretch]')];
    const stretchOf = (el: HTMLElement) => Number(el.dataset.stretch);
    const step = event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : -1;
    const sideways = event.key === 'ArrowRight' || event.key === 'ArrowLeft';
    const stretches = [...new Set(chips.map(stretchOf))].sort((a, b) => a - b);
    const target = sideways
      ? chips.find((c) => stretchOf(c) === stretches[stretches.indexOf(stretchOf(here)) + step])
      : chips.filter((c) => stretchOf(c) === stretchOf(here))[
          chips.filter((c) => stretchOf(c) === stretchOf(here)).indexOf(here) + step
        ];
    if (!target) return;
    event.preventDefault();
    target.querySelector('button')?.focus();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section class="card mb-3 px-3 py-2 lg:px-4" id="plan" aria-label="Heat line" onkeydown={arrows}>
  <h2 class="mb-1">{closed ? 'What was checked' : 'Plan'}</h2>
  <div class="gap-3 lg:grid lg:grid-cols-[minmax(0,5fr)_minmax(0,1fr)]">
    <div class="min-w-0">
      <ol class="mt-1 hidden grid-cols-5 gap-2 lg:grid" aria-hidden="true">
        {#each PHASES as phase (phase)}
          <li
            class="border-line border-t pt-1 text-sm {heat.phase === phase && !closed
              ? 'font-bold'
              : 'text-ink-2'}"
          >
            {PHASE_TITLES[phase]}{#if phase === 'cold' && coldLeft > 0 && !closed}<span
                class="text-ink-2 font-normal">&nbsp;· {coldLeft} to do</span
              >{/if}
          </li>
        {/each}
      </ol>
      {#if passed.some((of) => of.length > 0)}
        <ul class="mt-1 grid-cols-5 gap-2 max-lg:flex max-lg:flex-wrap lg:grid" aria-label="Passed">
          {#each PHASES as phase, i (phase)}
            <li class={passed[i].length > 0 ? '' : 'max-lg:hidden'}>
              <ul class="flex flex-wrap gap-1">
                {#each passed[i] as planned (planned.id)}
                  <li data-stretch={i}>
                    <CheckChip {planned} next={false} folded {now} {zone} {onopen} />
                  </li>
                {/each}
              </ul>
            </li>
          {/each}
        </ul>
      {/if}
      <ul class="mt-1.5 grid gap-2 sm:grid-cols-2 lg:grid-flow-row-dense lg:grid-cols-5">
        {#each line as planned (planned.id)}
          <li
            data-stretch={stretchIndex(planned.from)}
            style="--from: {stretchIndex(planned.from) + 1}; --to: {stretchIndex(planned.to) + 2}"
            class="min-w-0 lg:[grid-column:var(--from)/var(--to)]"
          >
            <span class="text-ink-2 block text-xs lg:sr-only"
              >{PHASE_TITLES[planned.from!]}{planned.to !== planned.from
                ? ` to ${PHASE_TITLES[planned.to!].toLowerCase()}`
                : ''}</span
            >
            <CheckChip {planned} next={!closed && plan.next?.id === planned.id} {now} {zone} {onopen} />
          </li>
        {/each}
      </ul>
      {#if any.length > 0}
        <p class="text-ink-2 border-line mt-2 border-t pt-1 text-sm">In any state</p>
        <ul class="mt-1 grid gap-2 sm:grid-cols-2 lg:grid-cols-5">
          {#each any as planned (planned.id)}
            <li data-stretch="5" class="min-w-0">
              <CheckChip
                {planned}
                folded={folds(planned)}
                next={!closed && plan.next?.id === planned.id}
                {now}
                {zone}
                {onopen}
              />
            </li>
          {/each}
        </ul>
      {/if}
    </div>
    <div
      class="border-line-strong mt-3 border-t border-dashed pt-2 lg:mt-0 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-3"
    >
      <p class="text-ink-2 text-sm">Bench</p>
      <ul class="mt-1.5 grid gap-2 sm:grid-cols-2 lg:grid-cols-1">
        {#each bench as planned (planned.id)}
          <li data-stretch="6">
            <CheckChip {planned} next={!closed && plan.next?.id === planned.id} {now} {zone} {onopen} />
          </li>
        {:else}<li class="text-ink-2 text-sm">No checks here yet</li>{/each}
      </ul>
    </div>
  </div>

  {#if hidden > 0 || plan.lacking.length > 0}
    <div class="no-print mt-2 flex flex-wrap items-center gap-x-4">
      {#if hidden > 0}<button
          class="quiet-link min-h-11 text-sm"
          aria-expanded={all}
          onclick={() => (all = !all)}
          >{all ? 'Only what the complaint calls for' : `${hidden} more checks`}</button
        >{/if}
      {#if plan.lacking.length > 0}
        <details class="text-sm">
          <summary class="flex min-h-11 items-center">{plan.lacking.length} not applicable</summary>
          <p class="text-ink-2 pb-2">{plan.lacking.map((l) => `${l.title}: ${l.because}`).join(' · ')}</p>
        </details>
      {/if}
    </div>
  {/if}
</section>
