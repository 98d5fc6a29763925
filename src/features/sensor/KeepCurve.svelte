<script lang="ts">
  import { untrack } from 'svelte';
  import { toast } from 'svelte-sonner';
  import type { Problem } from '$core/base/result';
  import type { Curve } from '$core/vehicle/sensor-curve';
  import { CURVE_FORMS, fitted, type CurvePoint, type FittedCurve } from '$core/physics/thermistor/fit';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';

  interface Props {
    points: readonly CurvePoint[];
    source: string;
    onkept: (id: string) => void;
  }
  let { points, source, onkept }: Props = $props();

  const FORMS = { table: 'Through every row', beta: 'β, two constants', 'steinhart-hart': 'Three constants' };
  let form = $state<string | null>(untrack(() => (points.length < 5 ? 'beta' : 'table')));
  let title = $state('');
  let from = $state(untrack(() => source));
  let problems = $state<readonly Problem[]>([]);

  /** The curve in the chosen form, or why the rows are too few for it. */
  const fit = $derived.by((): FittedCurve | string => {
    try {
      return points.length < 2
        ? 'A curve takes two rows at least'
        : fitted(points, form as (typeof CURVE_FORMS)[number]);
    } catch (error) {
      return (error as Error).message;
    }
  });

  const constants = (curve: Curve): string =>
    curve.kind === 'beta'
      ? `${shown(curve.r25Ohm, 'resistance')} at ${shown(25, 'temperature', 0)}, β ${curve.betaK.toFixed(0)} K`
      : curve.kind === 'table'
        ? `${curve.points.length} rows`
        : `a ${curve.a.toExponential(4)}, b ${curve.b.toExponential(4)}, c ${curve.c.toExponential(4)}`;

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    if (typeof fit === 'string') return;
    const id = crypto.randomUUID();
    const eventId = crypto.randomUUID();
    const payload = { title, source: from, curve: structuredClone($state.snapshot(fit.curve)) as never };
    const answer = await record(`curve:${id}`, { kind: 'curve.saved', payload }, eventId);
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    onkept(`shop:${id}`);
    toast(`${title} is in the library`, {
      action: {
        label: 'Undo',
        onClick: () => void record(`curve:${id}`, { kind: 'undo', payload: { of: eventId } })
      }
    });
  }
</script>

<form class="card space-y-3 p-4" aria-label="Keep it as a curve" onsubmit={keep}>
  <h2>Keep it as a curve</h2>
  <Choose
    label="Law"
    choices={CURVE_FORMS.map((value) => ({ value, label: FORMS[value] }))}
    bind:value={form}
  />
  {#if typeof fit === 'string'}
    <p class="text-off text-sm font-semibold">{fit}</p>
  {:else}
    <p class="reading text-sm" data-fit>
      {constants(fit.curve)}{fit.curve.kind === 'table'
        ? ''
        : `; the rows lie within ${shownDifference(fit.worstC, 2)} of it`}
    </p>
  {/if}
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">Name</span><input
      class="field"
      bind:value={title}
      maxlength="80"
      placeholder="e.g. blue plug, harbour tractors"
    /></label
  >
  <label class="block"
    ><span class="mb-1 block text-sm font-semibold">Where it comes from</span><input
      class="field"
      bind:value={from}
      maxlength="300"
    /></label
  >
  <Problems {problems} title="Not kept yet" />
  <button class="btn btn-main w-full" disabled={typeof fit === 'string'}>Keep it in the library</button>
</form>
