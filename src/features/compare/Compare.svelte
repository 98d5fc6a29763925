<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import { limitsOf } from '$core/vehicle/limits';
  import { goto } from '$app/navigation';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { alignAt, compareFeatures, incomparable } from '$core/runs/compare';
  import type { Features } from '$core/runs/features';
  import type * as TraceModule from '$lib/ui/plots/Trace.svelte';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { shown, inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import { thresholdsOf } from '../job/thresholds';

  interface Side {
    readonly id: string;
    readonly fileName: string;
    readonly title: string;
    readonly durationS: number;
    readonly features: Features;
    readonly t: readonly number[];
    readonly ect: readonly (number | null)[];
  }
  interface Props {
    vehicle: { id: string; fleetNo: string; name: string; sheet: SpecSheet | null };
    runs: readonly { id: string; fileName: string; importedAt: string; title: string; job: number }[];
    a: Side | null;
    b: Side | null;
    zone: string;
  }
  let { vehicle, runs, a, b, zone }: Props = $props();

  let chart = $state<typeof TraceModule.default>();
  $effect(() => {
    void import('$lib/ui/plots/Trace.svelte').then((t) => (chart = t.default));
  });

  const start = $derived(limitsOf(vehicle.sheet).startOpenC.value);
  let by = $state<string | null>('start');
  const meetC = $derived(by === 'start' ? null : Number(by));
  const ways = $derived([
    { value: 'start', label: 'At the start' },
    { value: '40', label: `At ${shown(40, 'temperature', 0)}` },
    { value: String(start - 6), label: `At ${shown(start - 6, 'temperature', 0)}` }
  ]);
  const shift = $derived(a && b && meetC !== null ? alignAt(b, a, meetC) : 0);
  const other = $derived(a ? { t: a.t.map((t) => t + (shift ?? 0)), ect: a.ect } : null);
  const full = $derived({
    from: Math.min(0, shift ?? 0),
    to: Math.max(b?.durationS ?? 1, (a?.durationS ?? 1) + (shift ?? 0))
  });
  let range = $state<{ from: number; to: number } | null>(null);
  $effect(() => {
    void [full.from, full.to];
    range = null;
  });
  let cursor = $state<number | null>(null);

  const rows = $derived(a && b ? compareFeatures(a.features, b.features) : []);
  const unlike = $derived(a && b ? incomparable(a.features, b.features) : []);
  const differing = $derived(rows.filter((r) => r.judged === 'differs').length);
  const choose = (side: 'a' | 'b', id: string) => {
    const ids = { a: a?.id, b: b?.id, [side]: id };
    void goto(`/vehicles/${vehicle.id}/compare?a=${ids.a}&b=${ids.b}`, { noScroll: true, keepFocus: true });
  };
</script>

<p class="text-ink-2">
  <a class="quiet-link" href="/vehicles/{vehicle.id}">{vehicle.fleetNo}</a>
  {vehicle.name}
</p>
<h1 class="mt-1 mb-3">Two runs, one over the other</h1>
{#if !a || !b || a.id === b.id}
  <p class="card p-6">
    {runs.length === 0 ? 'No run yet.' : 'There is only one run of this vehicle.'} Record or import another, then
    they can be laid over each other.
  </p>
{:else}
  <div class="card mb-4 grid items-end gap-4 p-4 md:grid-cols-[1fr_1fr_auto]">
    {#each [['a', 'Before, dashed', a.id], ['b', 'After, in colour', b.id]] as const as [side, label, id] (side)}
      <Select
        {label}
        choices={runs.map((r) => ({
          value: r.id,
          label: `${when(r.importedAt, zone)} · job ${r.job} · ${r.title}`
        }))}
        value={id}
        onvalue={(run) => choose(side, run!)}
      />
    {/each}
    <Choose label="Laid together" choices={ways} bind:value={by} />
  </div>
  <div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_420px]">
    <section class="card p-3" aria-label="Both runs">
      {#if shift === null}<p class="text-off px-1 pb-1 font-semibold">
          One of them never reaches {shown(meetC, 'temperature', 0)}: laid together at the start.
        </p>{/if}
      <div class="h-[430px] 2xl:h-[560px]">
        {#if chart}
          {@const Trace = chart}
          <Trace
            t={b.t}
            ect={b.ect}
            {other}
            band={null}
            thresholds={thresholdsOf(vehicle.sheet)}
            marks={[]}
            range={range ?? full}
            {full}
            bind:cursor
            onrange={(r) => (range = r)}
            label="Coolant of both runs over time"
          />
        {/if}
      </div>
    </section>
    <section class="card p-4" aria-label="Features side by side">
      <h2>
        {differing === 0
          ? 'Nothing differs beyond what two days do'
          : `${differing} thing${differing === 1 ? '' : 's'} differ`}
      </h2>
      {#if unlike.length > 0}<p class="border-line-strong bg-well mt-2 rounded-lg border px-3 py-2">
          Compare with care: {inReaderUnits(unlike.join('; '))}.
        </p>{/if}
      <table class="mt-2 w-full text-right">
        <thead class="text-ink-2 text-sm"
          ><tr
            ><th class="py-1 text-left font-normal">Feature</th><th class="py-1 font-normal">Before</th><th
              class="py-1 font-normal">After</th
            ><th class="py-1 font-normal">Change</th></tr
          ></thead
        >
        <tbody>
          {#each rows as r (r.name)}
            <tr
              class="border-line border-t {r.judged === 'differs' ? 'font-bold' : ''}"
              data-judged={r.judged}
            >
              <td class="py-1.5 text-left">{r.name}</td>
              <td class="py-1.5 pl-4 whitespace-nowrap">{inReaderUnits(r.a)}</td>
              <td class="py-1.5 pl-4 whitespace-nowrap">{inReaderUnits(r.b)}</td>
              <td class="py-1.5 pl-4 whitespace-nowrap"
                >{r.by === null ? '–' : inReaderUnits(r.by)}<span class="text-ink-2 block text-xs font-normal"
                  >{r.judged === 'differs'
                    ? 'differs'
                    : r.judged === 'same'
                      ? 'as two days may'
                      : 'one has none'}</span
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
  </div>
{/if}
