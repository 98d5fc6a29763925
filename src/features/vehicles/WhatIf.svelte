<script lang="ts">
  import SliderInput from '$lib/ui/inputs/SliderInput.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { FAULTS, PLANT_FAULTS } from '$core/faults/registry';
  import { untrack } from 'svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { DRIVES, type DriveName } from '$core/physics/plant/drive';
  import type { FaultId } from '$core/vehicle/faults';
  import { plantFor } from '$core/physics/plant/params';
  import { CURES, whatIf, whatIfSays, type CameTo } from '$core/runs/what-if';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inUnit, shown, shownDifference, inReaderUnits, unitOf } from '$lib/ui/page-state/units';
  import type { Vehicle } from './types';

  interface Props {
    vehicle: Vehicle;
  }
  let { vehicle }: Props = $props();
  const spec = $derived(vehicle.sheet!);

  const DRIVE_WORDS: Readonly<Record<DriveName, string>> = {
    idle: 'Half an hour at idle',
    yard: 'Round the yard, then idle',
    mixed: 'Town, road, then idle',
    ridge: 'Over the ridge, on a grade',
    queue: 'Town, then a queue with A/C',
    short: 'A short hop'
  };
  const asked = untrack(() => page.url.searchParams);
  const known = <T extends string>(name: string, of: readonly T[], otherwise: T): T =>
    of.find((x) => x === asked.get(name)) ?? otherwise;
  const number = (name: string, low: number, high: number, otherwise: number) => {
    const value = Number(asked.get(name) ?? NaN);
    return Number.isFinite(value) && value >= low && value <= high ? value : otherwise;
  };

  const plant = $derived(plantFor(spec));
  const faults = $derived(PLANT_FAULTS.filter((f) => !f.applies || f.applies(plant)));
  let fault = $state<string>(
    untrack(() =>
      known(
        'fault',
        PLANT_FAULTS.map((f) => f.id),
        'airflow-restricted'
      )
    )
  );
  let severity = $state(untrack(() => number('severity', 0, 100, 90)));
  let drive = $state<string | null>(
    untrack(() => known('drive', Object.keys(DRIVES) as DriveName[], 'ridge'))
  );
  let ambientC = $state<number | null>(untrack(() => number('ambient', -30, 45, 19)));
  let cureId = $state<string | null>(
    untrack(() =>
      known(
        'cure',
        CURES.map((c) => c.id),
        'cooler-thermostat'
      )
    )
  );
  const cure = $derived(CURES.find((c) => c.id === cureId)!);
  let sizes = $state<Record<string, number>>(
    untrack(() =>
      Object.fromEntries(
        CURES.map((c) => [c.id, c.id === cureId ? number('size', c.from, c.to, c.usual) : c.usual])
      )
    )
  );
  const size = $derived(Math.min(cure.to, Math.max(cure.from, sizes[cure.id] || cure.usual)));

  const came = $derived.by(() => {
    try {
      return {
        ok: true as const,
        of: whatIf({
          spec: $state.snapshot(spec),
          fault: faults.some((f) => f.id === fault) ? (fault as FaultId) : 'none',
          severity: severity / 100,
          drive: drive as DriveName,
          ambientC: ambientC ?? 19,
          cure,
          size
        })
      };
    } catch (error) {
      return { ok: false as const, why: (error as Error).message };
    }
  });
  const boilsC = $derived(came.ok ? came.of.boilsC : Infinity);
  const top = $derived(
    came.ok
      ? Math.min(boilsC + 8, Math.max(120, came.of.without.hottestC + 5, came.of.with.hottestC + 5))
      : 120
  );
  const line = (of: CameTo, x: (v: number) => number, y: (v: number) => number) => {
    const every = Math.max(1, Math.floor(of.trace.jacket.length / 400));
    return Array.from(of.trace.jacket)
      .flatMap((c, i) =>
        i % every === 0 ? [`${x((i * of.trace.dt) / 60).toFixed(1)},${y(Math.min(c, top)).toFixed(1)}`] : []
      )
      .join(' ');
  };
  const minutes = $derived(
    came.ok ? (came.of.without.trace.jacket.length * came.of.without.trace.dt) / 60 : 30
  );
  const min = (m: number | null) => (m === null ? 'never' : `${m.toFixed(0)} min`);
  const rows = $derived(
    came.ok
      ? (
          [
            ['Hottest', (c) => shown(Math.min(c.hottestC, 199), 'temperature', 0)],
            ['At the end', (c) => shown(Math.min(c.endC, 199), 'temperature', 0)],
            ['Past the hot limit after', (c) => min(c.hotAtMin)],
            ['Heater warm after', (c) => min(c.warmAtMin)],
            ['Fan drives', (c) => `${c.fanMin.toFixed(0)} min`],
            ['Sensor error', (c) => shownDifference(c.readsOffC, 0)],
            ['Coolant missing at the end', (c) => `${(100 * c.missing).toFixed(0)} %`]
          ] as [string, (c: CameTo) => string][]
        ).map(([name, of]) => ({ name, without: of(came.of.without), with: of(came.of.with) }))
      : []
  );

  // What was asked stands in the address, so that it can be sent to who wants the part fitted.
  const address = $derived(
    `?fault=${fault}&severity=${severity}&drive=${drive}&ambient=${ambientC ?? 19}&cure=${cureId}&size=${size}`
  );
  let shownAddress = untrack(() => address);
  $effect(() => {
    if (address === shownAddress) return;
    shownAddress = address;
    replaceState(address, {});
  });
</script>

<p class="text-ink-2">
  <a class="quiet-link" href="/vehicles/{vehicle.id}">{vehicle.fleetNo} {vehicle.name}</a>
</p>
<h1 class="mt-1 mb-3">What if</h1>
<div class="grid items-start gap-4 lg:grid-cols-[330px_minmax(0,1fr)]">
  <section class="card space-y-4 p-4" aria-label="What is asked">
    <Select
      label="Present fault"
      choices={faults.map((f) => ({ value: f.id, label: FAULTS[f.id].title }))}
      value={fault}
      onvalue={(id) => (fault = id as typeof fault)}
    />
    {#if fault !== 'none'}
      <SliderInput label="Severity: {severity} %" min={5} max={100} step={5} bind:value={severity} />
    {/if}
    <div class="space-y-3">
      <Select
        label="Drive"
        choices={Object.entries(DRIVE_WORDS).map(([value, label]) => ({ value, label }))}
        value={drive}
        onvalue={(id) => (drive = id as typeof drive)}
      />
      <QuantityInput
        label="Air"
        kind="temperature"
        bind:value={ambientC}
        problem={ambientC !== null && (ambientC < -30 || ambientC > 45) ? 'From −30 to 45 °C' : undefined}
      />
    </div>
    <Choose
      label="Proposed change"
      wide
      choices={CURES.map((c) => ({ value: c.id, label: c.title }))}
      bind:value={cureId}
    />
    {#key cureId}
      <SliderInput
        label="{Math.round(size)} {cure.unit}"
        min={cure.from}
        max={cure.to}
        step={cure.to > 100 ? 50 : 1}
        value={size}
        onvalue={(v) => (sizes[cure.id] = v)}
      />
    {/key}
  </section>
  <section class="card p-4" aria-label="What it comes to">
    {#if came.ok}
      <p class="text-xl leading-snug font-semibold" data-what-if aria-live="polite">
        {inReaderUnits(whatIfSays(came.of))}
      </p>
      <p class="text-ink-2 mt-1">{cure.mind}</p>
      <div class="mt-3 grid items-start gap-4 xl:grid-cols-[minmax(0,1fr)_320px]">
        <figure>
          <XyFrame
            label="Coolant over the drive, as it is and with the change"
            height={400}
            fromX={0}
            toX={minutes}
            fromY={Math.min(0, ambientC ?? 0)}
            toY={top}
            yKind="temperature"
            xText={(v) => String(v)}
            yText={(v) => String(Math.round(inUnit(v, 'temperature')))}
            xTitle="min"
            yTitle={unitOf('temperature').symbol}
          >
            {#snippet children({ x, y, left, right })}
              {#each [{ c: spec.limits?.hotC, w: 'hot' }, { c: spec.limits?.stopC, w: 'stop' }, { c: boilsC, w: 'boils' }] as limit (limit.w)}
                {#if limit.c != null && limit.c < top}
                  <line
                    x1={left}
                    x2={right}
                    y1={y(limit.c)}
                    y2={y(limit.c)}
                    stroke="var(--off)"
                    stroke-dasharray="6 5"
                  />
                  <text
                    x={limit.w === 'hot' ? left + 60 : left + 6}
                    y={y(limit.c) - 5}
                    font-size="13"
                    fill="var(--off)">{limit.w}</text
                  >
                {/if}
              {/each}
              <polyline
                points={line(came.of.without, x, y)}
                fill="none"
                stroke="var(--ink)"
                stroke-width="2.5"
              />
              <polyline
                points={line(came.of.with, x, y)}
                fill="none"
                stroke="var(--act)"
                stroke-width="3"
                stroke-dasharray="9 5"
              />
            {/snippet}
          </XyFrame>
          <figcaption class="text-ink-2 text-sm">
            Line: as it is. Dashed: with the change. The true coolant at the engine, not the reading. What
            boils over is missing at the end.
          </figcaption>
        </figure>
        <table class="w-full text-right">
          <thead class="text-ink-2 text-sm"
            ><tr><th></th><th class="py-1 font-normal">as it is</th><th class="font-normal">with it</th></tr
            ></thead
          >
          <tbody>
            {#each rows as r (r.name)}
              <tr class="border-line border-t"
                ><th class="py-2 text-left text-sm font-normal">{r.name}</th><td class="reading text-sm"
                  >{r.without}</td
                ><td class="reading text-sm {r.with === r.without ? 'text-ink-2' : 'font-bold'}">{r.with}</td
                ></tr
              >
            {/each}
          </tbody>
        </table>
      </div>
    {:else}
      <p class="text-lg font-semibold" data-what-if>Not on this vehicle: {came.why}</p>
    {/if}
  </section>
</div>
