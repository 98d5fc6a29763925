<script lang="ts">
  import { CAP_SPREAD, type CapTestReadings } from '$core/checks/coolant/cap-test';
  import { shown } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings, sheet }: PictureProps<CapTestReadings> = $props();
  const due = $derived(sheet?.cap?.kPa ?? null);
  /** The middle one is what counts. */
  const middle = $derived(
    readings.opensKPa.toSorted((a, b) => a - b)[Math.floor((readings.opensKPa.length - 1) / 2)]
  );
</script>

<ScaleStrip
  label="Where the cap opened against where it should"
  quantity="pressure"
  from={0}
  to={Math.max(180, (due ?? 0) * 1.4)}
  rows={[
    {
      name: 'Opens at',
      marks: readings.opensKPa.map((at) => ({
        at,
        hollow: at !== middle,
        text: at === middle ? undefined : ''
      })),
      bands: due ? [{ from: due * (1 - CAP_SPREAD), to: due * (1 + CAP_SPREAD), is: 'good' }] : []
    }
  ]}
/>
<p class="text-ink-2 text-sm">
  {due ? `Green: the sheet’s ${shown(due, 'pressure')}. ` : ''}Of several the middle one counts, and is
  filled.
</p>
