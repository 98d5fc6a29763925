<script lang="ts">
  import { INSTRUMENTS, instrumentOf, type Instrument, type InstrumentId } from '$core/measure/instruments';
  import { shownDifference } from '../page-state/units';
  import QuantityInput from './QuantityInput.svelte';
  import Select from './Select.svelte';

  interface Props {
    /** What is measured with it. */
    of: string;
    instrument: Instrument;
    choices: readonly InstrumentId[];
    onchange: (instrument: Instrument) => void;
  }
  let { of, instrument, choices, onchange }: Props = $props();
  let own = $state(false);
</script>

<div>
  {#if choices.length > 1}
    <Select
      label="taken with"
      name="Instrument for {of}"
      choices={choices.map((kind) => ({ value: kind, label: INSTRUMENTS[kind].title }))}
      value={instrument.kind}
      onvalue={(kind) => onchange(instrumentOf(kind as InstrumentId))}
    />
  {:else}
    <p class="pt-8 text-sm">{INSTRUMENTS[instrument.kind].title}</p>
  {/if}
  <button
    type="button"
    class="text-ink-2 min-h-8 w-full text-left text-xs underline decoration-dotted underline-offset-3"
    aria-expanded={own}
    onclick={() => (own = !own)}
    >{instrument.name ? `${instrument.name}, ` : ''}± {shownDifference(instrument.uncertaintyC)}, {INSTRUMENTS[
      instrument.kind
    ].hint}</button
  >
  {#if own}
    <div class="border-line mt-1 grid grid-cols-2 gap-2 border-t pt-2">
      <label class="block"
        ><span class="mb-1 block text-sm font-semibold">Its name</span><input
          class="field"
          maxlength="40"
          value={instrument.name}
          onchange={(e) => onchange({ ...instrument, name: e.currentTarget.value.trim() })}
        /></label
      >
      <QuantityInput
        label="May be off by ±"
        kind="difference"
        value={instrument.uncertaintyC}
        hint="95 %, by its sheet"
        lazy
        onvalue={(v) => {
          if (v !== null && v > 0 && v <= 20) onchange({ ...instrument, uncertaintyC: v });
        }}
      />
    </div>
  {/if}
</div>
