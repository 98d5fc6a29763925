<script lang="ts">
  import { AGREE_WITHIN_C, APART_BEYOND_C } from '$core/checks/sensor/cold-agreement';
  import type { EctSubstituteReadings } from '$core/checks/sensor/ect-substitute';
  import type { PictureProps } from '../types';
  import ScaleStrip from './ScaleStrip.svelte';

  let { readings }: PictureProps<EctSubstituteReadings> = $props();
  const air = $derived(readings.air?.celsius ?? null);
</script>

<ScaleStrip
  label="Both readings on one scale"
  quantity="temperature"
  from={(air ?? 15) - 15}
  to={(air ?? 15) + 15}
  bands={air === null
    ? []
    : [
        { from: air - APART_BEYOND_C, to: air + APART_BEYOND_C, is: 'wide' },
        { from: air - AGREE_WITHIN_C, to: air + AGREE_WITHIN_C, is: 'good' }
      ]}
  rows={[
    {
      name: 'Known good',
      marks: readings.substituteC === null ? [] : [{ at: readings.substituteC, spread: 1 }]
    },
    {
      name: 'Air',
      marks: readings.air ? [{ at: readings.air.celsius, spread: readings.air.instrument.uncertaintyC }] : []
    }
  ]}
/>
