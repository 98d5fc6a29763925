<script lang="ts">
  import { USUAL_AMBIENT_C } from '$core/physics/heat/state';
  import { after, overAt, overThen, WARM_UP_MIN, type KnownHeat } from '$core/schedule/engine';
  import type { Assigned, EngineHeat, ToDo } from '$core/schedule/workload';
  import { heatVar } from '$lib/ui/plots/heat';

  interface Props {
    engine: EngineHeat;
    /** What is known of its last day, in order. */
    past: readonly KnownHeat[];
    /** What is planned of the vehicle, in order. */
    own: readonly { readonly a: Assigned; readonly task: ToDo }[];
    from: number;
    to: number;
    now: number;
  }
  let { engine, past, own, from, to, now }: Props = $props();

  const HIGH = 40;
  const STEP = 5;

  /** °C above the air along the day: as it was known, then cooling by its own law, warming where something runs it. */
  const points = $derived.by(() => {
    const list: { t: number; over: number; known: boolean }[] = [];
    let state = engine;
    let next = 0;
    for (let t = from; t <= to; t += STEP) {
      const was = t <= engine.at ? overThen(past, engine.tauMin, t) : null;
      if (was !== null) {
        list.push({ t, over: was, known: true });
        continue;
      }
      if (t < engine.at) continue;
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
      list.push({ t, over, known: t <= now });
    }
    return list;
  });
  const at = (t: number) => (100 * (t - from)) / (to - from);
  const measured = $derived(past.filter((p) => p.at >= from && p.at <= Math.min(now, to)));
  const y = (over: number) => HIGH - 3 - (HIGH - 8) * Math.min(1, over / engine.warmOverC);
  const pieces = $derived(
    points.slice(1).flatMap((p, i) => {
      const before = points[i];
      // Where nothing was measured nothing is drawn.
      if (p.t - before.t > STEP) return [];
      const colour = heatVar(USUAL_AMBIENT_C + p.over);
      return [{ x1: at(before.t), x2: at(p.t), y1: y(before.over), y2: y(p.over), colour, known: p.known }];
    })
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
  {#each measured as p (p)}
    <line
      x1={at(p.at)}
      x2={at(p.at)}
      y1={y(p.overC) - 5}
      y2={Math.min(HIGH, y(p.overC) + 5)}
      stroke="var(--ink)"
      stroke-width="2"
      vector-effect="non-scaling-stroke"
    />
  {/each}
</svg>
