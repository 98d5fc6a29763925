<script lang="ts">
  import type { TableRow } from '$core/physics/thermistor/table';
  import { inUnit, perDegree, shownDifference, unitOf } from '$lib/ui/page-state/units';

  interface Props {
    rows: readonly TableRow[];
    tolerancePct: number;
  }
  let { rows, tolerancePct }: Props = $props();
  const volts = $derived(rows.some((r) => r.volts !== null));
  const across = $derived(rows.some((r) => r.hotByC !== null));
  const ohms = (ohm: number) =>
    ohm >= 100_000 ? ohm.toFixed(0) : ohm >= 1000 ? ohm.toFixed(0) : ohm.toFixed(1);
</script>

<section class="card overflow-x-auto p-4" aria-label="Table">
  <table class="reading w-full text-right">
    <thead class="text-ink-2 text-sm">
      <tr>
        <th class="py-1 font-normal">{unitOf('temperature').symbol}</th>
        <th class="font-normal">Ω</th>
        <th class="font-normal">{tolerancePct} % tolerance</th>
        {#if volts}<th class="font-normal">V</th><th class="font-normal">mV/{unitOf('temperature').symbol}</th
          ><th class="font-normal">ADC step</th>{/if}
        {#if across}<th class="font-normal">reads hot by</th>{/if}
      </tr>
    </thead>
    <tbody>
      {#each rows as r (r.celsius)}
        <tr class="border-line border-t">
          <td class="py-1 font-semibold">{Math.round(inUnit(r.celsius, 'temperature'))}</td>
          <td>{ohms(r.ohm)}</td>
          <td>{shownDifference((r.toleranceC[1] - r.toleranceC[0]) / 2, 1)}</td>
          {#if volts}
            <td>{r.volts?.toFixed(3)}{r.range === 'warm' ? ' w' : ''}</td>
            <td>{r.mvPerC === undefined || r.mvPerC === null ? '' : perDegree(r.mvPerC).toFixed(1)}</td>
            <td class={(r.countC ?? 0) > 0.6 ? 'text-off' : ''}
              >{r.countC === null ? '' : shownDifference(r.countC, 2)}</td
            >
          {/if}
          {#if across}<td>{r.hotByC === null ? '' : shownDifference(r.hotByC, 1)}</td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
</section>
