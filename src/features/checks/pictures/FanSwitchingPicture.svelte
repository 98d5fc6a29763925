<script lang="ts">
  import type { FanSwitchingReadings } from '$core/checks/fan/fan-switching';
  import { fanStages } from '$core/vehicle/limits';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings, sheet }: PictureProps<FanSwitchingReadings> = $props();
  const given = $derived(fanStages(sheet));
  const text = (word: string, c: number) => `${word} ${shown(c, 'temperature', 0)}`;
</script>

<ScaleStrip
  label="Switching points against the sheet"
  quantity="temperature"
  from={85}
  to={Math.max(110, readings.hottestC ?? 0)}
  rows={readings.stages.map((s, i) => ({
    name: `Fan ${s.name}`,
    marks: [
      ...(s.onC === null ? [] : [{ at: s.onC, text: text('on', s.onC) }]),
      ...(s.offC === null ? [] : [{ at: s.offC, hollow: true, text: text('off', s.offC) }])
    ],
    bands: given[i] ? [{ from: given[i].offC, to: given[i].onC, is: 'good' }] : []
  }))}
/>
<p class="text-ink-2 text-sm">
  The green stretch is the sheet’s, from off to on. A filled point is where the fan came on; for one that runs
  from the first minute, where it was first read.
</p>
