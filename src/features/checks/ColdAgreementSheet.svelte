<script lang="ts">
  import { ticksOf } from '$core/base/ticks';
  import { untrack } from 'svelte';
  import {
    APART_BEYOND_C,
    AGREE_WITHIN_C,
    COLD_PLACES,
    type ColdAgreementReadings,
    type ColdPlace
  } from '$core/checks/sensor/cold-agreement';
  import type { Instrument, InstrumentId } from '$core/measure/instruments';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inUnit, shownDifference } from '$lib/ui/page-state/units';
  import InstrumentPick from './InstrumentPick.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import type { Draft, SheetProps } from './types';

  let { readings = $bindable(), heat, problems }: SheetProps<Draft<ColdAgreementReadings>> = $props();

  const PLACES = Object.keys(COLD_PLACES) as ColdPlace[];
  const USUAL: Record<ColdPlace, InstrumentId> = {
    ect: 'scan',
    iat: 'scan',
    housing: 'contact',
    ambient: 'weather'
  };
  const CHOICES: Record<ColdPlace, readonly InstrumentId[]> = {
    ect: ['scan'],
    iat: ['scan'],
    housing: ['contact', 'infrared', 'infrared-bright', 'glass'],
    ambient: ['weather', 'glass', 'contact', 'scan']
  };
  let instruments = $state(
    untrack(
      () =>
        Object.fromEntries(
          PLACES.map((p) => [p, readings[p]?.instrument ?? lastInstrument(p, USUAL[p])])
        ) as Record<ColdPlace, Instrument>
    )
  );

  function take(place: ColdPlace, celsius: number | null) {
    readings[place] = celsius === null ? null : { celsius, instrument: instruments[place] };
  }
  function change(place: ColdPlace, instrument: Instrument) {
    instruments[place] = instrument;
    rememberInstrument(place, instrument);
    const now = readings[place];
    if (now) readings[place] = { celsius: now.celsius, instrument };
  }

  const given = $derived(PLACES.filter((p) => readings[p] !== null));
  const all = $derived(given.map((p) => readings[p]!.celsius));
  const centre = $derived(all.length > 0 ? (Math.min(...all) + Math.max(...all)) / 2 : (heat.ambientC ?? 15));
  const half = $derived(
    Math.max(
      9,
      ...given.map((p) => Math.abs(readings[p]!.celsius - centre) + instruments[p].uncertaintyC + 3)
    )
  );
  const W = 640;
  const x = (c: number) => 130 + ((c - centre + half) / (2 * half)) * (W - 150);
  const ticks = $derived(ticksOf(centre - half, centre + half, 6));
  const reference = $derived(
    readings.housing?.celsius ?? readings.ambient?.celsius ?? readings.iat?.celsius ?? null
  );
  const ROW = 42;
</script>

<div class="grid gap-x-4 gap-y-1 sm:grid-cols-2">
  {#each PLACES as place (place)}
    <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-2">
      <div>
        <QuantityInput
          label={COLD_PLACES[place]}
          kind="temperature"
          value={readings[place]?.celsius ?? null}
          onvalue={(v) => take(place, v)}
          problem={problems[place] ?? problems[`${place}.celsius`]}
          hint={place === 'ect' ? 'what is being judged' : 'if taken'}
        />
        {#if place === 'housing'}
          <BenchRead
            instrument={instruments.housing.kind.startsWith('infrared') ? 'infrared' : 'probe'}
            place="outlet"
            label="Read the simulated one"
            onread={(c) => take('housing', c)}
          />
        {/if}
      </div>
      <InstrumentPick
        of={COLD_PLACES[place]}
        instrument={instruments[place]}
        choices={CHOICES[place]}
        onchange={(instrument) => change(place, instrument)}
      />
    </div>
  {/each}
</div>

<figure>
  <svg viewBox="0 0 {W} {ROW * 4 + 40}" class="w-full" role="img" aria-label="The readings on one scale">
    {#if reference !== null}
      <rect
        x={x(reference - APART_BEYOND_C)}
        width={x(APART_BEYOND_C) - x(-APART_BEYOND_C)}
        y="0"
        height={ROW * 4}
        fill="var(--well)"
      />
      <rect
        x={x(reference - AGREE_WITHIN_C)}
        width={x(AGREE_WITHIN_C) - x(-AGREE_WITHIN_C)}
        y="0"
        height={ROW * 4}
        fill="var(--good-wash)"
      />
    {/if}
    {#each ticks as c (c)}
      <line x1={x(c)} x2={x(c)} y1="0" y2={ROW * 4} stroke="var(--line)" />
      <text x={x(c)} y={ROW * 4 + 20} text-anchor="middle" class="reading" font-size="13" fill="var(--ink-2)"
        >{Math.round(inUnit(c, 'temperature'))}°</text
      >
    {/each}
    {#each PLACES as place, i (place)}
      {@const reading = readings[place]}
      <text x="0" y={i * ROW + ROW / 2 + 5} font-size="14" fill="var(--ink)">{COLD_PLACES[place]}</text>
      {#if reading}
        {@const u = reading.instrument.uncertaintyC}
        <line
          x1={x(reading.celsius - u)}
          x2={x(reading.celsius + u)}
          y1={i * ROW + ROW / 2}
          y2={i * ROW + ROW / 2}
          stroke="var(--ink-2)"
          stroke-width="3"
        />
        <circle
          cx={x(reading.celsius)}
          cy={i * ROW + ROW / 2}
          r="9"
          fill={heatVar(reading.celsius)}
          stroke="var(--ink)"
          stroke-width="2"
        />
      {/if}
    {/each}
  </svg>
  <figcaption class="text-ink-2 text-sm">
    Bars are what each instrument may be off. Within {shownDifference(AGREE_WITHIN_C, 0)} they agree, beyond
    {shownDifference(APART_BEYOND_C, 0)} they do not.
  </figcaption>
</figure>
