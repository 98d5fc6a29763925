<script lang="ts">
  import { normOf, type WarmIdleReadings } from '$core/checks/engine/warm-idle';
  import { originWords } from '$core/vehicle/limits';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings, sheet }: PictureProps<WarmIdleReadings> = $props();
  const norm = $derived(normOf(sheet));
</script>

<figure>
  <ScaleStrip
    label="The reading at warm idle against this engine’s own norm"
    quantity="temperature"
    from={norm.low.value - 20}
    to={norm.high.value + 15}
    rows={[
      {
        name: 'Reads',
        marks:
          readings.scanC === null
            ? []
            : [{ at: readings.scanC, ...(readings.swingC === null ? {} : { spread: readings.swingC / 2 }) }],
        bands: [{ from: norm.low.value, to: norm.high.value, is: 'good' }]
      }
    ]}
  />
  <figcaption class="text-ink-2 text-sm">
    Green: where this engine stands at warm idle, {originWords(norm.low)}. The bar is how far it swung.
  </figcaption>
</figure>
