<script lang="ts" module>
  import { PHASES, type ThermalPhase } from '$core/physics/heat/phases';
  import type { ThermalState } from '$core/physics/heat/state';

  /** Height of the line, 0 to 1, over the five stretches: how an engine's heat goes through a job. */
  const KNOTS: readonly (readonly [number, number])[] = [
    [0, 0.06],
    [0.17, 0.06],
    [0.36, 0.72],
    [0.42, 0.8],
    [0.58, 0.8],
    [0.66, 0.88],
    [0.76, 0.8],
    [0.9, 0.34],
    [1, 0.2]
  ];

  function heightAt(x: number): number {
    const i = KNOTS.findIndex(([kx]) => kx >= x);
    if (i <= 0) return KNOTS[0][1];
    const [[x0, y0], [x1, y1]] = [KNOTS[i - 1], KNOTS[i]];
    const s = (x - x0) / (x1 - x0);
    return y0 + (y1 - y0) * s * s * (3 - 2 * s);
  }

  /** Where a state stands along the line: the middle of its stretch, cooling by how far it has cooled. */
  export function placeOf(state: Pick<ThermalState, 'phase' | 'coolantC' | 'ambientC'>): number | null {
    if (state.phase === 'unknown') return null;
    const i = PHASES.indexOf(state.phase as ThermalPhase);
    if (state.phase !== 'cooling' || state.coolantC === null) return (i + 0.5) / PHASES.length;
    const cooled = 1 - Math.min(1, Math.max(0, (state.coolantC - (state.ambientC ?? 15)) / 60));
    return (i + 0.08 + 0.84 * cooled) / PHASES.length;
  }
</script>

<script lang="ts">
  import { heatVar } from './heat';

  interface Props {
    /** Marks along the line, 0 to 1, each with a word. */
    marks: readonly { readonly at: number; readonly label: string; readonly strong?: boolean }[];
    height?: number;
  }
  let { marks, height = 72 }: Props = $props();
  const id = $props.id();
  const W = 1000;
  const pad = 10;
  const y = (h: number) => height - pad - h * (height - 2 * pad);
  const path = $derived(
    Array.from({ length: 101 }, (_, i) => i / 100)
      .map((x, i) => `${i ? 'L' : 'M'}${(x * W).toFixed(1)} ${y(heightAt(x)).toFixed(1)}`)
      .join('')
  );
  const celsius = (h: number) => 8 + h * 96;
</script>

<div class="relative" style="height: {height}px" aria-hidden="true">
  <svg viewBox="0 0 {W} {height}" class="absolute inset-0 h-full w-full" preserveAspectRatio="none">
    <defs>
      <linearGradient id="{id}-heat" x1="0" x2="1" y1="0" y2="0">
        {#each KNOTS as [x, h] (x)}<stop offset={x} stop-color={heatVar(celsius(h))} />{/each}
      </linearGradient>
    </defs>
    <path
      d={path}
      fill="none"
      stroke="url(#{id}-heat)"
      stroke-width="6"
      stroke-linecap="round"
      vector-effect="non-scaling-stroke"
    />
  </svg>
  {#each marks as mark, i (i)}
    <span
      class="bg-ink border-card absolute -translate-x-1/2 -translate-y-1/2 rounded-full border-4 {mark.strong
        ? 'size-7'
        : 'size-5'}"
      style="left: {mark.at * 100}%; top: {y(heightAt(mark.at))}px"
      title={mark.label}
    ></span>
  {/each}
</div>
