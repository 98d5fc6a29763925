<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import { page } from '$app/state';
  import type { ThermostatBathReadings } from '$core/checks/thermostat/thermostat-bath';
  import { FAST_C_PER_MIN, readBath } from '$core/physics/thermostat/bath';
  import { askBench } from '$lib/ui/inputs/bench';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import { inUnit, shown, shownDifference, unitOf } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let { readings = $bindable(), sheet }: PictureProps<ThermostatBathReadings> = $props();

  type Way = 'heating' | 'cooling';
  const put = (point: ThermostatBathReadings['points'][number]) =>
    (readings.points = [...readings.points, point]);

  // The simulated bath fills the sheet while it warms and cools, by its own fast clock.
  let running = $state(false);
  async function runBath() {
    running = true;
    await askBench({ bath: 'start' });
    let last = -99;
    while (running) {
      const said = await askBench<{ bathC: number; liftMm: number; atMin: number; way: Way; done: boolean }>({
        bath: 'read'
      });
      if (!said) break;
      if (Math.abs(said.bathC - last) >= 1.2) {
        last = said.bathC;
        put({ bathC: said.bathC, liftMm: said.liftMm, way: said.way, atMin: said.atMin });
      }
      if (said.done) break;
      await new Promise((resolve) => setTimeout(resolve, 150));
    }
    running = false;
  }
  $effect(() => () => (running = false));

  const bath = $derived(readBath(readings.points));
  const startC = $derived(sheet?.thermostat?.startOpenC);
  const leastMm = $derived(sheet?.thermostat?.minLiftMm);
  const fullC = $derived(limitsOf(sheet).fullOpenC.value);
  const from = $derived(Math.min(50, ...readings.points.map((p) => p.bathC - 3)));
  const to = $derived(
    Math.max(limitsOf(sheet).fullOpenC.value + 8, ...readings.points.map((p) => p.bathC + 3))
  );
  const top = $derived(Math.max(10, limitsOf(sheet).minLiftMm.value * 1.4, bath.liftMm * 1.15));
  const degree = (c: number) => String(Math.round(inUnit(c, 'temperature')));
  const pathOf = (w: Way, x: (c: number) => number, y: (mm: number) => number) =>
    readings.points
      .filter((p, i) => p.way === w && !bath.against.includes(i))
      .map((p) => `${x(p.bathC).toFixed(1)},${y(p.liftMm).toFixed(1)}`)
      .join(' ');
</script>

<figure>
  <XyFrame
    label="Lift against the temperature of the bath"
    height={420}
    fromX={from}
    toX={to}
    toY={top}
    xKind="temperature"
    yKind="length"
    xText={degree}
    yText={(mm) => String(Number(inUnit(mm, 'length').toFixed(2)))}
    xTitle="bath, {unitOf('temperature').symbol}"
    yTitle="lift, {unitOf('length').symbol}"
  >
    {#snippet children({ x, y, top: above, bottom, right })}
      {#if startC != null}
        {#each [{ c: startC, w: 'start' }, { c: fullC, w: 'full' }] as mark (mark.w)}
          <line
            x1={x(mark.c)}
            x2={x(mark.c)}
            y1={above}
            y2={bottom}
            stroke="var(--ink)"
            stroke-dasharray="6 5"
          />
          <text x={x(mark.c)} y={above - 7} text-anchor="middle" font-size="13" fill="var(--ink)"
            >{mark.w}</text
          >
        {/each}
        {#if leastMm}
          <line
            x1={x(fullC)}
            x2={right}
            y1={y(leastMm)}
            y2={y(leastMm)}
            stroke="var(--good)"
            stroke-width="3"
          />
          <text x={right} y={y(leastMm) + 17} text-anchor="end" font-size="13" fill="var(--good)"
            >least lift</text
          >
        {/if}
      {/if}
      {#if bath.startBetweenC}
        {@const [shutC, openC] = bath.startBetweenC}
        <rect x={x(shutC)} y={bottom} width={x(openC) - x(shutC)} height="6" fill="var(--act)" />
      {:else if bath.startC !== null}
        <path d="M{x(bath.startC)} {bottom} l-7 12 h14 z" fill="var(--act)" />
      {/if}
      <polyline points={pathOf('heating', x, y)} fill="none" stroke="var(--ink)" stroke-width="2" />
      <polyline
        points={pathOf('cooling', x, y)}
        fill="none"
        stroke="var(--ink-2)"
        stroke-width="2"
        stroke-dasharray="5 4"
      />
      {#each readings.points as p, i (i)}
        {#if p.way === 'heating'}
          <circle
            cx={x(p.bathC)}
            cy={y(p.liftMm)}
            r="6"
            fill={heatVar(p.bathC)}
            stroke={bath.against.includes(i) ? 'var(--off)' : 'var(--ink)'}
            stroke-width="2"
          />
        {:else}
          <rect
            x={x(p.bathC) - 5}
            y={y(p.liftMm) - 5}
            width="10"
            height="10"
            fill={heatVar(p.bathC)}
            stroke={bath.against.includes(i) ? 'var(--off)' : 'var(--ink-2)'}
            stroke-width="2"
          />
        {/if}
      {/each}
    {/snippet}
  </XyFrame>
  <figcaption class="text-ink-2 text-sm">
    Circles while heating, squares while cooling. Dashed: the sheet’s start and full. The mark on the axis:
    where this one starts, with the lag of the wax taken off; a bar where readings lie too far apart to tell
    it nearer.
  </figcaption>
</figure>

{#if page.data.bench}
  {#if running}<button type="button" class="btn w-full" onclick={() => (running = false)}
      >Stop the simulated bath</button
    >
  {:else}<button
      type="button"
      class="text-act min-h-11 text-left text-sm underline underline-offset-3"
      onclick={runBath}>Fill it live from the simulated bath</button
    >{/if}
{/if}
<dl class="reading grid grid-cols-2 gap-x-3 gap-y-1 text-sm">
  <dt class="text-ink-2">Readings</dt>
  <dd class="text-right" data-readings>{readings.points.length}</dd>
  <dt class="text-ink-2">Bath warms</dt>
  <dd class="text-right {(bath.rateCPerMin ?? 0) > FAST_C_PER_MIN ? 'text-off font-bold' : ''}">
    {bath.rateCPerMin === null ? '–' : `${shownDifference(bath.rateCPerMin)}/min`}
  </dd>
  <dt class="text-ink-2">Starts</dt>
  <dd class="text-right font-semibold">
    {bath.startBetweenC
      ? bath.startBetweenC.map((c) => shown(c, 'temperature')).join(' to ')
      : shown(bath.startC, 'temperature')}
  </dd>
  <dt class="text-ink-2">Shut again</dt>
  <dd class="text-right">{shown(bath.closedC, 'temperature')}</dd>
  <dt class="text-ink-2">Lift</dt>
  <dd class="text-right">{shown(bath.liftMm, 'length')}</dd>
</dl>
{#if (bath.rateCPerMin ?? 0) > FAST_C_PER_MIN}
  <p class="text-off text-sm font-semibold">
    Heat slower than {shownDifference(FAST_C_PER_MIN, 0)} a minute near the opening, and stir.
  </p>
{/if}
