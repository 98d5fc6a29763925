<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { limitsOf } from '$core/vehicle/limits';
  import Printer from '~icons/lucide/printer';
  import { untrack } from 'svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { circuitOf } from '$core/checks/sensor/ect-ladder';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { meaningsOf, rangeAt, voltsOf, type SensorCircuit } from '$core/physics/thermistor/circuit';
  import { resistanceAt, temperatureAt } from '$core/physics/thermistor/curve';
  import { LIBRARY, libraryCurve } from '$core/physics/thermistor/library';
  import { shopCurves } from '$lib/ui/page-state/curves';
  import { switchesAt } from '$core/physics/thermistor/parallel';
  import { tableRows } from '$core/physics/thermistor/table';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import SensorTable from './SensorTable.svelte';
  import SensitivityPlot from './SensitivityPlot.svelte';

  interface Props {
    vehicles: readonly { fleetNo: string; name: string; sheet: SpecSheet }[];
  }
  let { vehicles }: Props = $props();

  const asked = untrack(() => page.url.searchParams);
  /** A number of the address, or nothing where someone wrote something else there. */
  const number = (name: string) => {
    const value = Number(asked.get(name) ?? NaN);
    return Number.isFinite(value) ? value : null;
  };
  let of = $state(untrack(() => asked.get('of') ?? `family:${LIBRARY[3].id}`));
  let pullUp = $state<number | null>(number('pull'));
  let resistor = $state<number | null>(number('across'));
  const positive = (ohm: number | null) => (ohm !== null && ohm > 0 ? ohm : null);
  let second = $state<number | null>(number('second'));
  let toWarmC = $state<number | null>(number('warm'));
  let toColdC = $state<number | null>(number('cold'));
  const twoRanges = untrack(() => second !== null);
  /** A control unit that switches in a second pull-up, where all of it is told. */
  const warm = $derived(
    positive(second) !== null && toWarmC !== null
      ? { pullUpOhm: second!, toWarmC, toColdC: Math.min(toColdC ?? toWarmC - 5, toWarmC) }
      : null
  );
  const pullUpOhm = $derived(positive(pullUp));
  const acrossOhm = $derived(positive(resistor));
  const problemOf = (ohm: number | null) =>
    ohm !== null && ohm <= 0 ? 'A resistance is above 0 Ω' : undefined;
  let onC = $state<number | null>(number('on'));

  const vehicle = $derived(vehicles.find((v) => of === `vehicle:${v.fleetNo}`) ?? null);
  const family = $derived.by(() => {
    const id = of.replace(/^family:/, '');
    return shopCurves().find((c) => c.id === id) ?? libraryCurve(id) ?? LIBRARY[3];
  });
  const curve = $derived(vehicle?.sheet.ect?.curve ?? family.curve);
  const title = $derived(vehicle ? `${vehicle.fleetNo} ${vehicle.name}` : family.title);
  const tolerancePct = $derived(limitsOf(vehicle?.sheet ?? null).tolerancePct.value);
  const circuit = $derived<SensorCircuit | null>(
    vehicle && pullUpOhm === null && warm === null
      ? circuitOf(vehicle.sheet)
      : {
          referenceV: limitsOf(vehicle?.sheet ?? null).referenceV.value,
          pullUpOhm: pullUpOhm ?? limitsOf(vehicle?.sheet ?? null).pullUpOhm.value,
          warm
        }
  );
  const stage = $derived(vehicle?.sheet.fan?.stages?.[0]?.onC ?? 101);
  const switchC = $derived(onC ?? stage);
  const moved = $derived(acrossOhm === null ? null : switchesAt(curve, switchC, acrossOhm));

  // What was chosen stands in the address, so that it can be sent and come back to.
  const address = $derived(
    '?' +
      Object.entries({
        of,
        pull: pullUpOhm,
        second: warm?.pullUpOhm ?? null,
        warm: warm?.toWarmC ?? null,
        cold: warm?.toColdC ?? null,
        across: acrossOhm,
        on: onC
      })
        .filter(([, value]) => value !== null)
        .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
        .join('&')
  );
  let shownAddress = untrack(() => address);
  $effect(() => {
    if (address === shownAddress) return;
    shownAddress = address;
    replaceState(address, {});
  });

  // One sensor, told three ways: whichever is typed sets the other two.
  type Field = 'celsius' | 'ohm' | 'volts';
  /** What was typed: it stands as it is, and the other two are rounded. */
  let said = $state<{ field: Field; value: number } | null>(null);
  let celsius = $state<number | null>(90);
  let wrong = $state('');
  const ohm = $derived(celsius === null ? null : resistanceAt(curve, celsius));
  const volts = $derived(
    ohm === null || celsius === null || !circuit
      ? null
      : voltsOf(circuit, ohm, rangeAt(circuit, celsius, true))
  );
  let two = $state('');

  function from(field: Field, value: number | null) {
    wrong = two = '';
    said = value === null ? null : { field, value };
    if (value === null) {
      celsius = null;
      return;
    }
    if (field === 'celsius') celsius = value;
    else if (field === 'ohm') {
      if (value > 0) celsius = temperatureAt(curve, value);
      else wrong = 'A resistance is above 0 Ω';
    } else if (circuit) {
      if (!(value > 0 && value < circuit.referenceV)) {
        wrong = `A sensor gives between 0 and its reference of ${shown(circuit.referenceV, 'voltage', 1)}`;
        return;
      }
      const means = meaningsOf(circuit, curve, value);
      celsius = (means.at(-1) ?? { celsius: null }).celsius;
      if (means.length > 1)
        two = `Two temperatures fit: ${means.map((m) => `${shown(m.celsius, 'temperature')} in the ${m.range} range`).join(', ')}`;
    }
  }
  const rows = $derived(
    tableRows(
      { curve, tolerancePct, circuit, acrossOhm },
      Array.from({ length: 15 }, (_, i) => -20 + 10 * i)
    )
  );
  const shownIn = (field: Field, value: number | null) => {
    if (value === null) return null;
    const own = said?.field === field && Math.abs(value - said.value) <= 1e-6 * Math.abs(said.value);
    return own ? said!.value : Number(value.toPrecision(4));
  };
  const families = LIBRARY.map((f) => ({ value: `family:${f.id}`, label: f.title, group: 'Families' }));
</script>

<div class="no-print mb-3 flex flex-wrap items-end gap-4">
  <h1 class="text-3xl">Sensor calculator</h1>
  <a class="btn ml-auto" href="/sensor/curves">Curve library</a>
  <button class="btn" onclick={() => print()}><Printer size={18} aria-hidden="true" />Print its table</button>
</div>
<h1 class="hidden text-2xl print:block">{title}</h1>

<div class="grid items-start gap-4 lg:grid-cols-[360px_minmax(0,1fr)]">
  <div class="no-print space-y-4">
    <section class="card space-y-3 p-4" aria-label="The sensor">
      <Select
        label="Curve of"
        choices={[
          ...vehicles.map((v) => ({
            value: `vehicle:${v.fleetNo}`,
            label: `${v.fleetNo} ${v.name}`,
            group: 'Vehicles'
          })),
          ...shopCurves().map((c) => ({ value: `family:${c.id}`, label: c.title, group: 'The shop’s own' })),
          ...families
        ]}
        bind:value={of}
      />
      <div class="grid grid-cols-2 gap-3">
        <QuantityInput
          label="Temperature"
          kind="temperature"
          value={shownIn('celsius', celsius)}
          onvalue={(v) => from('celsius', v)}
        />
        <QuantityInput
          label="Resistance"
          kind="resistance"
          value={shownIn('ohm', ohm)}
          onvalue={(v) => from('ohm', v)}
        />
        <QuantityInput
          label="Volts"
          kind="voltage"
          value={shownIn('volts', volts)}
          onvalue={(v) => from('volts', v)}
          hint={circuit ? `of ${shown(circuit.referenceV, 'voltage', 1)}` : 'needs a pull-up'}
        />
        <QuantityInput
          label="Pull-up"
          kind="resistance"
          bind:value={pullUp}
          problem={problemOf(pullUp)}
          hint={circuit && pullUpOhm === null ? `${shown(circuit.pullUpOhm, 'resistance')} taken` : ''}
        />
      </div>
      <details open={twoRanges}>
        <summary class="quiet-link min-h-11 cursor-pointer py-2.5"
          >Two ranges: a second pull-up when warm</summary
        >
        <div class="grid grid-cols-3 gap-3 pt-1">
          <QuantityInput label="Second" kind="resistance" bind:value={second} problem={problemOf(second)} />
          <QuantityInput label="In above" kind="temperature" bind:value={toWarmC} />
          <QuantityInput
            label="Out below"
            kind="temperature"
            bind:value={toColdC}
            problem={toColdC !== null && toWarmC !== null && toColdC > toWarmC
              ? `Not above ${shown(toWarmC, 'temperature', 0)}`
              : undefined}
          />
        </div>
      </details>
      {#if wrong}<p class="text-off text-sm font-semibold" role="alert">{wrong}</p>{/if}
      {#if two}<p class="text-sm font-semibold" aria-live="polite">{two}</p>{/if}
    </section>
    <section class="card space-y-3 p-4" aria-label="Resistor in parallel">
      <h2>Resistor in parallel</h2>
      <div class="grid grid-cols-2 gap-3">
        <QuantityInput
          label="Resistor"
          kind="resistance"
          bind:value={resistor}
          problem={problemOf(resistor)}
          hint="e.g. 1000"
        />
        <QuantityInput
          label="Switching temperature"
          kind="temperature"
          bind:value={onC}
          hint={onC === null ? `${shown(stage, 'temperature', 0)} taken` : ''}
        />
      </div>
      {#if acrossOhm !== null}
        <p class="text-lg" data-switches>
          {#if moved === null}
            The control unit would take it for above {shown(switchC, 'temperature', 0)} at any temperature.
          {:else}
            What should switch at {shown(switchC, 'temperature', 0)} does so at
            <strong>{shown(moved, 'temperature')}</strong>; cold, at 0 °C, it reads
            {shownDifference(rows[2].hotByC!, 0)} hot.
          {/if}
        </p>
        <p class="text-off text-sm font-semibold">
          It lies to the control unit everywhere: mixture, timing, gauge and warnings follow it. Use it to
          understand what someone has done, not as a repair.
        </p>
      {/if}
    </section>
  </div>
  <div class="space-y-4">
    <SensorTable {rows} {tolerancePct} />
    <SensitivityPlot {curve} {circuit} />
  </div>
</div>
