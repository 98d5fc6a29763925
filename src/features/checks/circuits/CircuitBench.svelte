<script lang="ts">
  import { tick } from 'svelte';
  import { page } from '$app/state';
  import {
    placeOf,
    refuseVolts,
    sayVolts,
    soundWords,
    templateOf,
    type CircuitReadings
  } from '$core/checks/circuit-check';
  import { locate } from '$core/physics/circuit/template';
  import { readBench } from '$lib/ui/inputs/bench';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import Schematic from './Schematic.svelte';
  import { SCHEMATICS } from './schematics';

  interface Props {
    readings: CircuitReadings;
    problems: Readonly<Record<string, string>>;
    /** The command may be told as a duty, as a share of this many volts. */
    dutyOfV?: number;
  }
  let { readings = $bindable(), problems, dutyOfV }: Props = $props();

  const t = $derived(templateOf(readings.circuit));
  // svelte-ignore state_referenced_locally
  let state_ = $state(readings.taken.at(-1)?.state ?? t.states[0].id);
  // svelte-ignore state_referenced_locally
  let at = $state(t.taps[0].id);
  let entry: HTMLElement;

  /** While the field is empty, as a battery usually is; the sheet is not written without it. */
  const batteryV = $derived(readings.batteryV || 12.6);
  const located = $derived(locate(t, readings.taken, batteryV));
  const suspicion = $derived(
    readings.taken.length === 0
      ? {}
      : Object.fromEntries(located.ranked.filter((r) => r.id !== 'sound').map((r) => [r.id, r.probability]))
  );
  const indexOf = (state: string, place: string) =>
    readings.taken.findIndex((m) => m.state === state && m.at === place);
  const valueOf = (state: string, place: string) => readings.taken[indexOf(state, place)]?.value ?? null;
  const written = (volts: number) => inReaderUnits(sayVolts(volts));

  const taps = $derived(
    Object.fromEntries(
      t.taps.map((tap) => {
        const i = indexOf(state_, tap.id);
        const value = i < 0 ? null : readings.taken[i].value;
        const due = i < 0 ? NaN : located.expected[i];
        return [
          tap.id,
          {
            title: readings.names[tap.id] || tap.title,
            terminal: tap.terminal,
            value: value === null ? null : written(value),
            due: inReaderUnits(soundWords(readings.circuit, state_, tap.id, batteryV)),
            off: value !== null && Math.abs(value - due) > 0.5 + 0.06 * Math.abs(due)
          }
        ];
      })
    )
  );
  const place = $derived(placeOf(t, state_, at) ?? placeOf(t, state_, t.taps[0].id)!);
  const sights = $derived(t.sights.filter((s) => s.states.includes(state_)));
  /** A reading that cannot be is named where it was typed, as soon as it is. */
  const wrong = $derived(
    refuseVolts({ ...readings, batteryV }).find((p) => p.field === `taken.${indexOf(state_, at)}`)?.message ??
      problems.taken
  );

  function put(where: string, value: number | null) {
    const rest = readings.taken.filter((m) => m.state !== state_ || m.at !== where);
    readings.taken = value === null ? rest : [...rest, { state: state_, at: where, value }];
  }

  function choose(tap: string) {
    at = tap;
    void tick().then(() => entry?.querySelector('input')?.focus());
  }

  /** On to what is worth measuring next, in whatever state that is. */
  function goOn() {
    const next = located.next;
    if (!next) return;
    state_ = next.state;
    if (t.taps.some((p) => p.id === next.at)) choose(next.at);
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' || event.ctrlKey || !(event.target instanceof HTMLInputElement)) return;
    event.preventDefault();
    goOn();
  }

  async function fromBench() {
    const value = await readBench({ circuit: readings.circuit, state: state_, at });
    if (value === null) return;
    put(at, value);
  }
</script>

<div class="flex flex-wrap items-start gap-4">
  <Choose
    label="The circuit is"
    choices={t.states.map((s) => ({ value: s.id, label: s.title }))}
    value={state_}
    onvalue={(v) => {
      state_ = v ?? state_;
    }}
  />
  <div class="w-32">
    <QuantityInput
      label="Battery"
      kind="voltage"
      bind:value={readings.batteryV}
      problem={problems.batteryV}
      required
    />
  </div>
</div>
<Schematic
  label={t.title}
  drawing={SCHEMATICS[readings.circuit]}
  {taps}
  {suspicion}
  chosen={at}
  next={located.next?.state === state_ ? located.next.at : null}
  onchoose={choose}
/>
<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,300px)_1fr]">
  <div bind:this={entry} onkeydowncapture={onkeydown}>
    {#key `${state_}/${at}`}
      <QuantityInput
        label="{readings.names[at] || place.title}{place.terminal
          ? ` (${place.terminal})`
          : ''} to battery minus"
        kind="voltage"
        value={valueOf(state_, at)}
        onvalue={(v) => put(at, v)}
        problem={wrong && inReaderUnits(wrong)}
        hint="sound: {inReaderUnits(soundWords(readings.circuit, state_, at, batteryV))}"
      />
      {#if dutyOfV && at === 'command'}
        <QuantityInput
          label="or its duty"
          kind="share"
          value={valueOf(state_, at) === null ? null : (100 * valueOf(state_, at)!) / dutyOfV}
          onvalue={(pct) => {
            put(at, pct === null ? null : (pct / 100) * dutyOfV);
          }}
        />
      {/if}
    {/key}
    {#if page.data.bench}<button
        type="button"
        class="text-act min-h-11 text-left text-sm underline underline-offset-3"
        onclick={fromBench}>Read the simulated meter</button
      >{/if}
  </div>
  <div class="flex flex-wrap gap-x-6 gap-y-3">
    {#each sights as sight (sight.id)}
      {#key state_}
        <Choose
          label={sight.title}
          choices={sight.steps.map((label, i) => ({ value: String(i), label }))}
          value={valueOf(state_, sight.id) === null ? null : String(valueOf(state_, sight.id))}
          optional
          onvalue={(v) => put(sight.id, v === null ? null : Number(v))}
        />
      {/key}
    {/each}
  </div>
</div>
{#if located.next && readings.taken.length > 0}
  <p class="bg-well rounded-lg px-4 py-2.5" data-next={`${located.next.state}/${located.next.at}`}>
    Most worth measuring next: <strong>{located.next.title}</strong>
    <button type="button" class="quiet-link ml-2 min-h-11" onclick={goOn}>Go there</button>
  </p>
{/if}
<details>
  <summary class="quiet-link min-h-11 cursor-pointer py-2.5 text-sm"
    >Name the places as this vehicle does</summary
  >
  <div class="grid grid-cols-2 gap-3 pt-1 sm:grid-cols-4">
    {#each t.taps as tap (tap.id)}
      <label class="block text-sm"
        >{tap.title}<input
          class="field"
          maxlength="30"
          value={readings.names[tap.id] ?? ''}
          oninput={(e) => (readings.names = { ...readings.names, [tap.id]: e.currentTarget.value })}
        /></label
      >
    {/each}
  </div>
</details>
