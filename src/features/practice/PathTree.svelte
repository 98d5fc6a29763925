<script lang="ts">
  import { PHASE_TITLES, PHASES } from '$core/physics/heat/phases';
  import type { ThermalState } from '$core/physics/heat/state';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';

  interface Props {
    steps: NonNullable<PracticeNow['review']>['steps'];
  }
  let { steps }: Props = $props();
  const bits = (n: number) => n.toFixed(1);
  /** Where a stretch of the heat line stands, of a hundred; what nobody knows stands before it. */
  const xOf = (phase: ThermalState['phase']) => (phase === 'unknown' ? 4 : 10 + 20 * PHASES.indexOf(phase));
  /** A check that was worth this much more than what was done is a fork. */
  const FORK_BITS = 0.2;
  const rows = $derived(
    steps.map((step, i) => {
      const fork =
        step.best && step.bits !== null && step.best.bits > Math.max(0, step.bits) + FORK_BITS
          ? step.best
          : null;
      return {
        ...step,
        fork,
        from: xOf(steps[Math.max(0, i - 1)].phase),
        x: xOf(step.phase),
        forkX: fork ? xOf(fork.phase ?? step.phase) : 0
      };
    })
  );
  /** A dot as wide as what it told. */
  const width = (told: number | null) => 10 + 9 * Math.min(2.5, Math.max(0, told ?? 0));
</script>

<section class="card p-4" aria-label="The path">
  <h2>The path</h2>
  <p class="text-ink-2 text-sm">
    Down through the practice, along the engine’s heat. A dot is as large as what a step told; where another
    check was expected to tell more, the way forks there.
  </p>
  <div
    class="mt-2 grid grid-cols-[5.5rem_minmax(0,1fr)] sm:grid-cols-[15rem_minmax(0,1fr)] lg:grid-cols-[21rem_minmax(0,1fr)]"
  >
    <ol class="text-ink-2 grid grid-cols-5 gap-1 text-center text-xs max-lg:invisible" aria-hidden="true">
      {#each PHASES as phase (phase)}<li>{PHASE_TITLES[phase]}</li>{/each}
    </ol>
    <span></span>
    {#each rows as s, i (s.move)}
      <div class="relative" aria-hidden="true">
        <svg class="absolute inset-0 h-full w-full" viewBox="0 0 100 100" preserveAspectRatio="none">
          <path
            d="M{s.from} {i === 0 ? 24 : 0} C{s.from} 14 {s.x} 10 {s.x} 24 {i < rows.length - 1
              ? 'V100'
              : ''}"
            fill="none"
            stroke="var(--act)"
            stroke-width="3"
            vector-effect="non-scaling-stroke"
          />
          {#if s.fork}<path
              d="M{s.from} 0 Q{s.from} 20 {s.forkX === s.x ? s.forkX + 9 : s.forkX} 56"
              fill="none"
              stroke="var(--ink-2)"
              stroke-width="2"
              stroke-dasharray="5 4"
              vector-effect="non-scaling-stroke"
            />{/if}
        </svg>
        <span
          class="{s.bits !== null && s.bits < 0 ? 'bg-off' : 'bg-act'} absolute -translate-1/2 rounded-full"
          style="left: {s.x}%; top: 24%; width: {width(s.bits)}px; height: {width(s.bits)}px"
        ></span>
        {#if s.fork}<span
            class="border-ink-2 bg-card absolute -translate-1/2 rounded-full border-2"
            style="left: {s.forkX === s.x ? s.forkX + 9 : s.forkX}%; top: 58%; width: {width(
              s.fork.bits
            )}px; height: {width(s.fork.bits)}px"
          ></span>{/if}
      </div>
      <div class="border-line border-t py-2 pl-3" data-step={s.check ?? s.kind}>
        <p class="flex items-baseline gap-3">
          <span class="mr-auto font-semibold">{s.title}</span>
          {#if s.bits !== null}<span class="reading text-sm whitespace-nowrap">{bits(s.bits)} bits</span>{/if}
        </p>
        {#if s.says}<p class="text-ink-2 text-sm">{inReaderUnits(s.says)}</p>{/if}
        {#if s.fork}<p class="text-sm" data-fork={s.fork.check}>
            Better then: {s.fork.title}, {bits(s.fork.bits)} bits expected.
          </p>{/if}
      </div>
    {/each}
  </div>
</section>
