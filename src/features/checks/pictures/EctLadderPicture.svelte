<script lang="ts">
  import { circuitOf, ladderOf, type EctLadderReadings } from '$core/checks/sensor/ect-ladder';
  import type { PictureProps } from '../types';
  import LadderPlot from './LadderPlot.svelte';

  let { readings, sheet, curves }: PictureProps<EctLadderReadings> = $props();
  const ladder = $derived(ladderOf(readings.points, sheet, curves));
  /** The ladder as rows of the curve library, for a sensor that is known to be good. */
  const asCurve = $derived(
    (ladder
      ? ladder.points.map((p) => [p.trueC, p.ohm])
      : readings.points.flatMap((p) => (p.ohm === null ? [] : [[p.celsius, p.ohm]]))
    )
      .map(([c, ohm]) => `${c}:${Number(ohm.toPrecision(5))}`)
      .join(';')
  );
</script>

{#if !circuitOf(sheet)}
  <p class="text-ink-2 text-sm">
    The sheet lacks the reference, the pull-up or where it switches, so volts cannot be judged: measure ohms.
  </p>
{/if}
<LadderPlot {sheet} {ladder} points={readings.points} />
{#if readings.points.length > 1}<a
    class="quiet-link inline-flex min-h-11 items-center text-sm"
    href="/sensor/curves?from=Ladder&rows={encodeURIComponent(asCurve)}"
    >A good sensor of a kind that is not in the library: keep its curve</a
  >{/if}
