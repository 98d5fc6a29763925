<script lang="ts">
  import { untrack } from 'svelte';
  import type { Instrument, InstrumentId } from '$core/measure/instruments';
  import type { Field } from '$core/units/field';
  import { inReaderUnits } from '../page-state/units';
  import BenchRead from './BenchRead.svelte';
  import { lastInstrument, rememberInstrument } from './instrument-memory';
  import InstrumentPick from './InstrumentPick.svelte';
  import QuantityInput from './QuantityInput.svelte';

  interface Reading {
    readonly celsius: number;
    readonly instrument: Instrument;
  }
  interface Props {
    field: Field;
    value: Reading | null;
    problem?: string;
    onvalue: (value: Reading | null) => void;
  }
  let { field, value, problem, onvalue }: Props = $props();
  const place = $derived(field.takenWith!.place);
  const choices = $derived(field.takenWith!.choices as readonly InstrumentId[]);
  /** What was taken last at this place, until the reading says otherwise. */
  let chosen = $state.raw(untrack(() => lastInstrument(place, choices[0])));
  const instrument = $derived(value?.instrument ?? chosen);

  const take = (celsius: number | null) => onvalue(celsius === null ? null : { celsius, instrument });
  function change(next: Instrument) {
    chosen = next;
    rememberInstrument(place, next);
    if (value) onvalue({ ...value, instrument: next });
  }
</script>

<!-- A temperature and what it was taken with. -->
<div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-2">
  <div>
    <QuantityInput
      label={field.label}
      kind="temperature"
      value={value?.celsius ?? null}
      hint={field.hint && inReaderUnits(field.hint)}
      {problem}
      onvalue={take}
    />
    {#if field.bench && 'instrument' in field.bench}<BenchRead
        place={field.bench.place}
        instrument={instrument.kind.startsWith('infrared') ? 'infrared' : field.bench.instrument}
        label="Read the simulated one"
        onread={take}
      />{/if}
  </div>
  <InstrumentPick of={field.label} {instrument} {choices} onchange={change} />
</div>
