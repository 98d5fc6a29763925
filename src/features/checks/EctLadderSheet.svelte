<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { untrack } from 'svelte';
  import { circuitOf, ladderOf, type EctLadderReadings } from '$core/checks/sensor/ect-ladder';
  import type { Instrument } from '$core/measure/instruments';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import RowEntry from '$lib/ui/inputs/RowEntry.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown, shownDifference } from '$lib/ui/page-state/units';
  import InstrumentPick from './InstrumentPick.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import LadderPlot from './LadderPlot.svelte';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems, curves }: SheetProps<EctLadderReadings> = $props();

  let instrument = $state(
    untrack(() => readings.points.at(-1)?.instrument ?? lastInstrument('ladder', 'contact'))
  );
  let by = $state<string | null>(untrack(() => (readings.points.at(-1)?.volts != null ? 'volts' : 'ohms')));
  let celsius = $state<number | null>(null);
  let measured = $state<number | null>(null);

  const circuit = $derived(circuitOf(sheet));
  const ladder = $derived(ladderOf(readings.points, sheet, curves));
  const rows = $derived(
    readings.points
      .map((point, index) => ({ point, index, at: ladder?.points.findIndex((p) => p.index === index) ?? -1 }))
      .sort((a, b) => a.point.celsius - b.point.celsius)
  );

  function add() {
    if (celsius === null || measured === null) return;
    const taken = by === 'volts' ? { ohm: null, volts: measured } : { ohm: measured, volts: null };
    readings.points = [...readings.points, { celsius, instrument, ...taken }];
    celsius = measured = null;
  }

  function choose(next: Instrument) {
    instrument = next;
    rememberInstrument('ladder', next);
  }

  /** The ladder as rows of the curve library, for a sensor that is known to be good. */
  const asCurve = $derived(
    (ladder
      ? ladder.points.map((p) => [p.trueC, p.ohm])
      : readings.points.flatMap((p) => (p.ohm === null ? [] : [[p.celsius, p.ohm]]))
    )
      .map(([c, ohm]) => `${c}:${Number(ohm.toPrecision(5))}`)
      .join(';')
  );
  const remove = (index: number) => (readings.points = readings.points.filter((_, i) => i !== index));
</script>

<div class="grid items-start gap-x-5 gap-y-4 xl:grid-cols-[300px_minmax(0,1fr)]">
  <div class="space-y-3">
    <Choose
      label="Measured in"
      choices={[
        { value: 'ohms', label: 'Ohms, plug off' },
        { value: 'volts', label: 'Volts, plugged in' }
      ]}
      value={by}
      onvalue={(v) => {
        by = v;
        measured = null;
      }}
    />
    {#if by === 'volts' && !circuit}
      <p class="text-off text-sm font-semibold">
        The sheet gives no reference or no pull-up, so volts cannot be judged: measure ohms.
      </p>
    {/if}
    <RowEntry label="Add the point" complete={celsius !== null && measured !== null} onadd={add}>
      <div class="grid grid-cols-2 gap-2 pt-2">
        <QuantityInput
          label="True temperature"
          kind="temperature"
          bind:value={celsius}
          problem={problems.points}
        />
        {#if by === 'volts'}
          <QuantityInput label="Sensor volts" kind="voltage" bind:value={measured} />
        {:else}
          <QuantityInput label="Sensor ohms" kind="resistance" bind:value={measured} hint="over-range: 10M" />
        {/if}
      </div>
      <div class="flex flex-wrap gap-x-4">
        <BenchRead
          instrument="probe"
          place="outlet"
          label="Read the simulated probe"
          onread={(c) => {
            celsius = c;
          }}
        />
        <BenchRead
          instrument="multimeter"
          place="sensor"
          label="and meter"
          onread={(ohm) => {
            [by, measured] = ['ohms', ohm];
          }}
        />
      </div>
    </RowEntry>
    <InstrumentPick
      of="the true temperature"
      {instrument}
      choices={['contact', 'glass', 'infrared', 'infrared-bright', 'scan']}
      onchange={choose}
    />
    {#if rows.length > 0}
      <table class="reading w-full text-right text-sm">
        <thead class="text-ink-2"
          ><tr>
            <th class="py-1 text-right font-normal">True</th><th class="font-normal">Measured</th><th
              class="font-normal">Reads</th
            ><th class="w-9"><span class="sr-only">Remove</span></th></tr
          ></thead
        >
        <tbody>
          {#each rows as { point, index, at } (index)}
            <tr class="border-line border-t {problems[`points.${index}.volts`] ? 'text-off' : ''}">
              <td class="py-1">{shown(point.celsius, 'temperature')}</td>
              <td>{point.ohm === null ? shown(point.volts, 'voltage') : shown(point.ohm, 'resistance')}</td>
              <td class="font-semibold"
                >{ladder && at >= 0
                  ? `${ladder.readsOffC[at] > 0 ? '+' : ''}${shownDifference(ladder.readsOffC[at])}`
                  : '–'}</td
              >
              <td
                ><button
                  type="button"
                  class="inline-flex size-9 items-center justify-center"
                  aria-label="Remove the point at {shown(point.celsius, 'temperature')}"
                  onclick={() => remove(index)}><X size={16} aria-hidden="true" /></button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </div>
  <div>
    <LadderPlot {sheet} {ladder} points={readings.points} />
    {#if rows.length > 1}<a
        class="quiet-link inline-flex min-h-11 items-center text-sm"
        href="/sensor/curves?from=Ladder&rows={encodeURIComponent(asCurve)}"
        >A good sensor of a kind that is not in the library: keep its curve</a
      >{/if}
  </div>
</div>
