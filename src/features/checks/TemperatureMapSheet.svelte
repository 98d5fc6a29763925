<script lang="ts">
  import type { TemperatureMapReadings } from '$core/checks/temperature-map';
  import { stateOf } from '$core/checks/temperature-map';
  import type { Instrument } from '$core/checks/instruments';
  import { MAP_POINTS, readMap, type MapPoint } from '$core/flow/map';
  import BenchRead from '$lib/ui/BenchRead.svelte';
  import Choose from '$lib/ui/Choose.svelte';
  import { heatVar } from '$lib/ui/heat';
  import QuantityInput from '$lib/ui/QuantityInput.svelte';
  import { inUnit } from '$lib/ui/units';
  import InstrumentPick from './InstrumentPick.svelte';
  import { rememberInstrument } from './instrument-memory';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<TemperatureMapReadings> = $props();

  const inlet = $derived(sheet?.thermostat.side === 'inlet');
  /** Where each place lies in the drawing, and on which side its number stands. */
  const AT: Readonly<Record<MapPoint, readonly [number, number]>> = {
    outlet: [330, 92],
    sensor: [268, 150],
    scan: [185, 150],
    upperHose: [445, 92],
    radiatorIn: [560, 92],
    radiatorOut: [560, 300],
    lowerHose: [445, 300],
    heaterIn: [105, 92],
    heaterOut: [105, 300]
  };
  const places = Object.keys(MAP_POINTS) as MapPoint[];
  let at = $state<MapPoint>('outlet');
  let round = $state(0);
  let entry: HTMLElement;

  const enough = $derived(Object.keys(readings.points).length > 0);
  const state_ = $derived(enough ? stateOf(readings, sheet) : 'shut');
  const map = $derived(
    readMap(readings.points, state_, sheet, readings.instrument.uncertaintyC, readings.ambientC)
  );
  const bad = $derived(new Set(map.findings.flatMap((f) => f.between)));

  function put(place: MapPoint, celsius: number | null) {
    const rest = { ...readings.points };
    if (celsius === null) delete rest[place];
    else rest[place] = celsius;
    readings.points = rest;
  }
  function choose(place: MapPoint) {
    at = place;
    round++;
    requestAnimationFrame(() => entry?.querySelector('input')?.focus());
  }
  /** Enter goes round the loop, as the coolant does. */
  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' || event.ctrlKey || !(event.target instanceof HTMLInputElement)) return;
    event.preventDefault();
    const from = places.indexOf(at);
    const next = places
      .map((_, i) => places[(from + 1 + i) % places.length])
      .find((p) => readings.points[p] === undefined);
    choose(next ?? places[(from + 1) % places.length]);
  }
  function take(next: Instrument) {
    readings.instrument = next;
    rememberInstrument('map', next);
  }
  const BENCH: Partial<Record<MapPoint, string>> = {
    outlet: 'outlet',
    sensor: 'sensor-housing',
    scan: 'scan',
    upperHose: 'upper-hose',
    radiatorIn: 'radiator-in',
    radiatorOut: 'radiator-out',
    lowerHose: 'lower-hose',
    heaterIn: 'heater-in',
    heaterOut: 'heater-out'
  };
  const hot = (...of: MapPoint[]) => {
    const known = of.flatMap((p) => readings.points[p] ?? []);
    return known.length > 0 ? heatVar(known.reduce((a, b) => a + b, 0) / known.length) : 'var(--line-strong)';
  };
</script>

<div class="grid items-start gap-x-5 gap-y-3 xl:grid-cols-[minmax(0,1fr)_270px]">
  <svg
    viewBox="20 20 660 370"
    class="w-full"
    role="group"
    aria-label="The loop of this engine, with the places that were measured"
  >
    <!-- Pipes take the heat of what was measured on them. -->
    <path d="M380 92 H600" stroke={hot('outlet', 'upperHose', 'radiatorIn')} stroke-width="16" fill="none" />
    <path d="M380 300 H600" stroke={hot('radiatorOut', 'lowerHose')} stroke-width="16" fill="none" />
    <path d="M240 92 H70 V170" stroke={hot('heaterIn')} stroke-width="10" fill="none" />
    <path d="M240 300 H70 V230" stroke={hot('heaterOut')} stroke-width="10" fill="none" />
    <rect
      x="225"
      y="60"
      width="170"
      height="272"
      rx="12"
      fill="var(--card)"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    <text x="300" y="210" text-anchor="middle" font-size="17" font-weight="600" fill="var(--ink)">Engine</text
    >
    <rect
      x="600"
      y="60"
      width="56"
      height="272"
      rx="6"
      fill="var(--well)"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    {#each [0, 1, 2, 3, 4, 5, 6, 7] as i (i)}<line
        x1="602"
        x2="654"
        y1={84 + 30 * i}
        y2={84 + 30 * i}
        stroke="var(--line-strong)"
      />{/each}
    <text x="628" y="350" text-anchor="middle" font-size="13" fill="var(--ink-2)">Radiator</text>
    <rect
      x="40"
      y="170"
      width="62"
      height="60"
      rx="6"
      fill="var(--well)"
      stroke="var(--ink)"
      stroke-width="2"
    />
    <text x="71" y="205" text-anchor="middle" font-size="13" fill="var(--ink-2)">Heater</text>
    <!-- The thermostat stands at its own side of the engine. -->
    {#if inlet}
      <path
        d="M372 286 v28 M372 300 m-9 -14 h18 M372 300 m-9 14 h18"
        stroke="var(--act)"
        stroke-width="4"
        fill="none"
      />
      <text x="352" y="286" text-anchor="end" font-size="13" font-weight="600" fill="var(--act)"
        >thermostat, {state_}</text
      >
    {:else}
      <path
        d="M388 78 v28 M388 92 m-9 -14 h18 M388 92 m-9 14 h18"
        stroke="var(--act)"
        stroke-width="4"
        fill="none"
      />
      <text x="402" y="52" font-size="13" font-weight="600" fill="var(--act)">thermostat, {state_}</text>
    {/if}
    <circle cx="360" cy="300" r="13" fill="var(--card)" stroke="var(--ink)" stroke-width="2" />
    <path d="M354 294 l13 6 l-13 6 z" fill="var(--ink)" />
    {#each places as place (place)}
      {@const [px, py] = AT[place]}
      {@const c = readings.points[place]}
      {@const off = bad.has(place)}
      <g
        role="button"
        tabindex="0"
        class="cursor-pointer"
        data-place={place}
        aria-label="{MAP_POINTS[place]}{c === undefined
          ? ''
          : `, ${Math.round(inUnit(c, 'temperature'))} degrees`}"
        aria-pressed={at === place}
        onclick={() => choose(place)}
        onkeydown={(e) => {
          if (e.key === 'Enter' || e.key === ' ') {
            e.preventDefault();
            choose(place);
          }
        }}
      >
        <circle
          cx={px}
          cy={py}
          r="25"
          fill={c === undefined ? 'var(--card)' : heatVar(c)}
          stroke={at === place ? 'var(--focus)' : off ? 'var(--off)' : 'var(--ink)'}
          stroke-width={at === place || off ? 5 : 2}
        />
        <rect
          x={px - 21}
          y={py - 12}
          width="42"
          height="24"
          rx="12"
          fill="var(--card)"
          opacity={c === undefined ? 0 : 0.92}
        />
        <text
          x={px}
          y={py + 6}
          text-anchor="middle"
          font-size="16"
          font-weight="700"
          class="reading"
          fill={off ? 'var(--off)' : 'var(--ink)'}
          >{c === undefined ? '·' : `${Math.round(inUnit(c, 'temperature'))}°`}</text
        >
        <text
          x={px}
          y={py > 200 ? py + 42 : py < 120 ? py - 33 : py + 41}
          text-anchor="middle"
          font-size="13"
          fill="var(--ink)">{MAP_POINTS[place]}</text
        >
      </g>
    {/each}
  </svg>
  <div class="space-y-3">
    <div bind:this={entry} onkeydowncapture={onkeydown}>
      {#key `${at}/${round}`}
        <QuantityInput
          label={MAP_POINTS[at]}
          kind="temperature"
          value={readings.points[at] ?? null}
          onvalue={(v) => put(at, v)}
          problem={problems[`points.${at}`]}
          hint="Enter goes on round the loop"
        />
      {/key}
      {#if BENCH[at]}<BenchRead
          instrument="probe"
          place={BENCH[at]!}
          label="Read the simulated probe"
          onread={(c) => {
            put(at, c);
            round++;
          }}
        />{/if}
    </div>
    <InstrumentPick
      of="the places"
      instrument={readings.instrument}
      choices={['contact', 'infrared', 'infrared-bright', 'glass']}
      onchange={take}
    />
    <Choose
      label="Thermostat"
      choices={[
        { value: 'shut', label: 'Shut' },
        { value: 'opening', label: 'Opening' },
        { value: 'open', label: 'Open' }
      ]}
      value={readings.thermostat}
      optional
      onvalue={(v) => (readings.thermostat = v as TemperatureMapReadings['thermostat'])}
    />
    <p class="text-ink-2 text-sm">
      {readings.thermostat ? 'As you said.' : 'Taken from the hottest place and the sheet.'}
    </p>
    <QuantityInput
      label="Air around"
      kind="temperature"
      bind:value={readings.ambientC}
      problem={problems.ambientC}
    />
  </div>
</div>
{#if map.findings.length > 0}
  <ul class="bg-off-wash text-off space-y-1 rounded-lg px-4 py-2.5 font-semibold" data-findings>
    {#each map.findings as f (f.says)}<li>
        {MAP_POINTS[f.between[0]]} to {MAP_POINTS[f.between[1]].toLowerCase()}
      </li>{/each}
  </ul>
{/if}
