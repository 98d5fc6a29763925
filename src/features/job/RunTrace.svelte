<script lang="ts">
  import Minus from '~icons/lucide/minus';
  import Plus from '~icons/lucide/plus';
  import { CHANNELS, channel, type ChannelKey } from '$core/logs/channels';
  import { FAULTS } from '$core/faults/registry';
  import { midSentence } from '$core/base/text';
  import type { Thinned } from '$core/runs/thin';
  import type * as TraceModule from '$lib/ui/plots/Trace.svelte';
  import type * as StripModule from '$lib/ui/plots/Strip.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { inUnit, shown as inWords, unitOf } from '$lib/ui/page-state/units';
  import { clock } from '$core/base/text';
  import { thresholdsOf } from './thresholds';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { RunView } from '$lib/views';

  interface Props {
    run: RunView;
    sheet: SpecSheet | null;
  }
  let { run, sheet }: Props = $props();

  // The chart code is the heaviest part of the page and draws nothing on the server: it comes after the words.
  let chart = $state<{ Trace: typeof TraceModule.default; Strip: typeof StripModule.default }>();
  $effect(() => {
    void Promise.all([import('$lib/ui/plots/Trace.svelte'), import('$lib/ui/plots/Strip.svelte')]).then(
      ([t, s]) => (chart = { Trace: t.default, Strip: s.default })
    );
  });

  const full = $derived({ from: 0, to: Math.max(run.durationS, 1) });
  // svelte-ignore state_referenced_locally
  let range = $state({ from: 0, to: Math.max(run.durationS, 1) });
  let cursor = $state<number | null>(null);
  // svelte-ignore state_referenced_locally
  let samples = $state.raw<Thinned>(run.samples);
  let shown = $state<ChannelKey[]>([]);
  const why = $derived(run.analysis.why ?? null);
  // A run that fits a healthy engine needs no second explanation, until it is asked for.
  // svelte-ignore state_referenced_locally
  let explained = $state(run.analysis.verdict !== 'none' && (run.analysis.why?.fault ?? null) !== null);
  let request = 0;

  const extra = $derived(
    CHANNELS.filter((c) => c.key !== 'ect_c' && samples.channels[c.key]).map((c) => c.key)
  );
  const thresholds = $derived(thresholdsOf(sheet));
  const marks = $derived([...opening(), ...run.marks.map((m) => ({ t: m.t, label: m.text }))]);
  const zoomed = $derived(range.from > full.from || range.to < full.to);
  const at = $derived(cursor === null ? null : nearest(samples.t, cursor));

  function opening() {
    const { knee, hose } = run.analysis.features;
    if (knee)
      return [
        {
          t: knee.atS,
          label: `opened ${Math.round(inUnit(knee.celsius, 'temperature'))}° at ${clock(knee.atS)}`
        }
      ];
    return hose.kind === 'rush' ? [{ t: hose.atS, label: `hose hot at ${clock(hose.atS)}` }] : [];
  }

  function nearest(t: readonly number[], seconds: number): number {
    let best = 0;
    for (let i = 1; i < t.length; i++) if (Math.abs(t[i] - seconds) < Math.abs(t[best] - seconds)) best = i;
    return best;
  }

  function bandAt(seconds: number): string {
    const { band } = run;
    if (!band) return '';
    const i = nearest(band.t, seconds);
    return `${Math.round(inUnit(band.low[i], 'temperature'))} to ${inWords(band.high[i], 'temperature', 0)} expected`;
  }

  /** Shows a stretch; where the whole log was thinned, its samples come anew in full detail. */
  async function show(next: { from: number; to: number }) {
    range = next;
    if (run.samples.t.length >= run.samples.total) return;
    const mine = ++request;
    const margin = (next.to - next.from) * 0.5;
    const response = await fetch(
      `/api/runs/${run.id}/samples?from=${next.from - margin}&to=${next.to + margin}&points=2400`
    ).catch(() => null);
    if (response?.ok && mine === request) samples = await response.json();
  }

  function zoom(factor: number) {
    const centre = cursor ?? (range.from + range.to) / 2;
    const span = Math.min(full.to - full.from, Math.max(10, (range.to - range.from) * factor));
    const from = Math.min(Math.max(full.from, centre - span / 2), full.to - span);
    void show({ from, to: from + span });
  }

  function pan(share: number) {
    const span = range.to - range.from;
    const from = Math.min(Math.max(full.from, range.from + share * span), full.to - span);
    void show({ from, to: from + span });
  }

  $effect(() =>
    useShortcuts([
      { key: '+', label: 'Zoom in on the trace', run: () => zoom(0.5) },
      { key: '-', label: 'Zoom out', run: () => zoom(2) },
      { key: '0', label: 'Show the whole run', run: () => void show(full) },
      { key: ',', label: 'Earlier', run: () => pan(-0.25) },
      { key: '.', label: 'Later', run: () => pan(0.25) }
    ])
  );

  const toggle = (key: ChannelKey) =>
    (shown = shown.includes(key) ? shown.filter((k) => k !== key) : [...shown, key]);
  const shownValue = (key: ChannelKey, i: number) => inWords(samples.channels[key]?.[i], channel(key).kind);
</script>

{#snippet chip(says: string, on: boolean, turn: () => void)}
  <button
    class="min-h-11 rounded-full border px-3.5 text-sm {on
      ? 'border-act bg-act text-act-ink font-semibold'
      : 'border-line-strong'}"
    aria-pressed={on}
    onclick={turn}>{says}</button
  >
{/snippet}

{#snippet line(says: string, colour: string, dashes: string)}
  <span class="flex items-center gap-2"
    ><svg width="34" height="6" aria-hidden="true"
      ><line y1="3" y2="3" x2="34" stroke={colour} stroke-dasharray={dashes} stroke-width="2.5" /></svg
    >{says}</span
  >
{/snippet}

<section class="card p-3" aria-label="Trace">
  <div class="flex min-h-11 items-center gap-x-5 gap-y-1 px-1">
    {#if at === null}
      <p class="text-ink-2 flex min-w-0 flex-1 flex-wrap items-center gap-x-5 text-sm">
        <span class="flex items-center gap-2"
          ><svg width="34" height="12" aria-hidden="true"
            ><defs
              ><linearGradient id="key-heat"
                ><stop offset="0" stop-color="var(--heat-1)" /><stop
                  offset=".5"
                  stop-color="var(--heat-3)"
                /><stop offset="1" stop-color="var(--heat-5)" /></linearGradient
              ></defs
            ><rect y="4" width="34" height="4" rx="2" fill="url(#key-heat)" /></svg
          >coolant as logged</span
        >
        <span class="flex items-center gap-2"
          ><svg width="34" height="14" aria-hidden="true"
            ><rect width="34" height="14" fill="var(--band)" opacity=".3" /><line
              y1="7"
              y2="7"
              x2="34"
              stroke="var(--band)"
              stroke-dasharray="5 4"
              stroke-width="1.5"
            /></svg
          >expected today: nine healthy engines in ten</span
        >
        {#if explained && why}
          {@render line('best healthy match', 'var(--good)', '12 5')}
          {#if why.fault}
            {@render line(`best match, ${midSentence(FAULTS[why.fault.id].title)}`, 'var(--off)', '3 4')}
            {#if why.parts.length > 0}
              <span class="flex items-center gap-2"
                ><span class="bg-off-wash border-line h-4 w-5 border" aria-hidden="true"></span>where the two
                part</span
              >
            {/if}
          {/if}
        {/if}
      </p>
    {:else}
      <p class="reading flex flex-wrap items-baseline gap-x-4" aria-live="polite">
        <span class="text-ink-2">{clock(samples.t[at])}</span>
        <strong class="text-lg">{shownValue('ect_c', at)}</strong>
        <span class="text-ink-2">{bandAt(samples.t[at])}</span>
        {#each extra.slice(0, 6) as key (key)}<span class="text-sm"
            >{channel(key).title} {shownValue(key, at)}</span
          >{/each}
      </p>
    {/if}
    <div class="no-print ml-auto flex gap-1.5">
      {#if zoomed}<button class="btn px-3" onclick={() => show(full)}>Whole run</button>{/if}
      <button class="btn px-3" onclick={() => zoom(2)} disabled={!zoomed} aria-label="Zoom out"
        ><Minus size={18} aria-hidden="true" /></button
      >
      <button class="btn px-3" onclick={() => zoom(0.5)} aria-label="Zoom in"
        ><Plus size={18} aria-hidden="true" /></button
      >
    </div>
  </div>
  <!-- As high as the first screen leaves room for: the answers above and the curve are one glance. -->
  <div class="mt-1 h-[max(15rem,min(34rem,100dvh-33rem))]">
    {#if chart}
      <chart.Trace
        t={samples.t}
        ect={samples.channels.ect_c ?? []}
        band={run.band}
        why={explained ? why : null}
        {thresholds}
        {marks}
        {range}
        {full}
        bind:cursor
        onrange={show}
        label="Coolant temperature over time, {run.fileName}. Arrow keys read values."
      />
    {:else}
      <p class="text-ink-2 grid h-full place-items-center">Drawing the curve…</p>
    {/if}
  </div>
  {#if chart}
    {#each shown as key (key)}
      <chart.Strip
        t={samples.t}
        values={(samples.channels[key] ?? []).map((v) => (v === null ? null : inUnit(v, channel(key).kind)))}
        title={channel(key).title}
        unit={unitOf(channel(key).kind).symbol}
        {range}
        bind:cursor
      />
    {/each}
  {/if}
  {#if extra.length > 0 || why}
    <div
      class="no-print mt-2 flex flex-wrap items-center gap-2 px-1"
      role="group"
      aria-label="Other channels under the trace"
    >
      <span class="text-ink-2 text-sm">Also show</span>
      {#if why}{@render chip('What explains it', explained, () => (explained = !explained))}{/if}
      {#each extra as key (key)}
        {@render chip(channel(key).title, shown.includes(key), () => toggle(key))}
      {/each}
    </div>
  {/if}
</section>
