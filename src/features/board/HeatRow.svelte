<script lang="ts">
  import { USUAL_AMBIENT_C } from '$core/physics/heat/state';
  import { after, overAt, WARM_UP_MIN } from '$core/schedule/engine';
  import type { Assigned, EngineHeat, ToDo } from '$core/schedule/workload';
  import { heatVar } from '$lib/ui/plots/heat';

  interface Props {
    engine: EngineHeat;
    /** What is planned of the vehicle, in order. */
    own: readonly { readonly a: Assigned; readonly task: ToDo }[];
    from: number;
    to: number;
    now: number;
  }
  let { engine, own, from, to, now }: Props = $props();

  const HIGH = 40;
  const STEP = 5;

  /** °C above the air along the day: cooling by its own law, warming where something runs it. */
  const points = $derived.by(() => {
    const list: { x: number; over: number; known: boolean }[] = [];
    let state = engine;
    let next = 0;
    for (let t = from; t <= to; t += STEP) {
      while (next < own.length && own[next].a.end <= t) {
        const { a, task } = own[next++];
        state = after(state, task.runs || a.warmUpMin > 0, a.end);
      }
      const doing = own.find(({ a, task }) => a.start <= t && t < a.end && (task.runs || a.warmUpMin > 0));
      const rest = overAt(state, Math.max(t, state.at));
      const over = doing
        ? Math.min(
            state.warmOverC,
            overAt(state, doing.a.start) + (state.warmOverC * (t - doing.a.start)) / WARM_UP_MIN
          )
        : rest;
      list.push({ x: (100 * (t - from)) / (to - from), over, known: t <= now && t >= engine.at });
    }
    return list;
  });
  const y = (over: number) => HIGH - 3 - (HIGH - 8) * Math.min(1, over / engine.warmOverC);
  const pieces = $derived(
    points.slice(1).map((p, i) => ({
      x1: points[i].x,
      x2: p.x,
      y1: y(points[i].over),
      y2: y(p.over),
      colour: heatVar(USUAL_AMBIENT_C + p.over),
      known: p.known
    }))
  );
</script>

<svg
  viewBox="0 0 100 {HIGH}"
  preserveAspectRatio="none"
  class="pointer-events-none absolute inset-0 h-full w-full"
  aria-hidden="true"
>
  {#each pieces as p (p.x1)}
    <line
      x1={p.x1}
      x2={p.x2}
      y1={p.y1}
      y2={p.y2}
      style="stroke: {p.colour}"
      stroke-width={p.known ? 4 : 2.5}
      vector-effect="non-scaling-stroke"
    />
  {/each}
</svg>
