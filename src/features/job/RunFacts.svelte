<script lang="ts">
  import { clock } from '$core/base/text';
  import { inUnit, shown, shownDifference, inReaderUnits } from '$lib/ui/page-state/units';
  import type { RunView } from '$lib/views';

  interface Props {
    run: RunView;
  }
  let { run }: Props = $props();
  const f = $derived(run.analysis.features);
  const c = (x: number | null | undefined) => shown(x, 'temperature');
  const signed = (x: number | null) => (x === null ? '–' : `${x > 0 ? '+' : ''}${shownDifference(x)}`);

  const facts = $derived([
    ['Start', c(f.startC)],
    ['Warm-up rate', f.warmRateCPerMin === null ? '–' : `${shownDifference(f.warmRateCPerMin)}/min`],
    ['Opening point', f.knee ? `${c(f.knee.celsius)} at ${clock(f.knee.atS)}` : 'none'],
    [
      'Steady temperature',
      f.plateauC === null ? 'not reached' : `${c(f.plateauC)} ± ${shownDifference(f.plateauSpreadC ?? 0)}`
    ],
    ['Road minus idle', signed(f.roadMinusIdleC)],
    ['Highest', c(f.maxC)],
    [
      'Expected opening',
      run.band?.openingAtS
        ? `${clock(run.band.openingAtS.low)} to ${clock(run.band.openingAtS.high)}`
        : 'not today'
    ],
    [
      'Expected steady temperature',
      run.band?.plateauC
        ? `${Math.round(inUnit(run.band.plateauC.low, 'temperature'))} to ${shown(run.band.plateauC.high, 'temperature', 0)}`
        : '–'
    ],
    [
      'Fan on at',
      f.fan.from === 'none'
        ? 'not logged'
        : f.fan.switches
            .filter((s) => s.to === 'on')
            .map((s) => `${Math.round(inUnit(s.celsius, 'temperature'))}°`)
            .slice(0, 6)
            .join(' ') || 'never'
    ],
    ['Samples', `${run.sampleCount.toLocaleString('en')} over ${clock(run.durationS)}`]
  ]);
</script>

<section class="card p-4" aria-label="Measured">
  <dl class="grid grid-cols-2 gap-x-6 gap-y-3 sm:grid-cols-3 xl:grid-cols-5">
    {#each facts as [name, value] (name)}
      <div>
        <dt class="text-ink-2 text-sm">{name}</dt>
        <dd class="reading font-semibold">{value}</dd>
      </div>
    {/each}
  </dl>
  {#if f.segments.length > 0}
    <h2 class="mt-5">Steady stretches</h2>
    <table class="mt-2 w-full text-left">
      <thead class="text-ink-2 text-sm"
        ><tr
          ><th class="py-1 pr-4 font-normal">From</th><th class="py-1 pr-4 font-normal">To</th><th
            class="py-1 pr-4 font-normal">Driving</th
          ><th class="py-1 pr-4 text-right font-normal">Coolant</th><th class="py-1 text-right font-normal"
            >Load</th
          ></tr
        ></thead
      >
      <tbody class="reading">
        {#each f.segments as s (s.fromS)}
          <tr class="border-line border-t"
            ><td class="py-1.5 pr-4">{clock(s.fromS)}</td><td class="py-1.5 pr-4">{clock(s.toS)}</td><td
              class="py-1.5 pr-4 font-sans">{s.kind}</td
            ><td class="py-1.5 pr-4 text-right">{c(s.celsius)} ± {shownDifference(s.spreadC)}</td><td
              class="py-1.5 text-right">{Math.round(s.meanLoadPct)} %</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
  {#if run.importWarnings.length + run.analysis.warnings.length > 0}
    <h2 class="mt-5">Cautions</h2>
    <ul class="mt-1 list-disc space-y-1 pl-5">
      {#each [...run.analysis.warnings, ...run.importWarnings] as w, i (i)}<li>{inReaderUnits(w)}</li>{/each}
    </ul>
  {/if}
</section>
