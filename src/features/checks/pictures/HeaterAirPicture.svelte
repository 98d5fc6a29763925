<script lang="ts">
  import { DUE_SHARE, type HeaterAirReadings } from '$core/checks/flow/heater-air';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings }: PictureProps<HeaterAirReadings> = $props();
  const air = $derived(readings.ambientC);
  const coolant = $derived(readings.coolantC);
  const due = $derived(
    air === null || coolant === null ? null : air + DUE_SHARE[readings.blower ?? 'low'] * (coolant - air)
  );
  const mark = (at: number | null) => (at === null ? [] : [{ at }]);
</script>

<figure>
  <ScaleStrip
    label="From the outside air to the coolant: the vent and the heater’s hoses"
    quantity="temperature"
    from={Math.min(10, (air ?? 15) - 5)}
    to={Math.max(90, (coolant ?? 85) + 5)}
    rows={[
      { name: 'Coolant', marks: mark(coolant) },
      { name: 'Hose, in', marks: mark(readings.hoseInC) },
      { name: 'Hose, back', marks: mark(readings.hoseOutC) },
      {
        name: 'Vent',
        marks: mark(readings.ventC),
        bands: due === null || coolant === null ? [] : [{ from: due, to: coolant, is: 'good' }]
      },
      { name: 'Outside', marks: mark(air) }
    ]}
  />
  <figcaption class="text-ink-2 text-sm">
    Green: where the vent of a sound heater stands at this blower. A hose in hot and back cold is the core;
    both cool is missing flow; both hot is a door of the air box.
  </figcaption>
</figure>
