<script lang="ts">
  import type { TemperatureMapReadings } from '$core/checks/flow/temperature-map';
  import { stateOf } from '$core/checks/flow/temperature-map';
  import type { Instrument } from '$core/measure/instruments';
  import { MAP_POINTS, PROBE_PLACES, readMap, type MapPoint } from '$core/physics/flow/map';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inUnit } from '$lib/ui/page-state/units';
  import InstrumentPick from '$lib/ui/inputs/InstrumentPick.svelte';
  import { rememberInstrument } from '$lib/ui/inputs/instrument-memory';
  import type { PictureProps } from '../types';

  let {
    readings = $bindable(),
    sheet,
    problems
  }: PictureProps<TemperatureMapReadings, 'points' | 'instrument'> = $props();

  const inlet = $derived(sheet?.thermostat?.side === 'inlet');
  /** Where each place lies in the drawing, and on which side its number stands. */
  const AT: Readonly<Record<MapPoint, readonly [number, number]>> = {
    outlet: [365, 92],
    sensor: [278, 140],
    scan: [365, 196],
    upperHose: [505, 92],
    radiatorIn: [610, 92],
    radiatorOut: [610, 300],
    lowerHose: [505, 300],
    heaterIn: [140, 92],
    heaterOut: [140, 300]
  };
  /** The drawing has less room than a sentence. */
  const SHORT: Readonly<Record<MapPoint, string>> = {
    outlet: 'Engine outlet',
    sensor: 'At the sensor',
    scan: 'Scan value',
    upperHose: 'Upper hose',
    radiatorIn: 'Radiator in',
    radiatorOut: 'Radiator out',
    lowerHose: 'Lower hose',
    heaterIn: 'Heater in',
    heaterOut: 'Heater back'
  };
  const places = Object.keys(MAP_POINTS) as MapPoint[];
  let at = $state<MapPoint>('outlet');
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
  const hot = (...of: MapPoint[]) => {
    const known = of.flatMap((p) => readings.points[p] ?? []);
    return known.length > 0 ? heatVar(known.reduce((a, b) => a + b, 0) / known.length) : 'var(--line-strong)';
  };
</script>

<svg
  viewBox="20 20 740 350"
  class="w-full"
  role="group"
  aria-label="The loop of this engine, with the places that were measured"
>
  <!-- Pipes take the heat of what was measured on them. -->
  <path d="M420 92 H690" stroke={hot('outlet', 'upperHose', 'radiatorIn')} stroke-width="16" fill="none" />
  <path d="M420 300 H690" stroke={hot('radiatorOut', 'lowerHose')} stroke-width="16" fill="none" />
  <path d="M240 92 H70 V165" stroke={hot('heaterIn')} stroke-width="10" fill="none" />
  <path d="M240 300 H70 V225" stroke={hot('heaterOut')} stroke-width="10" fill="none" />
  <rect
    x="220"
    y="50"
    width="210"
    height="290"
    rx="12"
    fill="var(--card)"
    stroke="var(--ink)"
    stroke-width="2.5"
  />
  <text x="252" y="312" font-size="17" font-weight="600" fill="var(--ink)">Engine</text>
  <!-- The branch with the sensor. -->
  <path d="M340 92 H278 V196 H340" stroke="var(--line-strong)" stroke-width="5" fill="none" />
  <rect
    x="672"
    y="50"
    width="60"
    height="290"
    rx="6"
    fill="var(--well)"
    stroke="var(--ink)"
    stroke-width="2.5"
  />
  {#each [0, 1, 2, 3, 4, 5, 6, 7, 8] as i (i)}<line
      x1="674"
      x2="730"
      y1={75 + 30 * i}
      y2={75 + 30 * i}
      stroke="var(--line-strong)"
    />{/each}
  <text x="702" y="358" text-anchor="middle" font-size="13" fill="var(--ink-2)">Radiator</text>
  <rect
    x="36"
    y="165"
    width="68"
    height="60"
    rx="6"
    fill="var(--well)"
    stroke="var(--ink)"
    stroke-width="2"
  />
  <text x="70" y="200" text-anchor="middle" font-size="13" fill="var(--ink-2)">Heater</text>
  <!-- The thermostat stands at its own side of the engine. -->
  <path
    d="M430 {inlet ? 284 : 76} v32 m-11 -32 h22 m-22 32 h22"
    stroke="var(--act)"
    stroke-width="5"
    fill="none"
  />
  <text x="446" y={inlet ? 242 : 150} font-size="14" font-weight="600" fill="var(--act)"
    >Thermostat, {state_}</text
  >
  <circle cx="385" cy="300" r="15" fill="var(--card)" stroke="var(--ink)" stroke-width="2" />
  <path d="M378 293 l15 7 l-15 7 z" fill="var(--ink)" />
  <text x="385" y="334" text-anchor="middle" font-size="13" fill="var(--ink-2)">Pump</text>
  {#each places as place (place)}
    {@const [px, py] = AT[place]}
    {@const c = readings.points[place]}
    {@const off = bad.has(place)}
    <g
      role="button"
      tabindex="0"
      class="cursor-pointer"
      data-place={place}
      aria-label="{c === undefined ? '' : `${Math.round(inUnit(c, 'temperature'))}°`}{SHORT[place]}"
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
        y={py > 250 ? py - 33 : py < 120 ? py - 31 : py + 40}
        text-anchor="middle"
        font-size="13"
        fill="var(--ink)">{SHORT[place]}</text
      >
    </g>
  {/each}
</svg>
<div class="grid items-start gap-x-5 gap-y-3 sm:grid-cols-2 xl:grid-cols-4">
  <div bind:this={entry} onkeydowncapture={onkeydown}>
    {#key at}
      <QuantityInput
        label={MAP_POINTS[at]}
        kind="temperature"
        value={readings.points[at] ?? null}
        onvalue={(v) => put(at, v)}
        problem={problems[`points.${at}`]}
        hint="Enter goes on round the loop"
      />
    {/key}
    <BenchRead
      instrument="probe"
      place={PROBE_PLACES[at]}
      label="Read the simulated probe"
      onread={(c) => {
        put(at, c);
      }}
    />
  </div>
  <InstrumentPick
    of="the places"
    instrument={readings.instrument}
    choices={['contact', 'infrared', 'infrared-bright', 'glass']}
    onchange={take}
  />
  <div>
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
    <p class="text-ink-2 mt-1 text-xs">
      {readings.thermostat ? 'As you said.' : 'Taken from the hottest place and the sheet.'}
    </p>
  </div>
  <QuantityInput
    label="Air around"
    kind="temperature"
    bind:value={readings.ambientC}
    problem={problems.ambientC}
  />
</div>
