<script lang="ts">
  import {
    AGREE_WITHIN_C,
    APART_BEYOND_C,
    COLD_PLACES,
    type ColdAgreementReadings,
    type ColdPlace
  } from '$core/checks/sensor/cold-agreement';
  import { shownDifference } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings, heat }: PictureProps<ColdAgreementReadings> = $props();
  const PLACES = Object.keys(COLD_PLACES) as ColdPlace[];
  const all = $derived(PLACES.flatMap((p) => readings[p]?.celsius ?? []));
  const centre = $derived(all.length > 0 ? (Math.min(...all) + Math.max(...all)) / 2 : (heat.ambientC ?? 15));
  const reference = $derived(
    readings.housing?.celsius ?? readings.ambient?.celsius ?? readings.iat?.celsius ?? null
  );
</script>

<figure>
  <ScaleStrip
    label="The readings on one scale"
    quantity="temperature"
    from={centre - 9}
    to={centre + 9}
    bands={reference === null
      ? []
      : [
          { from: reference - APART_BEYOND_C, to: reference + APART_BEYOND_C, is: 'wide' },
          { from: reference - AGREE_WITHIN_C, to: reference + AGREE_WITHIN_C, is: 'good' }
        ]}
    rows={PLACES.map((p) => ({
      name: COLD_PLACES[p],
      marks: readings[p] ? [{ at: readings[p].celsius, spread: readings[p].instrument.uncertaintyC }] : []
    }))}
  />
  <figcaption class="text-ink-2 text-sm">
    Bars are what each instrument may be off. Within {shownDifference(AGREE_WITHIN_C, 0)} they agree, beyond
    {shownDifference(APART_BEYOND_C, 0)} they do not.
  </figcaption>
</figure>
